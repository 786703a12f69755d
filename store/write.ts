/** The one way in: append, never edit; the same twice is once; what must hold is checked on the run as it stands, under the shop's lock. */
import { isDeepStrictEqual } from 'node:util';
import { catalogue } from '../catalog/index.ts';
import { refusalFor } from '../record/check.ts';
import { broughtUp, type Entry, jointsBrought, runNow } from '../record/index.ts';
import type { Refusal } from '../record/kind.ts';
import type { SentEntry } from '../record/shape.ts';
import { contextOf, type RunRow } from '../record/visit/sheet.ts';
import type { Sql, Tx } from './connection.ts';
import { lockCursor, moveCursor } from './cursor.ts';
import { type EntryRow, entriesById, entryColumns, entryOf, insertEntries, type PlacedEntry } from './entry-row.ts';
import { groupBy } from './group-by.ts';
import { derive } from './projections/index.ts';
import { visitRuns } from './queries/visits.ts';

export type Answer =
  | { id: string; status: 'kept' | 'known'; recordedAt: string; position?: number }
  | { id: string; status: 'refused'; rule: string; why: string };

const OTHER_CONTENT: Refusal = {
  rule: 'other-content',
  why: 'An entry with this id is on record with other content. It was not overwritten.',
};
const SEQ_USED: Refusal = {
  rule: 'seq-used',
  why: 'Another entry of this device has that number already: its store was copied or set back. It is sent again under a new name of the device.',
};
const UNKNOWN_RUN: Refusal = { rule: 'unknown-run', why: 'This visit has no such run any more in this shop. Load the visit again.' };
const NOT_TAKEN: Refusal = {
  rule: 'not-taken',
  why: 'The database would not take it: it names something that is not on record, or holds what cannot be kept.',
};

/**
 * Takes entries in the order given, each whole or not at all, each with its own answer.
 *
 * All of a call is one transaction: when the connection to the database is lost nothing of it is answered, and it is sent again.
 */
export async function record(sql: Sql, shopId: string, entries: SentEntry[], at: Date): Promise<Answer[]> {
  if (entries.length === 0) return [];
  try {
    return await sql.begin((tx) => take(tx, shopId, entries, at, insertTogether));
  } catch (error) {
    if (!isNotTaken(error)) throw error;
    // One of them the database would not have: found by taking each by itself.
    return sql.begin((tx) => take(tx, shopId, entries, at, insertEach));
  }
}

/** Appends what was found good; the ids that the database would not have. */
type Insert = (tx: Tx, shopId: string, good: PlacedEntry[]) => Promise<Set<string>>;

async function take(tx: Tx, shopId: string, entries: SentEntry[], at: Date, insert: Insert): Promise<Answer[]> {
  let position = await lockCursor(tx, shopId);
  const [known, used, runs] = await Promise.all([
    entriesById(
      tx,
      shopId,
      entries.map((e) => e.id),
    ),
    usedNumbers(tx, shopId, entries),
    runsAtHand(tx, shopId, entries),
  ]);
  const good: PlacedEntry[] = [];
  const answers: Answer[] = [];
  for (const entry of entries) {
    const before = known.get(entry.id);
    const refusal = before ? sameOrRefused(before, entry) : judge(entry, runs, used, at);
    if (refusal) answers.push({ id: entry.id, status: 'refused', ...refusal });
    else if (before) answers.push({ id: entry.id, status: 'known', recordedAt: before.recordedAt as string });
    else {
      position += 1;
      const placed = { ...entry, recordedAt: at.toISOString(), position } as PlacedEntry;
      known.set(entry.id, placed);
      used.set(numberOf(entry), entry.id);
      runs.get(runKey(entry))!.entries.push(placed);
      good.push(placed);
      answers.push({ id: entry.id, status: 'kept', recordedAt: placed.recordedAt, position });
    }
  }
  if (good.length === 0) return answers;
  const bad = await insert(tx, shopId, good);
  const kept = good.filter((e) => !bad.has(e.id));
  await moveCursor(tx, shopId, position);
  await derive(
    tx,
    shopId,
    [...new Map(kept.map((e) => [runKey(e), e])).values()].map((e) => ({ visitId: e.visitId, runId: e.runId })),
    at,
  );
  return answers.map((a) => (bad.has(a.id) ? { id: a.id, status: 'refused', ...NOT_TAKEN } : a));
}

const insertTogether: Insert = async (tx, shopId, good) => {
  await insertJoints(tx, shopId, good);
  await insertEntries(tx, shopId, good);
  return new Set();
};

