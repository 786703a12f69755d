import { catalogue } from '../../catalog/index.ts';
import type { WorkKindId } from '../../core/index.ts';
import {
  drainOfId,
  type Entry,
  type Gathered,
  NOTHING_GATHERED,
  type ReadRun,
  type RunRow,
  readRuns,
  type Told,
  type VisitHead,
  type VisitSheet,
} from '../../record/index.ts';
import { groupBy, type Sql, type Tx } from '../database/index.ts';
import { type EntryRow, entryColumns, entryOf } from '../rows/index.ts';

interface HeadRow {
  visit_id: string;
  title: string;
  on_date: string;
  starts_at: string;
  premises_id: string;
  premises_name: string;
  time_zone: string;
  address: string | null;
  minutes: number | null;
  note: string | null;
  van_id: string | null;
  cancelled: string | null;
  arrived_at: Date | null;
  left_at: Date | null;
}

const headOf = (r: HeadRow): VisitHead => ({
  id: r.visit_id,
  title: r.title,
  onDate: r.on_date,
  startsAt: r.starts_at,
  minutes: r.minutes,
  note: r.note,
  vanId: r.van_id,
  cancelled: r.cancelled,
  arrivedMs: r.arrived_at?.getTime() ?? null,
  leftMs: r.left_at?.getTime() ?? null,
  premises: { id: r.premises_id, name: r.premises_name, timeZone: r.time_zone, address: r.address },
});

/** What a head is read from, of visits that were not taken back. */
const heads = (sql: Sql | Tx, shopId: string) => sql`
  select v.visit_id, v.title, v.on_date, v.starts_at, v.minutes, v.note, v.van_id, v.cancelled, v.arrived_at, v.left_at,
    p.premises_id, p.name as premises_name, p.time_zone, p.address
  from visit v join premises p using (shop_id, premises_id)
  where v.shop_id = ${shopId} and not v.gone`;

/** Visits by local day, both ends included. */
export async function visitsBetween(sql: Sql, shopId: string, from: string, to: string): Promise<VisitHead[]> {
  const rows = await sql<HeadRow[]>`
    ${heads(sql, shopId)} and v.on_date between ${from} and ${to}
    order by v.on_date, v.starts_at, v.visit_id`;
  return rows.map(headOf);
}

/** Heads of visits by their ids, in the order of their hours. */
export async function visitHeads(sql: Sql | Tx, shopId: string, ids: string[]): Promise<VisitHead[]> {
  const rows = await sql<HeadRow[]>`
    ${heads(sql, shopId)} and v.visit_id = any(${ids}::uuid[])
    order by v.on_date, v.starts_at, v.visit_id`;
  return rows.map(headOf);
}

interface ListedRow {
  visit_id: string;
  run_id: string;
  name: string;
  water: 'cold' | 'hot';
  kind: string;
  appliance_name: string;
  place: string;
  work: WorkKindId;
  told: Told[];
  recheck_of: string | null;
  removed: string | null;
}

type Listed = Omit<RunRow, 'checkPoints'> & { visitId: string };

/** Runs of visits, in the order in which each visit lists them. */
export async function listedRuns(sql: Sql | Tx, shopId: string, visitIds: string[]): Promise<Listed[]> {
  const rows = await sql<ListedRow[]>`
    select vr.visit_id, r.run_id, r.name, r.water, a.kind, a.name as appliance_name, pl.name as place, vr.work, vr.told, vr.recheck_of, vr.removed
    from visit_run vr join run r using (shop_id, run_id) join appliance a using (shop_id, appliance_id) join place pl using (shop_id, place_id)
    where vr.shop_id = ${shopId} and vr.visit_id = any(${visitIds}::uuid[])
    order by vr.place_in_order, r.run_id`;
  return rows.map((r) => ({
    visitId: r.visit_id,
    id: r.run_id,
    name: r.name,
    water: r.water,
    applianceKind: r.kind,
    applianceName: r.appliance_name,
    place: r.place,
    work: r.work,
    told: r.told,
    recheckOf: r.recheck_of,
    removed: r.removed,
  }));
}

/** The same with the check points that the book keeps. */
export async function visitRuns(sql: Sql | Tx, shopId: string, visitIds: string[]): Promise<(RunRow & { visitId: string })[]> {
  const [runs, checks] = await Promise.all([
    listedRuns(sql, shopId, visitIds),
    sql<{ check_point_id: string; run_id: string; kind: 'stem' | 'drain'; name: string }[]>`
      select c.check_point_id, c.run_id, c.kind, c.name from check_point c
      where c.shop_id = ${shopId} and c.run_id in (select run_id from visit_run where shop_id = ${shopId} and visit_id = any(${visitIds}::uuid[]))
      order by c.check_point_id`,
  ]);
  // Joints of the drain are brought by the card, and kept only for what names them.
  const own = checks.filter((c) => drainOfId(c.run_id, c.check_point_id) === null);
  const pointsOf = groupBy(own, (c) => c.run_id);
  return runs.map((r) => ({ ...r, checkPoints: (pointsOf.get(r.id) ?? []).map((c) => ({ id: c.check_point_id, kind: c.kind, name: c.name })) }));
}

/** What is recorded on visits, in the shop's order. */
export async function visitEntries(sql: Sql | Tx, shopId: string, visitIds: string[]): Promise<Entry[]> {
  const rows = await sql<EntryRow[]>`
    select ${sql(entryColumns)} from entry where shop_id = ${shopId} and visit_id = any(${visitIds}::uuid[]) order by position`;
  return rows.map(entryOf);
}

/** What stands on visits beside the work, and where the water is shut there. */
async function besides(sql: Sql | Tx, shopId: string, visitIds: string[]): Promise<Map<string, Pick<VisitSheet, 'gathered' | 'mainValve'>>> {
  const rows = await sql<{ visit_id: string; gathered: Gathered | null; main_valve: string | null }[]>`
    select v.visit_id, v.gathered, p.main_valve from visit v join premises p using (shop_id, premises_id)
    where v.shop_id = ${shopId} and v.visit_id = any(${visitIds}::uuid[])`;
  return new Map(rows.map((r) => [r.visit_id, { gathered: r.gathered ?? NOTHING_GATHERED, mainValve: r.main_valve }]));
}

/** Sheets of several visits at once, in the order of the heads given. */
export async function visitSheets(sql: Sql | Tx, shopId: string, heads: VisitHead[]): Promise<VisitSheet[]> {
  if (heads.length === 0) return [];
  const ids = heads.map((h) => h.id);
  const [runs, entries, beside] = await Promise.all([visitRuns(sql, shopId, ids), visitEntries(sql, shopId, ids), besides(sql, shopId, ids)]);
  const [runsOf, entriesOf] = [groupBy(runs, (r) => r.visitId), groupBy(entries, (e) => e.visitId)];
  return heads.map((visit) => ({
    visit,
    runs: (runsOf.get(visit.id) ?? []).map(({ visitId: _, ...run }) => run),
    entries: entriesOf.get(visit.id) ?? [],
    ...(beside.get(visit.id) ?? { gathered: NOTHING_GATHERED, mainValve: null }),
  }));
}

export async function visitSheet(sql: Sql, shopId: string, visitId: string): Promise<VisitSheet | null> {
  const [sheet] = await visitSheets(sql, shopId, await visitHeads(sql, shopId, [visitId]));
  return sheet ?? null;
}

/** The runs of a visit with their states, worked out from what is recorded. */
export const statesOf = (sheet: VisitSheet): ReadRun[] => readRuns(sheet, catalogue());
