/** Sending what waits: one at a time for a device over all its tabs, in the device's order, as often as it takes. */
import { isBookEntry } from '../record/index.ts';
import type { DeviceStore, Outgoing } from './device.ts';
import { type BatchAnswer, type EntryAnswer, PROTOCOL } from './protocol.ts';

/** What sending asks of a device's store. */
export type Outbox = Pick<DeviceStore, 'outgoing' | 'settle' | 'rename'>;

/** Entries sent together. */
const BATCH = 50;

/** How one try went: everything is sent, or the rest is for later. */
export type Sent = { state: 'all sent' } | { state: 'later'; why: Later };
export type Later = 'no connection' | 'server busy' | 'sign in' | 'too large' | 'newer page';

/** What the server said to a batch: its answers, that it is for later, or that it cannot be read at all. */
type Said = { answers: EntryAnswer[] } | { later: Later } | { unreadable: string } | { tooLarge: true };

/** Where entries of a sort are sent. */
export type Door = 'entries' | 'book';

/** A POST of a body; null where no answer came in time. */
export type Post = (body: string, door: Door) => Promise<{ status: number; text: string } | null>;

/**
 * Sends what waits until all is sent or the server cannot be reached.
 *
 * An entry that was refused is left with what was said of it, and does not hold up those after it.
 */
export async function push(store: Outbox, post: Post, now: () => Date): Promise<Sent> {
  let size = BATCH;
  for (;;) {
    const { waiting, door } = nextOf((await store.outgoing()).filter((o) => o.status === 'waiting').slice(0, size));
    if (waiting.length === 0) return { state: 'all sent' };
    const sentAt = now().toISOString();
    const said = read(await post(JSON.stringify({ protocol: PROTOCOL, entries: waiting.map((o) => ({ ...o.entry, sentAt })) }), door));
    if ('later' in said) return { state: 'later', why: said.later };
    if ('tooLarge' in said || 'unreadable' in said) {
      // One of them spoils the batch: each is sent by itself, so that it spoils only itself.
      if (waiting.length > 1) size = 'tooLarge' in said ? Math.ceil(waiting.length / 2) : 1;
      else if ('tooLarge' in said) return { state: 'later', why: 'too large' };
      else await store.settle([], [{ seq: waiting[0]!.seq, rule: 'unreadable', why: said.unreadable }]);
      continue;
    }
    if (!(await settle(store, waiting, said.answers, sentAt))) return { state: 'later', why: 'server busy' };
  }
}

/** The first of what waits that go in by the same door: what was entered in order is sent in order. */
function nextOf(waiting: Outgoing[]): { waiting: Outgoing[]; door: Door } {
  const doorOf = ({ entry }: Outgoing): Door => (isBookEntry(entry) ? 'book' : 'entries');
  const door = waiting[0] ? doorOf(waiting[0]) : 'entries';
  const other = waiting.findIndex((o) => doorOf(o) !== door);
  return { waiting: other === -1 ? waiting : waiting.slice(0, other), door };
}

/** @returns false when the answers are not to what was sent */
async function settle(store: Outbox, sent: Outgoing[], answers: EntryAnswer[], sentAt: string): Promise<boolean> {
  const byId = new Map(sent.map((o) => [o.entry.id, o]));
  const own = answers.filter((a) => a.id !== null && byId.has(a.id));
  if (own.length === 0) return false;
  if (own.some((a) => a.status === 'refused' && a.rule === 'seq-used')) await store.rename();
  await store.settle(
    own.flatMap((a) => {
      if (a.status === 'refused') return [];
      const { seq, entry } = byId.get(a.id)!;
      return [{ seq, entry, sentAt, recordedAt: a.recordedAt, position: a.position }];
    }),
    own.flatMap((a) => (a.status === 'refused' && a.rule !== 'seq-used' ? [{ seq: byId.get(a.id!)!.seq, rule: a.rule, why: a.why }] : [])),
  );
  return true;
}

/** Only a server that read the batch and says so refuses anything: whatever else comes back means later. */
function read(answer: Awaited<ReturnType<Post>>): Said {
  if (answer === null) return { later: 'no connection' };
  const { status, text } = answer;
  const body = jsonOf(text);
  if (status === 200) {
    const results = (body as BatchAnswer | null)?.results;
    return Array.isArray(results) ? { answers: results } : { later: 'no connection' };
  }
  if (status === 413) return { tooLarge: true };
  if (status === 401 || status === 403) return { later: 'sign in' };
  const { type, detail } = (body ?? {}) as { type?: unknown; detail?: unknown };
  if (type === '/problems/newer-page') return { later: 'newer page' };
  if ((status === 400 || status === 422) && isOurs(body) && typeof detail === 'string') return { unreadable: detail };
  return { later: status >= 500 || status === 429 ? 'server busy' : 'no connection' };
}

/** Said by this program: a proxy, or another program on its way, refuses in words of its own. */
export const isOurs = (body: unknown): boolean => {
  const { type } = (body ?? {}) as { type?: unknown };
  return typeof type === 'string' && type.startsWith('/problems/');
};

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

const FIRST_MS = 500;
const LONGEST_MS = 30_000;

/** How long to wait after so many tries that came to nothing, ms. */
export const backoffMs = (tries: number): number => Math.min(LONGEST_MS, FIRST_MS * 2 ** Math.max(0, tries - 1));
