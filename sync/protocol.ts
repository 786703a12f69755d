/** What a device and the server say to each other; both sides read it from here. */
import * as z from 'zod/mini';
import type { BookEntry, Entry } from '../record/index.ts';

/** Rises when an older server could not answer a newer page rightly: it then says "later". */
export const PROTOCOL = 2;

export const MAX_BATCH = 200;

export const batch = z.looseObject({
  /** Of the page that sends; left out by scripts. */
  protocol: z.optional(z.int('wants a whole number').check(z.gte(0))),
  entries: z.array(z.unknown(), 'wants a list').check(z.minLength(1, 'is empty'), z.maxLength(MAX_BATCH, `holds more than ${MAX_BATCH}`)),
});

/** What came of one entry, in the order in which they were sent. */
export type EntryAnswer =
  | { id: string; status: 'kept' | 'known'; recordedAt: string; position?: number }
  | { id: string | null; status: 'refused'; rule: string; why: string; at?: string };

export interface BatchAnswer {
  results: EntryAnswer[];
}

export type Placed = Entry & { position: number };

/** An entry of the book, with the premises (or the shop, or the stock place) that it belongs to and travels with. */
export type PlacedBook = BookEntry & { position: number; rootId: string };

/** What is new since a position. */
export interface Changes {
  /** Tells the shop from the same one in a database made anew. */
  shop: number;
  entries: Placed[];
  book: PlacedBook[];
  /** Up to here the reader has all. */
  position: number;
  /** Of the newest entry: more than `position` while there is more to ask for. */
  newest: number;
}

/** What a device holds of premises: what stands there and the visits that were asked for, with all that is recorded on them. */
export interface Holding {
  /** Entries of the book, by the premises (or the shop) they belong to. */
  books: { id: string; entries: PlacedBook[] }[];
  entries: Placed[];
}

/** What a device takes along: the premises of the visits of the next days and of those with something due. */
export interface OfflineSnapshot extends Holding {
  shop: number;
  /** Id of the shop: its own book is among the others. */
  shopId: string;
  position: number;
  /** First and last day of the visits, both included, by the shop's clock. */
  from: string;
  to: string;
}

/** How far ahead a device carries its visits, days. */
export const SNAPSHOT_DAYS = 14;
