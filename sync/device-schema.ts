/** What a browser's store is made of. */
import type { DBSchema } from 'idb';
import type { BookEntry, Entry, PictureType } from '../record/index.ts';
import type { KeptBook } from './kept-book.ts';
import type { Placed } from './protocol.ts';

export const VERSION = 4;
/** Key of the facts about this device. */
export const FACTS = 'device';

/** Whatever is entered: on a run, or in the book. */
export type AnyEntry = Entry | BookEntry;

/** An entry made here, from when it is kept until the server has it. */
export interface Outgoing {
  /** Place in this device's count; given by the store. */
  seq: number;
  entry: AnyEntry;
  /** Refused: what the server said stands beside it. Put away: seen, copied, and taken out of the count by the person. */
  status: 'waiting' | 'refused' | 'put away';
  rule?: string;
  why?: string;
}

export interface DeviceFacts {
  deviceId: string;
  /** Of which shop it all is; 0 before the first kit. */
  shop: number;
  /** Position of the shop's order up to which this device has all. */
  cursor: number;
  /** Id of the shop, whose own book is among those kept; '' before the first kit. */
  shopId: string;
  /** Days of the kit, by the shop's clock. */
  kit: { from: string; to: string } | null;
}

export interface KeptPicture {
  /** SHA-256 of its content. */
  id: string;
  type: PictureType;
  size: number;
  /** null once the server has it. */
  content: ArrayBuffer | null;
  /** For this device's own lists; null where the browser could not draw it. */
  small: Blob | null;
  /** Bytes that the server said it has. */
  have: number;
  /** Put away: refused, seen, and taken out of the count by the person. */
  status: 'waiting' | 'sent' | 'refused' | 'put away';
  /** What the server said where it would not have it. */
  why?: string;
}

export interface Schema extends DBSchema {
  outgoing: { key: number; value: Outgoing; indexes: { id: string } };
  known: { key: string; value: Placed | Entry; indexes: { visit: string } };
  books: { key: string; value: KeptBook; indexes: { subject: string; day: string } };
  pictures: { key: string; value: KeptPicture; indexes: { status: string } };
  facts: { key: string; value: unknown };
  /** Of the first version: entries by their ids. */
  waiting: { key: string; value: { entry: Entry; refused: string | null } };
  /** Of the second: visits as the server gave them. They come again, with the books that they are read from. */
  visits: { key: string; value: unknown };
}
