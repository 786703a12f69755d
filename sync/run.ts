/** What every page does beside what it shows: keeps what is entered, sends it, fetches what is new, and says how that stands. */
import { type AnyEntry, DeviceStore, NotKeptError, type Outgoing } from './device.ts';
import type { KeptPicture } from './device-schema.ts';
import { type Journal, journalHere } from './journal.ts';
import { clearedSince, noteLeft, noteMore, notesHere, waitingElsewhere } from './left-here.ts';
import { pull } from './pull.ts';
import { backoffMs, type Later, type Post, push } from './push.ts';
import { pushPictures, type SendPiece } from './push-pictures.ts';
import { forThisShop, ofThisShop, shopHere } from './shop-here.ts';

/** How things stand, for the strip on every screen. */
export interface Standing {
  /** Entries kept here that the server does not have. */
  waiting: number;
  /** Why entries were refused, one each. */
  refused: string[];
  /** Why sending waits; null while it does not. */
  later: Later | null;
  /** Why the last entry was not kept; null when it was. */
  notKept: string | null;
  /** Pictures kept here that the server does not have whole. */
  pictures: number;
  /** Number of entries kept on this page since it was opened. */
  kept: number;
  /** What waits in other shops of this browser. */
  elsewhere: { shop: string; waiting: number }[];
  /** The store was cleared by the browser or by a person: so much waited in it. null: it was not, or that was seen. */
  cleared: number | null;
}

const TIMEOUT_MS = 20_000;
const POLL_MS = 15_000;
/** After this many streams that broke soon, asking now and then takes its place. */
const STREAM_TRIES = 3;
const LOCKS = { send: ofThisShop('brass-nut-send'), pull: ofThisShop('brass-nut-pull'), stream: ofThisShop('brass-nut-stream') } as const;

/** The one of a page. */
class Sync {
  private journal: Journal | null = null;
  private opening: Promise<DeviceStore> | null = null;
  private store: DeviceStore | null = null;
  private readonly listeners = new Set<() => void>();
  private readonly channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(ofThisShop('brass-nut'));
  private tries = 0;
  private wake: ReturnType<typeof setTimeout> | null = null;
  private sending: Promise<void> | null = null;
  private sendAgain = false;
  private pulling: Promise<void> | null = null;
  private pullAgain = false;
  /** How much waited in a store that was cleared; -1 where it was not. */
  private cleared: number | null = null;
  /** How often it was counted, or something was added to the count. */
  private counts = 0;
  standing: Standing = { waiting: 0, refused: [], pictures: 0, later: null, notKept: null, kept: 0, elsewhere: [], cleared: null };

  /** The device's store; opened once and held open. @throws NotKeptError */
  async device(): Promise<DeviceStore> {
    this.opening ??= DeviceStore.open(() => {
      this.opening = null;
      this.store = null;
    });
    try {
      this.store = await this.opening;
      this.cleared ??= clearedSince(notesHere, shopHere, this.store.deviceId) ?? -1;
      return this.store;
    } catch (error) {
      this.opening = null;
      throw error;
    }
  }

  /** Of the open store; '' before it is open. */
  get deviceId(): string {
    return this.store?.deviceId ?? '';
  }

