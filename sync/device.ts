/**
 * What a browser keeps: entries made here that the server does not have yet, what it knows of the shop's visits, and how far it has read.
 *
 * Kept means on disk. Nothing that goes over the network is waited for here.
 */
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { v7 as uuidv7 } from 'uuid';
import { broughtUp, type Entry } from '../record/kinds.ts';
import type { VisitSheet } from '../record/visit/sheet.ts';
import type { Kit, Placed } from './protocol.ts';

/** An entry made here, from when it is kept until the server has it. */
export interface Outgoing {
  /** Place in this device's count; given by the store. */
  seq: number;
  entry: Entry;
  /** Refused: what the server said stands beside it. Put away: seen, copied, and taken out of the count by the person. */
  status: 'waiting' | 'refused' | 'put away';
  rule?: string;
  why?: string;
}

/** A visit as it is kept: its entries stand by themselves. `opened`: on this device, so that it stays though it is not of the next days. */
export type KeptVisit = Omit<VisitSheet, 'entries'> & { opened?: boolean };

export interface DeviceFacts {
  deviceId: string;
  /** Of which shop it all is; 0 before the first kit. */
  shop: number;
  /** Position of the shop's order up to which this device has all. */
  cursor: number;
  /** The visits' revision that the kit was of. */
  visits: number;
  /** Days of the kit, by the shop's clock. */
  kit: { from: string; to: string } | null;
}

interface Schema extends DBSchema {
  outgoing: { key: number; value: Outgoing; indexes: { id: string } };
  known: { key: string; value: Placed | Entry; indexes: { visit: string } };
  visits: { key: string; value: KeptVisit };
  facts: { key: string; value: unknown };
  /** Of the first version: entries by their ids. */
  waiting: { key: string; value: { entry: Entry; refused: string | null } };
}

const NAME = 'brass-nut';
const VERSION = 2;
const FACTS = 'device';
/** A device that is further behind than this takes the kit and leaves out what came between. */
const MOST_BEHIND = 5000;
/** On disk before it is said to be kept. */
const SURELY = { durability: 'strict' } as const;

/** The browser has no store, will not open it, or has no room. */
export class NotKeptError extends Error {
  override readonly name = 'NotKeptError';
}

export class DeviceStore {
  private constructor(
    private readonly db: IDBPDatabase<Schema>,
    /** Of this device; changes only when its numbers turn out to be another's. */
    public deviceId: string,
  ) {}

  /** @throws NotKeptError in words for a person */
  static async open(onGone: () => void = () => {}): Promise<DeviceStore> {
    try {
      const db = await openDB<Schema>(NAME, VERSION, {
        upgrade: (opened, _old, _new, tx) => upgrade(opened, tx),
        // A newer page wants to bring the store up: it is let.
        blocking: (_current, _blocked, event) => {
          (event.target as IDBDatabase).close();
          onGone();
        },
        terminated: onGone,
      });
      const facts = (await db.get('facts', FACTS)) as DeviceFacts;
      return new DeviceStore(db, facts.deviceId);
    } catch (error) {
      throw notKept(error);
    }
  }

  close(): void {
    this.db.close();
  }

  /**
   * Keeps entries made here, in their order. The transaction is begun and ended before this returns to the event loop, so that a tab closed at
   * the next moment loses nothing; the promise is fulfilled when it is on disk.
   */
  async keep(entries: Entry[]): Promise<Outgoing[]> {
    try {
      const tx = this.db.transaction('outgoing', 'readwrite', SURELY);
      const numbers = entries.map((entry) => tx.store.add({ entry, status: 'waiting' } as Outgoing));
      tx.commit();
      const [seqs] = await Promise.all([Promise.all(numbers), tx.done]);
      return entries.map((entry, i) => ({ seq: seqs[i]!, entry: { ...entry, seq: seqs[i]! }, status: 'waiting' }));
    } catch (error) {
      throw notKept(error);
    }
  }

  /** Keeps entries that a page noted and did not live to keep; those that are here already are left as they are. */
  async keepLeft(entries: Entry[]): Promise<void> {
    const tx = this.db.transaction(['outgoing', 'known'], 'readwrite', SURELY);
    for (const entry of entries) {
      const isHere = (await tx.objectStore('outgoing').index('id').getKey(entry.id)) ?? (await tx.objectStore('known').getKey(entry.id));
      if (isHere === undefined) await tx.objectStore('outgoing').add({ entry: { ...entry, deviceId: this.deviceId }, status: 'waiting' } as Outgoing);
    }
    await tx.done;
  }

  /** Everything made here that the server does not have, in the order of making. */
  async outgoing(): Promise<Outgoing[]> {
    return (await this.db.getAll('outgoing')).map((o) => ({ ...o, entry: numbered(o) }));
  }

