import { v7 as uuidv7 } from 'uuid';
import type { BookEntry, FiledBookEntry, SubjectKind } from '../../record/index.ts';
import { groupBy, inSlices, lockCursor, moveCursor, type Tx } from '../database/index.ts';
import { deriveBook, deriveLevels } from '../projections/index.ts';
import { entriesOfSubjects, insertBookEntries } from '../rows/index.ts';

/** Entries that are written and derived in one go. */
const SLICE = 500;

/**
 * Appends entries of the book that are known to hold (the demo's, a file's), and brings the tables up. They are in no device's count. Those on which
 * others hang come before them.
 */
export async function appendBook(tx: Tx, shopId: string, entries: FiledBookEntry[]): Promise<void> {
  for await (const slice of inSlices(entries, SLICE)) await appendSlice(tx, shopId, slice);
}

async function appendSlice(tx: Tx, shopId: string, entries: readonly FiledBookEntry[]): Promise<void> {
  let position = await lockCursor(tx, shopId);
  const placed = entries.map((e) => ({ ...e, position: ++position }));
  await insertBookEntries(tx, shopId, placed);
  await moveCursor(tx, shopId, position);
  const refs = [...new Map(entries.map((e) => [`${e.subject.kind} ${e.subject.id}`, e.subject])).values()];
  const ids = refs.map((r) => r.id);
  const said = groupBy(await entriesOfSubjects(tx, shopId, ids), (e) => e.subject.id);
  const entriesOf = (id: string) => said.get(id) ?? [];
  await deriveBook(tx, shopId, refs, entriesOf);
  await deriveLevels(tx, shopId, entries, entriesOf);
}

/** The server itself, where it writes something down that came in a file. */
export const SERVER_DEVICE = '00000000-0000-7000-8000-0000000000bd';

/** An entry of the book that comes with its times. */
export function filedBookEntry(
  kind: SubjectKind,
  id: string,
  change: string,
  body: BookEntry['body'],
  at: Date,
  by: { entryId?: string; deviceId?: string } = {},
): FiledBookEntry {
  const iso = at.toISOString();
  return {
    id: by.entryId ?? uuidv7(),
    deviceId: by.deviceId ?? SERVER_DEVICE,
    personId: null,
    seenAt: iso,
    sentAt: iso,
    recordedAt: iso,
    correctsId: null,
    subject: { kind, id },
    change,
    body,
  };
}