  /** Begins; once a page. */
  begin(): void {
    this.journal ??= journalHere();
    // Asked for, not waited for: a browser that says no may clear the store when the disk is full.
    navigator.storage?.persist?.().catch(() => {});
    this.channel?.addEventListener('message', () => this.changed(false));
    for (const event of ['online', 'focus', 'pageshow'] as const) window.addEventListener(event, () => this.hurry());
    document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && this.hurry());
    this.takeOver().then(() => this.hurry());
    // A page that died a moment ago may still be counted among those that live.
    setTimeout(() => this.takeOver(), 3000);
    listen(() => this.fetchNews());
  }

  /** Takes over what a page noted and did not live to keep. */
  private async takeOver(): Promise<void> {
    try {
      const store = await this.device();
      this.journal ??= journalHere();
      await this.journal.takeOver((entries) => store.keepLeft(entries));
      await this.changed(true);
    } catch (error) {
      if (error instanceof NotKeptError) this.stand({ notKept: error.message });
    }
  }

  /** Told when something was kept, sent or came in; the function ends it. */
  subscribe(listener: () => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /**
   * Keeps entries, and has them sent. Where the store is open already they are on their way to the disk when this returns.
   *
   * @throws NotKeptError in words for a person
   */
  async keep(make: (deviceId: string) => AnyEntry[]): Promise<Outgoing[]> {
    this.journal ??= journalHere();
    const pressed = make(this.store?.deviceId ?? '');
    const crossOut = this.journal.note(pressed);
    try {
      const store = this.store ?? (await this.device());
      const kept = await store.keep(pressed.map((entry) => ({ ...entry, deviceId: store.deviceId })));
      this.addToNote(store, kept.length);
      this.stand({ notKept: null, kept: this.standing.kept + kept.length, waiting: this.standing.waiting + kept.length });
      this.channel?.postMessage('changed');
      this.send();
      return kept;
    } catch (error) {
      this.stand({ notKept: (error as Error).message });
      throw error;
    } finally {
      // Kept, or said not to be.
      crossOut();
    }
  }

  /** Keeps a picture, and has it sent. @throws NotKeptError in words for a person */
  async keepPicture(picture: Omit<KeptPicture, 'have' | 'status'>): Promise<void> {
    const store = await this.device();
    await store.pictures.keep({ ...picture, have: 0, status: 'waiting' });
    this.addToNote(store, 1);
    this.send();
  }

  /** Before anything is shown as kept: what clears the store leaves the note. */
  private addToNote({ deviceId }: DeviceStore, more: number): void {
    this.counts++;
    if (this.lost === null) noteMore(notesHere, shopHere, deviceId, more);
  }

  /** What was lost with a store that was cleared, as long as nobody saw it. */
  private get lost(): number | null {
    return this.cleared === null || this.cleared < 0 ? null : this.cleared;
  }

  /** It was seen that the store was cleared. */
  async clearedSeen(): Promise<void> {
    this.cleared = -1;
    await this.changed(false);
  }

  /** Tries at once, whatever was tried before. */
  hurry(): void {
    this.tries = 0;
    this.send();
    this.fetchNews();
  }

  /** Sends what waits; while it does, another call has it look once more. */
  send(): void {
    this.sendAgain = true;
    this.sending ??= this.sendAll().finally(() => {
      this.sending = null;
    });
  }

  private async sendAll(): Promise<void> {
    if (this.wake) clearTimeout(this.wake);
    while (this.sendAgain) {
      this.sendAgain = false;
      const sent = await this.sendOnce();
      await this.changed(true);
      if (sent === null) return;
      this.stand({ later: sent.state === 'later' ? sent.why : null });
      if (sent.state === 'all sent') {
        this.tries = 0;
        continue;
      }
      this.tries++;
      this.wake = setTimeout(() => this.send(), backoffMs(this.tries));
      return;
    }
  }

  private async sendOnce(): Promise<Awaited<ReturnType<typeof push>> | null> {
    try {
      const store = await this.device();
      const { waiting } = await store.counts();
      if (waiting === 0 && (await store.pictures.waiting()) === 0) return { state: 'all sent' };
      const work = async () => {
        const sent = await push(store, post, () => new Date());
        // What was said goes first: it is small, and says what the pictures are.
        return sent.state === 'later' ? sent : pushPictures(store.pictures, postPiece);
      };
      return await (navigator.locks ? navigator.locks.request(LOCKS.send, work) : work());
    } catch {
      // A store that cannot be read says so when something is to be kept.
      return null;
    }
  }

  fetchNews(): void {
    this.pullAgain = true;
    this.pulling ??= this.pullAll().finally(() => {
      this.pulling = null;
    });
  }

  private async pullAll(): Promise<void> {
    while (this.pullAgain) {
      this.pullAgain = false;
      try {
        const store = await this.device();
        const work = () => pull(store, get, localToday());
        const news = await (navigator.locks ? navigator.locks.request(LOCKS.pull, work) : work());
        if (news) await this.changed(true);
        if (news !== null && this.standing.later === 'no connection') this.hurry();
      } catch {
        return;
      }
    }
  }

  /** Counts anew and tells everybody; other tabs too. */
  private async changed(tellOthers: boolean): Promise<void> {
    try {
      const count = ++this.counts;
      const store = await this.device();
      const [{ waiting, refused }, pictures, bad] = await Promise.all([store.counts(), store.pictures.waiting(), store.pictures.refused()]);
      // What was counted before the last change says less than what is counted after it, which every change has done.
      if (count !== this.counts) {
        if (tellOthers) this.channel?.postMessage('changed');
        return;
      }
      const cleared = this.lost;
      this.standing = {
        ...this.standing,
        waiting,
        refused: [...refused, ...bad.map((p) => `a picture. ${p.why ?? ''}`)],
        pictures,
        cleared,
        elsewhere: waitingElsewhere(notesHere),
      };
      // Until it was seen that the store was cleared, the note of the one before stays.
      if (cleared === null) noteLeft(notesHere, shopHere, { deviceId: store.deviceId, waiting: waiting + refused.length + pictures });
    } catch {
      // Said where something is to be kept.
    }
    for (const listener of this.listeners) listener();
    if (tellOthers) this.channel?.postMessage('changed');
  }

  private stand(change: Partial<Standing>): void {
    this.standing = { ...this.standing, ...change };
    for (const listener of this.listeners) listener();
  }
}

