import { applianceById, catalogue } from '../catalog/index.ts';
import type { Entry } from '../core/record/entry.ts';
import { type RunContext, type RunState, runState } from '../core/record/run-state.ts';
import type { Sql } from './connection.ts';
import { type EntryRow, entryColumns, entryOf } from './entries.ts';

export interface VisitHead {
  id: string;
  title: string;
  onDate: string;
  startsAt: string;
  premises: { id: string; name: string; timeZone: string };
}

export interface RunRow {
  id: string;
  name: string;
  water: 'cold' | 'hot';
  applianceKind: string;
  applianceName: string;
  place: string;
  checkPoints: RunContext['checkPoints'];
}

/** Everything the visit's screen needs, and all that its state is derived from. */
export interface VisitSheet {
  visit: VisitHead;
  runs: RunRow[];
  entries: Entry[];
}

interface HeadRow {
  visit_id: string;
  title: string;
  on_date: string;
  starts_at: string;
  premises_id: string;
  premises_name: string;
  time_zone: string;
}

const headOf = (r: HeadRow): VisitHead => ({
  id: r.visit_id,
  title: r.title,
  onDate: r.on_date,
  startsAt: r.starts_at,
  premises: { id: r.premises_id, name: r.premises_name, timeZone: r.time_zone },
});

/** Visits by local day, both ends included. */
export async function visitsBetween(sql: Sql, shopId: string, from: string, to: string): Promise<VisitHead[]> {
  const rows = await sql<HeadRow[]>`
    select v.visit_id, v.title, v.on_date, v.starts_at, p.premises_id, p.name as premises_name, p.time_zone
    from visit v join premises p using (shop_id, premises_id)
    where v.shop_id = ${shopId} and v.on_date between ${from} and ${to}
    order by v.on_date, v.starts_at, v.visit_id`;
  return rows.map(headOf);
}

/** Sheets of several visits at once, in the order of the heads given. */
export async function visitSheets(sql: Sql, shopId: string, heads: VisitHead[]): Promise<VisitSheet[]> {
  if (heads.length === 0) return [];
  const ids = heads.map((h) => h.id);
  const [runs, checks, entries] = await Promise.all([
    sql<{ visit_id: string; run_id: string; name: string; water: 'cold' | 'hot'; kind: string; appliance_name: string; place: string }[]>`
      select vr.visit_id, r.run_id, r.name, r.water, a.kind, a.name as appliance_name, pl.name as place
      from visit_run vr join run r using (shop_id, run_id) join appliance a using (shop_id, appliance_id) join place pl using (shop_id, place_id)
      where vr.shop_id = ${shopId} and vr.visit_id in ${sql(ids)}
      order by vr.place_in_order, r.run_id`,
    sql<{ check_point_id: string; run_id: string; kind: 'stem' | 'drain'; name: string }[]>`
      select c.check_point_id, c.run_id, c.kind, c.name from check_point c
      where c.shop_id = ${shopId} and c.run_id in (select run_id from visit_run where shop_id = ${shopId} and visit_id in ${sql(ids)})
      order by c.check_point_id`,
    sql<EntryRow[]>`select ${sql(entryColumns)} from entry where shop_id = ${shopId} and visit_id in ${sql(ids)} order by recorded_at, entry_id`,
  ]);
  return heads.map((visit) => ({
    visit,
    runs: runs
      .filter((r) => r.visit_id === visit.id)
      .map((r) => ({
        id: r.run_id,
        name: r.name,
        water: r.water,
        applianceKind: r.kind,
        applianceName: r.appliance_name,
        place: r.place,
        checkPoints: checks.filter((c) => c.run_id === r.run_id).map((c) => ({ id: c.check_point_id, kind: c.kind, name: c.name })),
      })),
    entries: entries.filter((e) => e.visit_id === visit.id).map(entryOf),
  }));
}

export async function visitSheet(sql: Sql, shopId: string, visitId: string): Promise<VisitSheet | null> {
  const rows = await sql<HeadRow[]>`
    select v.visit_id, v.title, v.on_date, v.starts_at, p.premises_id, p.name as premises_name, p.time_zone
    from visit v join premises p using (shop_id, premises_id)
    where v.shop_id = ${shopId} and v.visit_id = ${visitId}`;
  const [sheet] = await visitSheets(sql, shopId, rows.map(headOf));
  return sheet ?? null;
}

/** What the core needs to work out a run's state. */
export function contextOf(run: RunRow): RunContext {
  const { steps, parts } = catalogue();
  return {
    runId: run.id,
    water: run.water,
    appliance: applianceById(run.applianceKind),
    checkPoints: run.checkPoints,
    stepData: steps,
    parts,
  };
}

export function statesOf(sheet: VisitSheet): { run: RunRow; state: RunState }[] {
  return sheet.runs.map((run) => ({ run, state: runState(contextOf(run), sheet.entries) }));
}
