/**
 * What a browser keeps: entries made here that the server does not have yet, what it knows of the shop's visits, and how far it has read.
 *
 * Kept means on disk. Nothing that goes over the network is waited for here.
 */
import { type IDBPDatabase, openDB } from 'idb';
import { v7 as uuidv7 } from 'uuid';
import {
  type BookEntry,
  type Entry,
  isBookEntry,
  keptForm,
  type PremisesBook,
  premisesBook,
  sheetFrom,
  upcast,
  type VisitSheet,
} from '../record/index.ts';
import { DevicePictures } from './device-pictures.ts';
import { type AnyEntry, type DeviceFacts, FACTS, type Outgoing, type Schema, VERSION } from './device-schema.ts';
import { upgrade } from './device-upgrade.ts';
import { bookKept, joinBook, type KeptBook } from './kept-book.ts';
import { NotKeptError, notKept } from './not-kept.ts';
import type { Holding, OfflineSnapshot, Placed, PlacedBook } from './protocol.ts';
import { ofThisShop } from './shop-here.ts';

export type { AnyEntry, DeviceFacts, Outgoing };
export { NotKeptError };

const NAME = 'brass-nut';
/** A device that is further behind than this takes the kit and leaves out what came between. */
const MOST_BEHIND = 5000;
/** Key of the entries that were sent last, by their ids, and how many are remembered. */
const SENT = 'sent';
const MOST_SENT = 500;
/** On disk before it is said to be kept. */
const SURELY = { durability: 'strict' } as const;

export class DeviceStore {
  /** Pictures taken here. */
  readonly pictures: DevicePictures;

  private constructor(
    private readonly db: IDBPDatabase<Schema>,
    /** Of this device; changes only when its numbers turn out to be another's. */
    public deviceId: string,
  ) {
    this.pictures = new DevicePictures(db);
  }