const post: Post = async (body, door) => {
  try {
    const response = await fetch(forThisShop(`/api/v1/${door}`), {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
      signal: AbortSignal.timeout(TIMEOUT_MS),
    });
    return { status: response.status, text: await response.text() };
  } catch {
    return null;
  }
};

const postPiece: SendPiece = async (id, at, size, content) => {
  try {
    const response = await fetch(forThisShop(`/api/v1/pictures/${id}?at=${at}&size=${size}`), {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body: content,
      signal: AbortSignal.timeout(TIMEOUT_MS),
    });
    return { status: response.status, text: await response.text() };
  } catch {
    return null;
  }
};

export async function get<T>(path: string): Promise<T | null> {
  try {
    const response = await fetch(forThisShop(path), { signal: AbortSignal.timeout(TIMEOUT_MS) });
    return response.ok ? ((await response.json()) as T) : null;
  } catch {
    return null;
  }
}

/** Day of this device's clock, 'YYYY-MM-DD'. */
export const localToday = (): string => new Intl.DateTimeFormat('en-CA', { year: 'numeric', month: '2-digit', day: '2-digit' }).format();

/** One stream serves a browser, whatever its tabs: who holds the lock holds it, while it is seen. Where none comes through, asks now and then. */
function listen(news: () => void): void {
  let broken = 0;
  const stream = () =>
    new Promise<void>((ended) => {
      const source = new EventSource(forThisShop('/api/v1/stream'));
      const begun = Date.now();
      const end = () => {
        source.close();
        document.removeEventListener('visibilitychange', hidden);
        ended();
      };
      const hidden = () => document.visibilityState === 'hidden' && end();
      document.addEventListener('visibilitychange', hidden);
      source.addEventListener('moved', () => {
        broken = 0;
        news();
      });
      source.addEventListener('error', () => {
        if (Date.now() - begun < 2000) broken++;
        end();
      });
    });
  const again = async () => {
    for (;;) {
      if (document.visibilityState === 'visible') {
        if (broken < STREAM_TRIES && typeof EventSource !== 'undefined') {
          await (navigator.locks ? navigator.locks.request(LOCKS.stream, stream) : stream());
        } else broken--;
        news();
      }
      await new Promise((wake) => setTimeout(wake, broken === 0 ? 1000 : POLL_MS));
    }
  };
  again();
}

export const sync = new Sync();
export { NotKeptError };
