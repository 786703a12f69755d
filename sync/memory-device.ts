/** A device that keeps in memory what a browser keeps on its disk: for trying out how entries travel. */
import { v7 as uuidv7 } from 'uuid';
import type { Entry } from '../record/index.ts';
import { isBookEntry, premisesBook, sheetFrom, upcast, type VisitSheet } from '../record/index.ts';
import type { AnyEntry, DeviceFacts, Outgoing } from './device.ts';
import { bookKept, joinBook, type KeptBook } from './kept-book.ts';
import type { Holding, OfflineSnapshot, Placed, PlacedBook } from './protocol.ts';
import type { Reader } from './pull.ts';
import type { Outbox } from './push.ts';

export class MemoryDevice implements Outbox, Reader {
  deviceId = uuidv7();
  private seq = 0;
  private own: Outgoing[] = [];
  private read: DeviceFacts = { deviceId: this.deviceId, shop: 0, shopId: '', cursor: 0, kit: null };
  readonly known = new Map<string, Entry>();
  readonly books = new Map<string, KeptBook>();
  /** Ids that the server said it has. */
  readonly acknowledged = new Set<string>();
  refused: Outgoing[] = [];

  keep<E extends AnyEntry>(entry: E): E {
    this.seq += 1;
    const numbered = { ...entry, deviceId: this.deviceId, seq: this.seq };
    this.own.push({ seq: this.seq, entry: numbered, status: 'waiting' });
    return numbered;
  }

  async outgoing(): Promise<Outgoing[]> {
    return this.own;
  }

  async settle(...[kept, refused]: Parameters<Outbox['settle']>): Promise<void> {
    for (const { seq, entry, sentAt, recordedAt, position } of kept) {
      this.acknowledged.add(entry.id);
      this.own = this.own.filter((o) => o.seq !== seq);
      if (!isBookEntry(entry)) this.known.set(entry.id, { ...entry, sentAt, recordedAt, ...(position === undefined ? {} : { position }) } as Entry);
    }
    for (const { seq, rule, why } of refused) {
      this.refused.push(...this.own.filter((o) => o.seq === seq).map((o): Outgoing => ({ ...o, status: 'refused', rule, why })));
      this.own = this.own.filter((o) => o.seq !== seq);
    }
  }

  async rename(): Promise<void> {
    this.deviceId = uuidv7();
    this.own = this.own.map((o) => ({ ...o, entry: { ...o.entry, deviceId: this.deviceId } }));
  }

  async facts(): Promise<DeviceFacts> {
    return this.read;
  }

  async take(entries: Placed[], book: PlacedBook[], cursor: number): Promise<string[]> {
    for (const e of entries) this.known.set(e.id, e);
    for (const e of [...entries, ...book]) {
      if (this.own.some((o) => o.entry.id === e.id)) this.acknowledged.add(e.id);
      this.own = this.own.filter((o) => o.entry.id !== e.id);
    }
    this.read = { ...this.read, cursor: Math.max(this.read.cursor, cursor) };
    return joinBook(this.store, book);
  }

  private readonly store = {
    get: async (id: string) => this.books.get(id),
    put: async (book: KeptBook) => this.books.set(book.id, book),
    index: () => ({ get: async (subjectId: string) => [...this.books.values()].find((b) => b.subjectIds.includes(subjectId)) }),
  };

  async takeKit({ shop, shopId, position, from, to, ...holding }: OfflineSnapshot): Promise<void> {
    await this.keepHolding(holding);
    const cursor = this.read.shop === shop ? this.read.cursor : position;
    this.read = { ...this.read, shop, shopId, cursor, kit: { from, to } };
  }

  async keepHolding({ books, entries }: Holding): Promise<void> {
    for (const { id, entries: said } of books) this.books.set(id, bookKept(id, said, this.books.get(id)?.entries ?? []));
    for (const e of entries) this.known.set(e.id, e);
  }

  /** Visits as this device sees them. */
  sheets(): VisitSheet[] {
    const own = this.own.map((o) => o.entry);
    return [...this.books.values()].flatMap((kept) => {
      const book = premisesBook(kept.id, [...kept.entries, ...own.filter(isBookEntry)]);
      return (book?.visits ?? []).flatMap((v) => sheetFrom(book!, v.id, this.entriesOf(v.id)) ?? []);
    });
  }

  sheet(id: string): VisitSheet {
    return this.sheets().find((s) => s.visit.id === id)!;
  }

  private entriesOf(visitId: string): Entry[] {
    const own = this.own.flatMap(({ entry }) => (!isBookEntry(entry) && entry.visitId === visitId && !this.known.has(entry.id) ? [entry] : []));
    return [...[...this.known.values()].filter((e) => e.visitId === visitId), ...own].map(upcast);
  }
}
