/** An entry as its table holds it. */
import { type Entry, followsId, upcast } from '../../record/index.ts';
import type { Sql, Tx } from '../database/index.ts';
import { insertEntryRows } from './insert-entry-rows.ts';

export interface EntryRow {
  entry_id: string;
  visit_id: string;
  run_id: string;
  joint_id: string | null;
  check_point_id: string | null;
  kind: Entry['kind'];
  corrects_id: string | null;
  device_id: string;
  person_id: string | null;
  seq: number | null;
  seen_at: Date;
  sent_at: Date;
  recorded_at: Date;
  body: Entry['body'];
}

export const entryColumns = [
  'entry_id',
  'visit_id',
  'run_id',
  'joint_id',
  'check_point_id',
  'kind',
  'corrects_id',
  'device_id',
  'person_id',
  'seq',
  'seen_at',
  'sent_at',
  'recorded_at',
  'body',
] as const;

/** As this program reads it, whatever program wrote it. */
export const entryOf = (row: EntryRow): Entry => upcast(entryAsWritten(row));

/** As it was written. */
export function entryAsWritten(row: EntryRow): Entry {
  return {
    id: row.entry_id,
    visitId: row.visit_id,
    runId: row.run_id,
    jointId: row.joint_id,
    checkPointId: row.check_point_id,
    correctsId: row.corrects_id,
    deviceId: row.device_id,
    personId: row.person_id,
    ...(row.seq === null ? {} : { seq: row.seq }),
    seenAt: row.seen_at.toISOString(),
    sentAt: row.sent_at.toISOString(),
    recordedAt: row.recorded_at.toISOString(),
    kind: row.kind,
    body: row.body,
  } as Entry;
}

/** An entry that has its times, and its place in the shop's order. */
export type PlacedEntry = Entry & { sentAt: string; recordedAt: string; position: number };

/** Appends entries as they are given: in the form in which they are kept. */
export const insertEntries = (tx: Tx, shopId: string, entries: readonly PlacedEntry[]): Promise<void> =>
  insertEntryRows(tx, shopId, entries, OF_A_RUN, (e) => ({
    visit_id: e.visitId,
    run_id: e.runId,
    joint_id: e.jointId,
    check_point_id: e.checkPointId,
    follows_id: followsId(e),
  }));

const OF_A_RUN = { visit_id: 'uuid', run_id: 'uuid', joint_id: 'uuid', check_point_id: 'uuid', follows_id: 'uuid' };

/** Entries by their ids, as they were written. */
export async function entriesById(sql: Sql | Tx, shopId: string, ids: string[]): Promise<Map<string, Entry>> {
  const rows = await sql<EntryRow[]>`select ${sql(entryColumns)} from entry where shop_id = ${shopId} and entry_id = any(${ids}::uuid[])`;
  return new Map(rows.map((row) => [row.entry_id, entryAsWritten(row)]));
}
