/** An entry of the book as its table holds it: among the entries of runs. */
import { type BookEntry, isOfShop, type SubjectKind } from '../../record/index.ts';
import type { Sql, Tx } from '../database/index.ts';
import { insertEntryRows } from './insert-entry-rows.ts';

export interface BookRow {
  entry_id: string;
  subject_kind: SubjectKind;
  subject_id: string;
  kind: string;
  corrects_id: string | null;
  device_id: string;
  person_id: string | null;
  seq: number | null;
  seen_at: Date;
  sent_at: Date;
  recorded_at: Date;
  body: BookEntry['body'];
  erased: string | null;
}

export const bookColumns = [
  'entry_id',
  'subject_kind',
  'subject_id',
  'kind',
  'corrects_id',
  'device_id',
  'person_id',
  'seq',
  'seen_at',
  'sent_at',
  'recorded_at',
  'body',
  'erased',
] as const;

export const bookEntryOf = (row: BookRow): BookEntry => ({
  id: row.entry_id,
  deviceId: row.device_id,
  personId: row.person_id,
  ...(row.seq === null ? {} : { seq: row.seq }),
  seenAt: row.seen_at.toISOString(),
  sentAt: row.sent_at.toISOString(),
  recordedAt: row.recorded_at.toISOString(),
  correctsId: row.corrects_id,
  subject: { kind: row.subject_kind, id: row.subject_id },
  change: row.kind,
  body: row.body,
  ...(row.erased === null ? {} : { erased: row.erased }),
});

/** What is said of the shop is said of the one it is said in: in another shop, and in a file, the same words are of that one. */
export const ofShop = <E extends BookEntry>(shopId: string, entry: E): E =>
  isOfShop(entry.subject.kind) ? { ...entry, subject: { ...entry.subject, id: shopId } } : entry;

export type PlacedBookRow = BookRow & { position: string };

export const placedBookEntryOf = (row: PlacedBookRow): PlacedBookEntry =>
  ({ ...bookEntryOf(row), position: Number(row.position) }) as PlacedBookEntry;

/** An entry of the book that has its times, and its place in the shop's order. */
export type PlacedBookEntry = BookEntry & { sentAt: string; recordedAt: string; position: number };

export const insertBookEntries = (tx: Tx, shopId: string, entries: readonly PlacedBookEntry[]): Promise<void> =>
  insertEntryRows(tx, shopId, entries, OF_THE_BOOK, (e) => ({ subject_kind: e.subject.kind, subject_id: e.subject.id, erased: e.erased ?? null }));

const OF_THE_BOOK = { subject_kind: 'text', subject_id: 'uuid', erased: 'text' };

/** What was said of some subjects, in the shop's order. */
export async function entriesOfSubjects(sql: Sql | Tx, shopId: string, subjectIds: string[]): Promise<PlacedBookEntry[]> {
  if (subjectIds.length === 0) return [];
  const rows = await sql<PlacedBookRow[]>`
    select ${sql([...bookColumns, 'position'])} from entry where shop_id = ${shopId} and subject_id = any(${subjectIds}::uuid[]) order by position`;
  return rows.map(placedBookEntryOf);
}