  /** How many wait, and why others were refused. */
  async counts(): Promise<{ waiting: number; refused: string[] }> {
    const all = await this.db.getAll('outgoing');
    return {
      waiting: all.filter((o) => o.status === 'waiting').length,
      refused: all.filter((o) => o.status === 'refused').map((o) => o.why ?? 'It was not taken.'),
    };
  }

  /** What came of entries that were sent: what the server has moves over to what is known, what it would not have stays, with its words. */
  async settle(
    kept: { seq: number; entry: Entry; sentAt: string; recordedAt: string; position?: number }[],
    refused: { seq: number; rule: string; why: string }[],
  ): Promise<void> {
    const tx = this.db.transaction(['outgoing', 'known'], 'readwrite', SURELY);
    const work: Promise<unknown>[] = [];
    for (const { seq, entry, sentAt, recordedAt, position } of kept) {
      work.push(tx.objectStore('outgoing').delete(seq));
      work.push(tx.objectStore('known').put({ ...entry, sentAt, recordedAt, ...(position === undefined ? {} : { position }) } as Entry));
    }
    for (const { seq, rule, why } of refused)
      work.push(this.change(tx.objectStore('outgoing'), seq, (o) => ({ ...o, status: 'refused', rule, why })));
    await Promise.all([...work, tx.done]);
  }

  /** Another device has this one's numbers: it goes on under a new name, and all that waits with it. */
  async rename(): Promise<void> {
    const deviceId = uuidv7();
    const tx = this.db.transaction(['outgoing', 'facts'], 'readwrite', SURELY);
    const facts = (await tx.objectStore('facts').get(FACTS)) as DeviceFacts;
    await tx.objectStore('facts').put({ ...facts, deviceId }, FACTS);
    for (const o of await tx.objectStore('outgoing').getAll()) {
      if (o.status === 'waiting') await tx.objectStore('outgoing').put({ ...o, entry: { ...o.entry, deviceId } });
    }
    await tx.done;
    this.deviceId = deviceId;
  }

  /** To be sent once more as it is. */
  async sendAgain(seq: number): Promise<void> {
    const tx = this.db.transaction('outgoing', 'readwrite', SURELY);
    await this.change(tx.store, seq, ({ rule: _r, why: _w, ...o }) => ({ ...o, status: 'waiting' }));
    await tx.done;
  }

  /** Keeps a mended entry in place of a refused one, which is put away. */
  async mend(seq: number, entry: Entry): Promise<void> {
    const tx = this.db.transaction('outgoing', 'readwrite', SURELY);
    await this.change(tx.store, seq, (o) => ({ ...o, status: 'put away' }));
    await tx.store.add({ entry, status: 'waiting' } as Outgoing);
    await tx.done;
  }

  /** Takes a refused entry out of the count; it stays to be read. */
  async putAway(seq: number): Promise<void> {
    const tx = this.db.transaction('outgoing', 'readwrite', SURELY);
    await this.change(tx.store, seq, (o) => ({ ...o, status: 'put away' }));
    await tx.done;
  }

  private async change(
    store: { get: (seq: number) => Promise<Outgoing | undefined>; put?: (o: Outgoing) => Promise<unknown> },
    seq: number,
    to: (o: Outgoing) => Outgoing,
  ): Promise<void> {
    const found = await store.get(seq);
    if (found) await store.put!(to(found));
  }

  /** What is new in the shop's order, and how far that is. */
  async take(entries: Placed[], cursor: number): Promise<void> {
    const tx = this.db.transaction(['known', 'outgoing', 'facts'], 'readwrite');
    const facts = (await tx.objectStore('facts').get(FACTS)) as DeviceFacts;
    await Promise.all(entries.map((e) => tx.objectStore('known').put(e)));
    for (const e of entries) {
      // The answer to what was sent may have been lost: here it comes back from the shop.
      const own = await tx.objectStore('outgoing').index('id').getKey(e.id);
      if (own !== undefined) await tx.objectStore('outgoing').delete(own);
    }
    await tx.objectStore('facts').put({ ...facts, cursor: Math.max(facts.cursor, cursor) }, FACTS);
    await tx.done;
  }

  /**
   * The visits of the next days in place of those kept before. Visits that were opened here stay, unless the shop is another one; what waits here
   * stays in any case.
   */
  async takeKit({ shop, sheets, position, visits, from, to }: Kit): Promise<void> {
    const tx = this.db.transaction(['known', 'visits', 'facts'], 'readwrite');
    const [known, held, stored] = [tx.objectStore('known'), tx.objectStore('visits'), tx.objectStore('facts')];
    const facts = (await stored.get(FACTS)) as DeviceFacts;
    const afresh = facts.shop !== shop || position - facts.cursor > MOST_BEHIND;
    const ofKit = new Set(sheets.map((s) => s.visit.id));
    for (const { visit, opened } of await held.getAll()) {
      if (ofKit.has(visit.id) || (opened && !afresh)) continue;
      await held.delete(visit.id);
      for (const id of await known.index('visit').getAllKeys(visit.id)) await known.delete(id);
    }
    for (const { entries, ...visit } of sheets) {
      await held.put(visit);
      await Promise.all(entries.map((e) => known.put(e)));
    }
    await stored.put({ ...facts, shop, cursor: afresh ? position : facts.cursor, visits, kit: { from, to } }, FACTS);
    await tx.done;
  }

