/**
 * Derived tables: caches of what the record says of the book, of runs and of joints. Each row names the entry it is up to; they are brought up with every
 * entry kept, and rebuilt by `npm run rebuild`.
 */
import { catalogue } from '../../catalog/index.ts';
import { type RunRow, readRun, summaryOf } from '../../record/index.ts';
import { Breath, derivationVersion, groupBy, inShopAnew, type Sql, type Tx } from '../database/index.ts';
import { visitRuns } from '../queries/index.ts';
import { type EntryRow, entriesOfSubjects, entryColumns, entryOf, type PlacedEntry, shownOf } from '../rows/index.ts';
import { rebuildBook } from './book.ts';
import type { DerivedRun } from './derived.ts';
import { keepJoints } from './joints.ts';
import { keepLedger } from './ledger.ts';
import { keepAllLevels } from './stock.ts';
import { differs, setTo } from './upsert.ts';
import { keepUses } from './uses.ts';

/** A run in one visit. */
export interface RunInVisit {
  visitId: string;
  runId: string;
}

type PlacedRow = EntryRow & { position: string };

/**
 * Brings the derived rows of some runs up to what is recorded.
 *
 * @param levels whether what the runs took leaves the vans now, or all levels are brought up afterwards
 */
export async function derive(tx: Tx, shopId: string, which: RunInVisit[], levels: 'now' | 'later' = 'now'): Promise<void> {
  if (which.length > 0) await keepDerived(tx, shopId, await recordedOf(tx, shopId, which), levels);
}

/** A run in a visit, with all that is recorded on it in the shop's order. */
export interface RecordedRun {
  run: RunRow & { visitId: string };
  entries: PlacedEntry[];
}

/** Runs with all that is recorded on them. */
async function recordedOf(tx: Tx, shopId: string, which: RunInVisit[]): Promise<RecordedRun[]> {
  const visitIds = [...new Set(which.map((w) => w.visitId))];
  const runIds = [...new Set(which.map((w) => w.runId))];
  const [runs, rows] = await Promise.all([
    visitRuns(tx, shopId, visitIds),
    tx<PlacedRow[]>`
      select ${tx([...entryColumns, 'position'])} from entry
      where shop_id = ${shopId} and visit_id = any(${visitIds}::uuid[]) and run_id = any(${runIds}::uuid[]) order by position`,
  ]);
  const wanted = new Set(which.map((w) => `${w.visitId} ${w.runId}`));
  const recorded = groupBy(rows, (r) => `${r.visit_id} ${r.run_id}`);
  const breath = new Breath();
  const found: RecordedRun[] = [];
  for (const run of runs) {
    const key = `${run.visitId} ${run.id}`;
    if (!wanted.has(key)) continue;
    const own = recorded.get(key) ?? [];
    found.push({ run, entries: own.map((row): PlacedEntry => ({ ...(entryOf(row) as PlacedEntry), position: Number(row.position) })) });
    await breath.take();
  }
  return found;
}

/** The same of runs that are at hand with all that is recorded on them. */
export const deriveAtHand = (tx: Tx, shopId: string, recorded: readonly RecordedRun[]): Promise<void> => keepDerived(tx, shopId, recorded, 'now');

async function keepDerived(tx: Tx, shopId: string, recorded: readonly RecordedRun[], levels: 'now' | 'later'): Promise<void> {
  const derived: DerivedRun[] = [];
  const breath = new Breath();
  for (const { run: of, entries } of recorded) {
    const { visitId, ...run } = of;
    // Whether the book has it on the list is the book's to say, wherever a summary is read.
    derived.push({ visitId, read: readRun({ ...run, removed: null }, entries, catalogue()), entries, upTo: entries.at(-1)?.position ?? 0 });
    await breath.take();
  }
  await keepRuns(tx, shopId, derived);
  await keepLedger(tx, shopId, derived);
  await keepUses(tx, shopId, derived, levels);
}

const RUN_COLUMNS = ['up_to', 'summary', 'shown', 'accepted_id', 'signed_off_at', 'recheck_due_at', 'recheck', 'callbacks'];

async function keepRuns(tx: Tx, shopId: string, derived: DerivedRun[]): Promise<void> {
  if (derived.length === 0) return;
  const rows = derived.map((d) => runRow(tx, shopId, d));
  await tx`
    insert into derived_run ${tx(rows as never)} on conflict (shop_id, visit_id, run_id) do update set ${setTo(tx, RUN_COLUMNS)}
      where ${differs(tx, 'derived_run', RUN_COLUMNS)}`;
  await keepJoints(tx, shopId, derived);
}

