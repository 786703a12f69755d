/**
 * What this browser has of each shop, noted beside the stores themselves: so that a page of one shop can tell what waits of another, and that a store
 * which is gone was cleared, with so much in it. A cookie: what clears a store leaves it.
 */
import { shopHere } from './shop-here.ts';

const NAME = 'kept-here';
const YEAR_S = 31_536_000;

export interface KeptHere {
  /** Of the store as it was last seen. */
  deviceId: string;
  /** Entries and pictures that waited in it. */
  waiting: number;
}

/** Where notes are kept: a browser's cookies, or a test's. */
export interface Notes {
  read: () => string;
  write: (text: string) => void;
}

/** What is noted of every shop, by its id. */
export function readLeft(notes: Notes): Record<string, KeptHere> {
  try {
    const found = JSON.parse(notes.read() || '{}') as Record<string, [string, number]>;
    const rows = Object.entries(found).filter(([, row]) => Array.isArray(row) && typeof row[0] === 'string' && Number.isInteger(row[1]));
    return Object.fromEntries(rows.map(([shop, [deviceId, waiting]]) => [shop, { deviceId, waiting }]));
  } catch {
    return {};
  }
}

/** Notes how it stands with a shop. */
export function noteLeft(notes: Notes, shop: string, now: KeptHere): void {
  const all = { ...readLeft(notes), [shop]: now };
  notes.write(JSON.stringify(Object.fromEntries(Object.entries(all).map(([id, { deviceId, waiting }]) => [id, [deviceId, waiting]]))));
}

/** Notes that more waits, before it is counted: a store may be cleared at once. */
export function noteMore(notes: Notes, shop: string, deviceId: string, more: number): void {
  const before = readLeft(notes)[shop];
  noteLeft(notes, shop, { deviceId, waiting: (before?.deviceId === deviceId ? before.waiting : 0) + more });
}

/** How many wait in other shops of this browser, by the shops' ids. */
export const waitingElsewhere = (notes: Notes, shop = shopHere): { shop: string; waiting: number }[] =>
  Object.entries(readLeft(notes)).flatMap(([id, { waiting }]) => (id !== shop && waiting > 0 ? [{ shop: id, waiting }] : []));

/**
 * Whether the store was cleared since it was last seen: by the browser for want of room, or by a person.
 *
 * @returns how many waited in it; null where it is the one that was there
 */
export function clearedSince(notes: Notes, shop: string, deviceId: string): number | null {
  const before = readLeft(notes)[shop];
  return before && before.deviceId !== deviceId ? before.waiting : null;
}

/** Of this browser. */
export const notesHere: Notes = {
  read: () => {
    const found = document.cookie.split('; ').find((c) => c.startsWith(`${NAME}=`));
    return found ? decodeURIComponent(found.slice(NAME.length + 1)) : '';
  },
  write: (text) => {
    // biome-ignore lint/suspicious/noDocumentCookie: the store of cookies is not in every browser, and this is read at once.
    document.cookie = `${NAME}=${encodeURIComponent(text)}; path=/; max-age=${YEAR_S}; samesite=lax`;
  },
};