  /** A visit that was opened is kept too, though it is not of the next days. */
  async keepVisit({ entries, ...visit }: VisitSheet): Promise<void> {
    const tx = this.db.transaction(['known', 'visits'], 'readwrite');
    await Promise.all([tx.objectStore('visits').put({ ...visit, opened: true }), ...entries.map((e) => tx.objectStore('known').put(e)), tx.done]);
  }

  async facts(): Promise<DeviceFacts> {
    return (await this.db.get('facts', FACTS)) as DeviceFacts;
  }

  async visits(): Promise<KeptVisit[]> {
    return this.db.getAll('visits');
  }

  /** A visit with what is known of it, what waits here among it; null when this device does not hold it. */
  async visit(id: string): Promise<VisitSheet | null> {
    const tx = this.db.transaction(['visits', 'known', 'outgoing']);
    const [visit, known, own] = await Promise.all([
      tx.objectStore('visits').get(id),
      tx.objectStore('known').index('visit').getAll(id),
      tx.objectStore('outgoing').getAll(),
    ]);
    return visit ? { ...visit, entries: withOwn(known, own, id) } : null;
  }

  /** Entries of a visit, what waits here among them, whether or not the visit itself is held. */
  async entriesOf(visitId: string): Promise<Entry[]> {
    const tx = this.db.transaction(['known', 'outgoing']);
    const [known, own] = await Promise.all([tx.objectStore('known').index('visit').getAll(visitId), tx.objectStore('outgoing').getAll()]);
    return withOwn(known, own, visitId);
  }

  async get<T>(key: string): Promise<T | undefined> {
    return (await this.db.get('facts', key)) as T | undefined;
  }

  async put(key: string, value: unknown): Promise<void> {
    await this.db.put('facts', value, key);
  }
}

const numbered = ({ seq, entry }: Outgoing): Entry => ({ ...entry, seq });

function withOwn(known: Entry[], own: Outgoing[], visitId: string): Entry[] {
  const ids = new Set(known.map((e) => e.id));
  const waiting = own.filter((o) => o.status === 'waiting' && o.entry.visitId === visitId && !ids.has(o.entry.id));
  return [...known, ...waiting.map(numbered)].map(broughtUp);
}

type Upgrade = NonNullable<NonNullable<Parameters<typeof openDB<Schema>>[2]>['upgrade']>;

/** The first version kept entries by their ids, without numbers: they get theirs in the order in which they were made. */
async function upgrade(db: Parameters<Upgrade>[0], tx: Parameters<Upgrade>[3]): Promise<void> {
  const outgoing = db.createObjectStore('outgoing', { keyPath: 'seq', autoIncrement: true });
  outgoing.createIndex('id', 'entry.id', { unique: true });
  db.createObjectStore('known', { keyPath: 'id' }).createIndex('visit', 'visitId');
  db.createObjectStore('visits', { keyPath: 'visit.id' });
  const facts: DeviceFacts = { deviceId: uuidv7(), shop: 0, cursor: 0, visits: -1, kit: null };
  const work: Promise<unknown>[] = [db.createObjectStore('facts').put(facts, FACTS)];
  if (db.objectStoreNames.contains('waiting')) {
    const before = await tx.objectStore('waiting').getAll();
    for (const { entry, refused } of before.sort((a, b) => (a.entry.id < b.entry.id ? -1 : 1))) {
      const status = refused === null ? { status: 'waiting' } : { status: 'refused', rule: 'refused', why: refused };
      work.push(outgoing.add({ entry: { ...entry, deviceId: facts.deviceId }, ...status } as Outgoing));
    }
    db.deleteObjectStore('waiting');
  }
  await Promise.all(work);
}

function notKept(error: unknown): NotKeptError {
  const { name } = error as { name?: string };
  const why =
    name === 'QuotaExceededError'
      ? 'This device has no room left: make some, then enter it again.'
      : name === 'VersionError'
        ? 'A newer Brass Nut runs in another tab: load this page again, then enter it again.'
        : 'This browser lets nothing be kept (a private window, or storage is switched off). Open Brass Nut in another, then enter it again.';
  return new NotKeptError(why, { cause: error });
}
