/** Entries of runs on the one way in. */
import { isDeepStrictEqual } from 'node:util';
import { catalogue } from '../../catalog/index.ts';
import {
  contextOf,
  drainOfId,
  type Entry,
  jointsBrought,
  keptForm,
  type Refusal,
  runNow,
  type SentEntry,
  type Stamped,
  upcast,
  validate,
} from '../../record/index.ts';
import { groupBy, type Sql, type Tx } from '../database/index.ts';
import { deriveAtHand, type RecordedRun } from '../projections/index.ts';
import { visitRuns } from '../queries/index.ts';
import { type EntryRow, entriesById, entryColumns, entryOf, insertEntries, type PlacedEntry } from '../rows/index.ts';
import { type Answer, type Ingestion, ingest } from './ingest.ts';

const UNKNOWN_RUN: Refusal = { rule: 'unknown-run', why: 'This visit has no such run any more in this shop. Load the visit again.' };

/** Takes entries of runs in the order given, each whole or not at all, each with its own answer. */
export const ingestRunEntries = (sql: Sql, shopId: string, entries: SentEntry[], at: Date): Promise<Answer[]> =>
  ingest(sql, shopId, entries, at, runDesk);

/** What must hold of an entry of a run is checked on the run as it stands, under the shop's lock. */
const runDesk: Ingestion<SentEntry> = {
  isSame: sameContent,
  known: async (tx, shopId, entries) => {
    const known = await entriesById(
      tx,
      shopId,
      entries.map((e) => e.id),
    );
    return new Map([...known].map(([id, e]) => [id, { recordedAt: e.recordedAt as string, isSame: (sent: SentEntry) => sameContent(e, sent) }]));
  },
  open: async (tx, shopId, entries, at) => {
    const runs = await runsAtHand(tx, shopId, entries);
    return {
      judge: (entry) => judge(entry, runs, at),
      take: (placed) => void runs.get(runKey(placed))!.entries.push(placed as PlacedEntry),
      derive: (on, kept) =>
        deriveAtHand(
          on,
          shopId,
          [...new Set(kept.map(runKey))].map((key) => runs.get(key)!),
        ),
    };
  },
  insert: async (tx, shopId, good) => {
    await insertJoints(tx, shopId, good);
    await insertDrains(tx, shopId, good);
    await insertEntries(tx, shopId, good.map(keptForm) as PlacedEntry[]);
  },
};

/** Joints that acceptances bring into being; one that is there already stays. */
export async function insertJoints(tx: Tx, shopId: string, entries: Entry[]): Promise<void> {
  const joints = entries.flatMap((e) => jointsBrought(e).map((id) => ({ shop_id: shopId, joint_id: id, run_id: e.runId })));
  for (let i = 0; i < joints.length; i += 1000) {
    await tx`insert into joint ${tx(joints.slice(i, i + 1000))} on conflict (shop_id, run_id, joint_id) do nothing`;
  }
}

/** Joints of the drain that entries are about: a card brings them, the first look at one keeps it. */
export async function insertDrains(tx: Tx, shopId: string, entries: Entry[]): Promise<void> {
  const drains = entries.flatMap(({ runId, checkPointId }) => {
    const name = checkPointId === null ? null : drainOfId(runId, checkPointId);
    return name === null ? [] : [{ shop_id: shopId, check_point_id: checkPointId, run_id: runId, kind: 'drain', name }];
  });
  if (drains.length > 0) await tx`insert into check_point ${tx(drains)} on conflict (shop_id, check_point_id) do nothing`;
}

function judge(entry: SentEntry, runs: Map<string, RecordedRun>, at: Date): Refusal | null {
  const atHand = runs.get(runKey(entry));
  if (!atHand) return UNKNOWN_RUN;
  const { run, entries } = atHand;
  return validate(
    // Its place among the others follows from when it is recorded.
    { ...entry, recordedAt: at.toISOString() },
    runNow(run, entries, () => contextOf(run, catalogue())),
    entries,
  );
}

/**
 * When it was sent and recorded may differ between two tries, and the one sent again may leave out who said it; what was seen may not. An older
 * program's entry is compared as it reads now.
 */
export function sameContent(a: Entry, b: Entry): boolean {
  if (isOtherPerson(a, b)) return false;
  const content = (entry: Entry) => {
    const { sentAt: _s, recordedAt: _r, position: _p, personId: _w, ...rest } = upcast(entry) as Entry & { position?: number };
    return JSON.parse(JSON.stringify(rest));
  };
  return isDeepStrictEqual(content(a), content(b));
}

/** Two people are named. */
export const isOtherPerson = (a: Stamped, b: Stamped): boolean => Boolean(a.personId && b.personId && a.personId !== b.personId);

const runKey = (e: Pick<Entry, 'visitId' | 'runId'>): string => `${e.visitId} ${e.runId}`;

/** The runs that entries are about, with all that is recorded on them. */
async function runsAtHand(tx: Tx, shopId: string, entries: SentEntry[]): Promise<Map<string, RecordedRun>> {
  const visitIds = [...new Set(entries.map((e) => e.visitId))];
  const runIds = [...new Set(entries.map((e) => e.runId))];
  const [runs, rows] = await Promise.all([
    visitRuns(tx, shopId, visitIds),
    tx<(EntryRow & { position: string })[]>`
      select ${tx([...entryColumns, 'position'])} from entry
      where shop_id = ${shopId} and visit_id = any(${visitIds}::uuid[]) and run_id = any(${runIds}::uuid[]) order by position`,
  ]);
  const recorded = groupBy(
    rows.map((row) => ({ ...entryOf(row), position: Number(row.position) }) as PlacedEntry),
    runKey,
  );
  return new Map(
    runs.map((run) => {
      const key = runKey({ visitId: run.visitId, runId: run.id });
      return [key, { run, entries: recorded.get(key) ?? [] }];
    }),
  );
}