  /** @throws NotKeptError in words for a person */
  static async open(onGone: () => void = () => {}): Promise<DeviceStore> {
    try {
      const db = await openDB<Schema>(ofThisShop(NAME), VERSION, {
        upgrade: (opened, old, _new, tx) => upgrade(opened, old, tx),
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
  async keep(entries: AnyEntry[]): Promise<Outgoing[]> {
    try {
      const tx = this.db.transaction('outgoing', 'readwrite', SURELY);
      const numbers = entries.map((entry) => tx.store.add({ entry: asKept(entry), status: 'waiting' } as Outgoing));
      tx.commit();
      const [seqs] = await Promise.all([Promise.all(numbers), tx.done]);
      return entries.map((entry, i) => ({ seq: seqs[i]!, entry: { ...entry, seq: seqs[i]! }, status: 'waiting' }));
    } catch (error) {
      throw notKept(error);
    }
  }

  /** Keeps entries that a page noted and did not live to keep; those that are here already are left as they are. */
  async keepLeft(entries: AnyEntry[]): Promise<void> {
    const tx = this.db.transaction(['outgoing', 'known', 'books', 'facts'], 'readwrite', SURELY);
    const sent = new Set((await tx.objectStore('facts').get(SENT)) as string[] | undefined);
    for (const entry of entries) {
      const isHere = (await tx.objectStore('outgoing').index('id').getKey(entry.id)) ?? (await tx.objectStore('known').getKey(entry.id));
      const isSent =
        isBookEntry(entry) && (await tx.objectStore('books').index('subject').get(entry.subject.id))?.entries.some((e) => e.id === entry.id);
      if (isHere === undefined && !isSent && !sent.has(entry.id))
        await tx.objectStore('outgoing').add({ entry: { ...asKept(entry), deviceId: this.deviceId }, status: 'waiting' } as Outgoing);
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
    kept: { seq: number; entry: AnyEntry; sentAt: string; recordedAt: string; position?: number }[],
    refused: { seq: number; rule: string; why: string }[],
  ): Promise<void> {
    const tx = this.db.transaction(['outgoing', 'known', 'books', 'facts'], 'readwrite', SURELY);
    const before = ((await tx.objectStore('facts').get(SENT)) as string[] | undefined) ?? [];
    const work: Promise<unknown>[] = [];
    const book: PlacedBook[] = [];
    for (const { seq, entry, sentAt, recordedAt, position } of kept) {
      work.push(tx.objectStore('outgoing').delete(seq));
      const placed = { ...entry, seq, sentAt, recordedAt, ...(position === undefined ? {} : { position }) };
      if (isBookEntry(placed)) book.push({ ...placed, position: position ?? 0, rootId: '' });
      else work.push(tx.objectStore('known').put(placed as Entry));
    }
    // What was noted by a page that died before it crossed it out is found to be sent.
    work.push(tx.objectStore('facts').put([...before, ...kept.map((k) => k.entry.id)].slice(-MOST_SENT), SENT));
    // Said of premises that are only being fetched: kept all the same, and whole when they have come.
    work.push(joinBook(tx.objectStore('books'), book, { keepsParts: true }));
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
  async mend(seq: number, entry: AnyEntry): Promise<void> {
    const tx = this.db.transaction('outgoing', 'readwrite', SURELY);
    await this.change(tx.store, seq, (o) => ({ ...o, status: 'put away' }));
    await tx.store.add({ entry: asKept(entry), status: 'waiting' } as Outgoing);
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

  /** What is new in the shop's order, and how far that is; visits that it is about and that are not held here. */
  async take(entries: Placed[], book: PlacedBook[], cursor: number): Promise<string[]> {
    const tx = this.db.transaction(['known', 'outgoing', 'books', 'facts'], 'readwrite');
    const facts = (await tx.objectStore('facts').get(FACTS)) as DeviceFacts;
    await Promise.all(entries.map((e) => tx.objectStore('known').put(e)));
    const missing = await joinBook(tx.objectStore('books'), book);
    for (const e of [...entries, ...book]) {
      // The answer to what was sent may have been lost: here it comes back from the shop.
      const own = await tx.objectStore('outgoing').index('id').getKey(e.id);
      if (own !== undefined) await tx.objectStore('outgoing').delete(own);
    }
    await tx.objectStore('facts').put({ ...facts, cursor: Math.max(facts.cursor, cursor) }, FACTS);
    await tx.done;
    return missing;
  }

  /**
   * What belongs to the next days in place of what was kept before. Premises that were opened here stay, unless the shop is another one; what
   * waits here stays in any case.
   */
  async takeKit({ shop, shopId, books, entries, position, from, to }: OfflineSnapshot): Promise<void> {
    const tx = this.db.transaction(['known', 'books', 'facts'], 'readwrite');
    const [known, held, stored] = [tx.objectStore('known'), tx.objectStore('books'), tx.objectStore('facts')];
    const facts = (await stored.get(FACTS)) as DeviceFacts;
    const afresh = facts.shop !== shop || position - facts.cursor > MOST_BEHIND;
    const ofKit = new Set(books.map((b) => b.id));
    // Before its first kit a device holds nothing of another shop: what was opened by then stays.
    const before = afresh && facts.shopId !== '' ? await held.getAll() : [];
    for (const { id, subjectIds } of before) {
      if (ofKit.has(id)) continue;
      await held.delete(id);
      for (const visit of subjectIds) for (const key of await known.index('visit').getAllKeys(visit)) await known.delete(key);
    }
    await putHolding(known, held, { books, entries });
    await stored.put({ ...facts, shop, shopId, cursor: afresh ? position : facts.cursor, kit: { from, to } }, FACTS);
    await tx.done;
  }

  /** Premises and visits that were opened are kept too, though they are not of the next days. */
  async keepHolding(holding: Holding): Promise<void> {
    const tx = this.db.transaction(['known', 'books'], 'readwrite');
    await putHolding(tx.objectStore('known'), tx.objectStore('books'), holding);
    await tx.done;
  }

  async facts(): Promise<DeviceFacts> {
    return (await this.db.get('facts', FACTS)) as DeviceFacts;
  }

  /** Premises with what is known of them, what waits here among it; null where this device does not hold them. */
  async premises(id: string): Promise<PremisesBook | null> {
    const tx = this.db.transaction(['books', 'outgoing']);
    const [kept, own] = await Promise.all([tx.objectStore('books').get(id), tx.objectStore('outgoing').getAll()]);
    return premisesBook(id, bookWithOwn(kept, own));
  }

  /** What was said of premises and of what belongs to them, as far as it is kept here, what waits among it. */
  async bookEntries(id: string): Promise<BookEntry[]> {
    const tx = this.db.transaction(['books', 'outgoing']);
    const [kept, own] = await Promise.all([tx.objectStore('books').get(id), tx.objectStore('outgoing').getAll()]);
    return bookWithOwn(kept, own);
  }

  /** What was said of the shop itself, what waits here among it. */
  async shopEntries(): Promise<BookEntry[]> {
    const { shopId } = await this.facts();
    const tx = this.db.transaction(['books', 'outgoing']);
    const [kept, own] = await Promise.all([tx.objectStore('books').get(shopId), tx.objectStore('outgoing').getAll()]);
    return bookWithOwn(kept, own).filter((e) => e.subject.id === shopId);
  }

  /**
   * All premises that this device holds, or those with a visit on some days and those of some visits; those that something waits for among them.
   */
  async books(days?: { from: string; to: string }, visitIds: Iterable<string> = []): Promise<PremisesBook[]> {
    const tx = this.db.transaction(['books', 'outgoing', 'known']);
    const held = tx.objectStore('books');
    const [kept, own] = await Promise.all([
      days ? held.index('day').getAll(IDBKeyRange.bound(days.from, days.to)) : held.getAll(),
      tx.objectStore('outgoing').getAll(),
    ]);
    const found = new Map(kept.map((k) => [k.id, k]));
    const roots = new Set([...found.keys(), ...ownPremises(own)]);
    const asked = days ? [...new Set([...visitIds, ...ownVisits(own)])] : [];
    for (const root of await Promise.all(asked.map((id) => held.index('subject').getKey(id)))) if (root) roots.add(root);
    for (const id of roots) {
      const book = found.get(id) ?? (await held.get(id));
      if (book) found.set(id, book);
    }
    return [...roots].flatMap((id) => premisesBook(id, bookWithOwn(found.get(id), own)) ?? []);
  }

  /** Visits that something is recorded on here. */
  async visitsWithEntries(): Promise<Set<string>> {
    const tx = this.db.transaction(['known', 'outgoing']);
    const ids = new Set<string>();
    for (let at = await tx.objectStore('known').index('visit').openKeyCursor(null, 'nextunique'); at; at = await at.continue()) ids.add(at.key);
    for (const { entry } of await tx.objectStore('outgoing').getAll()) if (!isBookEntry(entry)) ids.add(entry.visitId);
    return ids;
  }

  /** A visit with what is known of it, what waits here among it; null when this device does not hold it. */
  async visit(id: string): Promise<VisitSheet | null> {
    const tx = this.db.transaction(['books', 'known', 'outgoing']);
    const [kept, known, own] = await Promise.all([
      tx.objectStore('books').index('subject').get(id),
      tx.objectStore('known').index('visit').getAll(id),
      tx.objectStore('outgoing').getAll(),
    ]);
    const root = kept?.id ?? madeHere(own, id);
    if (!root) return null;
    const book = premisesBook(root, bookWithOwn(kept ?? (await tx.objectStore('books').get(root)), own));
    return book && sheetFrom(book, id, withOwn(known, own, id));
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

/** Without the words that are made when it is read. */
const asKept = (entry: AnyEntry): AnyEntry => (isBookEntry(entry) ? entry : keptForm(entry));

const numbered = <E extends AnyEntry>({ seq, entry }: { seq: number; entry: E }): E => ({ ...entry, seq });

function withOwn(known: Entry[], own: Outgoing[], visitId: string): Entry[] {
  const ids = new Set(known.map((e) => e.id));
  const waiting = own.flatMap(({ seq, status, entry }) =>
    status === 'waiting' && !isBookEntry(entry) && entry.visitId === visitId && !ids.has(entry.id) ? [numbered({ seq, entry })] : [],
  );
  return [...known, ...waiting].map(upcast);
}

/** What is kept of a book, and what waits here: of other premises too, which the reader leaves out. */
function bookWithOwn(kept: KeptBook | undefined, own: Outgoing[]): BookEntry[] {
  const known = kept?.entries ?? [];
  const ids = new Set(known.map((e) => e.id));
  const waiting = own.flatMap(({ seq, status, entry }) =>
    status === 'waiting' && isBookEntry(entry) && !ids.has(entry.id) ? [numbered({ seq, entry })] : [],
  );
  return [...known, ...waiting];
}

const ownBook = (own: Outgoing[]): BookEntry[] => own.flatMap(({ entry, status }) => (status === 'waiting' && isBookEntry(entry) ? [entry] : []));

/** Premises that what waits here is about, as far as it says so itself. */
const ownPremises = (own: Outgoing[]): string[] =>
  ownBook(own).flatMap((e) => (e.subject.kind === 'premises' ? e.subject.id : ((e.body.premisesId as string | undefined) ?? [])));

const ownVisits = (own: Outgoing[]): string[] => ownBook(own).flatMap((e) => (e.subject.kind === 'visit' ? e.subject.id : []));

/** The premises of a visit that was made here and waits to be sent. */
const madeHere = (own: Outgoing[], visitId: string): string | undefined =>
  ownBook(own).find((e) => e.subject.id === visitId && e.change === 'made')?.body.premisesId as string | undefined;

async function putHolding(
  known: { put: (e: Placed) => Promise<unknown> },
  held: { put: (b: KeptBook) => Promise<unknown>; get: (id: string) => Promise<KeptBook | undefined> },
  { books, entries }: Holding,
): Promise<void> {
  await Promise.all([
    ...books.map(async ({ id, entries: said }) => held.put(bookKept(id, said, (await held.get(id))?.entries ?? []))),
    ...entries.map((e) => known.put(e)),
  ]);
}