function runRow(tx: Tx, shopId: string, { visitId, read, upTo }: DerivedRun) {
  const summary = summaryOf(read);
  return {
    shop_id: shopId,
    visit_id: visitId,
    run_id: read.run.id,
    up_to: upTo,
    summary: tx.json(summary as never),
    shown: read.state?.accepted ? tx.json(shownOf(read.state.accepted, summary) as never) : null,
    accepted_id: summary.acceptedId,
    // Also one that is in force no more: the connection stays in the ledger, marked so.
    signed_off_at: summary.wasSignedMs === null ? null : new Date(summary.wasSignedMs),
    recheck_due_at: summary.recheckDueMs === null ? null : new Date(summary.recheckDueMs),
    recheck: summary.recheck,
    callbacks: read.state?.callbacks.length ?? 0,
  };
}

/** How many visits are derived in one go: what is kept of them is told to the database at once. */
const SLICE = 16;

/** Runs in visits on which something is recorded. */
const recordedRuns = (tx: Tx, shopId: string, which = tx``): Promise<RunInVisit[]> => tx<RunInVisit[]>`
  select vr.visit_id as "visitId", vr.run_id as "runId" from visit_run vr
  where vr.shop_id = ${shopId}
    and exists (select from entry e where e.shop_id = vr.shop_id and e.visit_id = vr.visit_id and e.run_id = vr.run_id) ${which}
  order by vr.visit_id, vr.run_id`;

/** Derives runs of which something is recorded and that have no derived row yet; how many that were. */
export async function deriveMissing(tx: Tx, shopId: string): Promise<number> {
  const isMissing = tx`
    and not exists (select from derived_run d where d.shop_id = vr.shop_id and d.visit_id = vr.visit_id and d.run_id = vr.run_id)`;
  return deriveRuns(tx, shopId, await recordedRuns(tx, shopId, isMissing), 'now');
}

async function deriveRuns(tx: Tx, shopId: string, runs: RunInVisit[], levels: 'now' | 'later'): Promise<number> {
  const visits = [...groupBy(runs, (r) => r.visitId).values()];
  const slices: RunInVisit[][] = [];
  for (let i = 0; i < visits.length; i += SLICE) slices.push(visits.slice(i, i + SLICE).flat());
  // The database reads the next slice while this one is worked out.
  let next = slices[0] && recordedOf(tx, shopId, slices[0]);
  for (let i = 0; next; i++) {
    const recorded = await next;
    const after = slices[i + 1];
    next = after && recordedOf(tx, shopId, after);
    // Left alone it would end the program when the transaction fails meanwhile.
    next?.catch(() => {});
    // It is asked before the working out holds everything up.
    await new Promise((wake) => setImmediate(wake));
    await keepDerived(tx, shopId, recorded, levels);
  }
  return runs.length;
}

/**
 * Makes the derived tables of a shop anew from what is recorded, in one transaction.
 *
 * @returns how many runs were derived
 */
export const rebuild = (sql: Sql, shopId: string): Promise<number> => inShopAnew(sql, shopId, (tx) => rebuildIn(tx, shopId));

/** The same within a transaction. */
export async function rebuildIn(tx: Tx, shopId: string): Promise<number> {
  for (const table of ['derived_use', 'stock_level', 'joint_alike']) await tx`delete from ${tx(table)} where shop_id = ${shopId}`;
  await rebuildBook(tx, shopId, (ids) => entriesOfSubjects(tx, shopId, ids));
  const runs = await deriveRuns(tx, shopId, await recordedRuns(tx, shopId), 'later');
  await tx`
      delete from derived_run d where d.shop_id = ${shopId}
        and not exists (select from entry e where e.shop_id = d.shop_id and e.visit_id = d.visit_id and e.run_id = d.run_id)`;
  await tx`
      delete from derived_joint j where j.shop_id = ${shopId}
        and not exists (select from derived_run d where d.shop_id = j.shop_id and d.visit_id = j.visit_id and d.run_id = j.run_id)`;
  for (const table of ['ledger_line', 'derived_duty']) {
    await tx`
        delete from ${tx(table)} l where l.shop_id = ${shopId}
          and not exists (select from derived_run d where d.shop_id = l.shop_id and d.visit_id = l.visit_id and d.run_id = l.run_id)`;
  }
  await keepAllLevels(tx, shopId);
  await tx`insert into derivation (shop_id, version) values (${shopId}, ${derivationVersion()})
      on conflict (shop_id) do update set version = excluded.version`;
  return runs;
}

/** Rebuilds what another program, or another catalogue, derived. */
export async function ensureDerived(sql: Sql, shopId: string): Promise<boolean> {
  const [row] = await sql<{ version: string }[]>`select version from derivation where shop_id = ${shopId}`;
  if (row?.version === derivationVersion()) return false;
  await rebuild(sql, shopId);
  return true;
}

export { deriveBook, rebuildBook } from './book.ts';
export { deriveLevels } from './stock.ts';
