/** What a device and the server say to each other; both sides read it from here. */
import * as z from 'zod/mini';
import type { Entry } from '../record/kinds.ts';
import type { VisitSheet } from '../record/visit/sheet.ts';

/** Rises when an older server could not answer a newer page rightly: it then says "later". */
export const PROTOCOL = 1;

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

/** What is new since a position. */
export interface Changes {
  /** Tells the shop from the same one in a database made anew. */
  shop: number;
  entries: Placed[];
  /** Up to here the reader has all. */
  position: number;
  /** Of the newest entry: more than `position` while there is more to ask for. */
  newest: number;
  /** Rises with every visit that was added or taken in: ask for the kit again. */
  visits: number;
}

/** What a device takes along: the visits of the next days and those with something due, with all that is recorded on them. */
export interface Kit {
  shop: number;
  position: number;
  visits: number;
  /** First and last day of the visits, both included, by the shop's clock. */
  from: string;
  to: string;
  sheets: VisitSheet[];
}

/** How far ahead a device carries its visits, days. */
export const KIT_DAYS = 14;