const insertEach: Insert = async (tx, shopId, good) => {
  const bad = new Set<string>();
  for (const entry of good) {
    try {
      await tx.savepoint((sp) => insertTogether(sp, shopId, [entry]));
    } catch (error) {
      if (!isNotTaken(error)) throw error;
      bad.add(entry.id);
    }
  }
  return bad;
};

/** Joints that acceptances bring into being; one that is there already stays. */
export async function insertJoints(tx: Tx, shopId: string, entries: Entry[]): Promise<void> {
  const joints = entries.flatMap((e) => jointsBrought(e).map((id) => ({ shop_id: shopId, joint_id: id, run_id: e.runId })));
  for (let i = 0; i < joints.length; i += 1000) {
    await tx`insert into joint ${tx(joints.slice(i, i + 1000))} on conflict (shop_id, run_id, joint_id) do nothing`;
  }
}

/** The database cannot store it (class 22), or it breaks what ties the rows together (class 23). */
function isNotTaken(error: unknown): boolean {
  const { code } = error as { code?: unknown };
  return typeof code === 'string' && /^(22|23)\w{3}$/.test(code);
}

interface RunAtHand {
  run: RunRow;
  entries: Entry[];
}

function judge(entry: SentEntry, runs: Map<string, RunAtHand>, used: Map<string, string>, at: Date): Refusal | null {
  const atHand = runs.get(runKey(entry));
  if (!atHand) return UNKNOWN_RUN;
  if (used.has(numberOf(entry))) return SEQ_USED;
  const { run, entries } = atHand;
  return refusalFor(
    // Its place among the others follows from when it is recorded.
    { ...entry, recordedAt: at.toISOString() },
    runNow(run, entries, () => contextOf(run, catalogue())),
    entries,
  );
}

/** Nothing to say where an entry is on record with the same content. */
const sameOrRefused = (known: Entry, sent: Entry): Refusal | null => (sameContent(known, sent) ? null : OTHER_CONTENT);

/** When it was sent and recorded may differ between two tries; what was seen may not. An older program's entry is compared as it reads now. */
export function sameContent(a: Entry, b: Entry): boolean {
  const content = (entry: Entry) => {
    const { sentAt: _s, recordedAt: _r, position: _p, ...rest } = broughtUp(entry) as Entry & { position?: number };
    return JSON.parse(JSON.stringify(rest));
  };
  return isDeepStrictEqual(content(a), content(b));
}

const runKey = (e: Pick<Entry, 'visitId' | 'runId'>): string => `${e.visitId} ${e.runId}`;

/** An entry without a number has none that could be used. */
const numberOf = (e: Pick<Entry, 'deviceId' | 'seq' | 'id'>): string => `${e.deviceId} ${e.seq ?? e.id}`;

async function usedNumbers(tx: Tx, shopId: string, entries: SentEntry[]): Promise<Map<string, string>> {
  const counted = entries.filter((e) => e.seq !== undefined);
  const rows = await tx<{ device_id: string; seq: number; entry_id: string }[]>`
    select e.device_id, e.seq, e.entry_id
    from unnest(${counted.map((e) => e.deviceId)}::uuid[], ${counted.map((e) => e.seq!)}::int[]) as asked (device_id, seq)
    join entry e on e.shop_id = ${shopId} and e.device_id = asked.device_id and e.seq = asked.seq`;
  return new Map(rows.map((r) => [`${r.device_id} ${r.seq}`, r.entry_id]));
}

/** The runs that entries are about, with all that is recorded on them. */
async function runsAtHand(tx: Tx, shopId: string, entries: SentEntry[]): Promise<Map<string, RunAtHand>> {
  const visitIds = [...new Set(entries.map((e) => e.visitId))];
  const runIds = [...new Set(entries.map((e) => e.runId))];
  const [runs, rows] = await Promise.all([
    visitRuns(tx, shopId, visitIds),
    tx<EntryRow[]>`
      select ${tx(entryColumns)} from entry
      where shop_id = ${shopId} and visit_id = any(${visitIds}::uuid[]) and run_id = any(${runIds}::uuid[]) order by position`,
  ]);
  const recorded = groupBy(rows.map(entryOf), runKey);
  return new Map(
    runs.map(({ visitId, ...run }) => {
      const key = runKey({ visitId, runId: run.id });
      return [key, { run, entries: recorded.get(key) ?? [] }];
    }),
  );
}
