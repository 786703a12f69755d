import {
  addDays,
  type DaySheet,
  type DayVisit,
  dayRunOf,
  daySheetOf,
  type PlannedVisit,
  type Recheck,
  type RunSummary,
  type VisitHead,
} from '../../record/index.ts';
import { groupBy, type Sql } from '../database/index.ts';
import { openFollowUps } from './follow-ups.ts';
import { ownMinutes } from './own-minutes.ts';
import { sharedStock } from './stock.ts';
import { listedRuns, visitHeads, visitsBetween } from './visits.ts';

/** The day's visits, what the van lacks for them, and which connections are to be looked at again: from the derived tables. */
export async function daySheet(sql: Sql, shopId: string, day: string, at: Date): Promise<DaySheet> {
  const [today, dueIds, stock, waiting] = await Promise.all([
    visitsBetween(sql, shopId, day, day),
    visitsWithRechecks(sql, shopId, day),
    sharedStock(sql, shopId),
    openFollowUps(sql, shopId, MOST_FOLLOW_UPS, day),
  ]);
  const known = new Set(today.map((v) => v.id));
  const before = await visitHeads(
    sql,
    shopId,
    dueIds.filter((id) => !known.has(id)),
  );
  return daySheetOf(day, await withRuns(sql, shopId, [...before, ...today]), stock.places, at, waiting);
}

/** Connections to be looked at again by the end of a day. */
export async function rechecksBy(sql: Sql, shopId: string, day: string, at: Date): Promise<Recheck[]> {
  const heads = await visitHeads(sql, shopId, await visitsWithRechecks(sql, shopId, day));
  return daySheetOf(day, await withRuns(sql, shopId, heads), [], at).rechecks;
}

/** Visits of some days, both included, each as its day shows it. */
export async function plannedVisits(sql: Sql, shopId: string, from: string, to: string, at: Date): Promise<PlannedVisit[]> {
  const [heads, stock] = await Promise.all([visitsBetween(sql, shopId, from, to), sharedStock(sql, shopId)]);
  const visits = await withRuns(sql, shopId, heads);
  return [...groupBy(visits, (v) => v.visit.onDate)].flatMap(([day, list]) => daySheetOf(day, list, stock.places, at).visits);
}

/** As many follow-ups as stand on a day sheet; all stand with their premises. */
const MOST_FOLLOW_UPS = 20;

/** As many visits as a day sheet takes in for their rechecks. */
const MOST_RECHECKS = 60;

/** Visits with a run that is to be looked at again by the end of a day, however old: those due last come first. */
export async function visitsWithRechecks(sql: Sql, shopId: string, day: string): Promise<string[]> {
  const rows = await sql<{ visit_id: string }[]>`
    select visit_id from derived_run
    where shop_id = ${shopId} and recheck in ('due', 'not dry') and recheck_due_at < ${`${addDays(day, 2)}T00:00:00Z`}
    group by visit_id order by max(recheck_due_at) desc, visit_id limit ${MOST_RECHECKS}`;
  return rows.map((r) => r.visit_id);
}

/** Visits with the summaries of their runs. */
export async function withRuns(sql: Sql, shopId: string, heads: VisitHead[]): Promise<DayVisit[]> {
  if (heads.length === 0) return [];
  const ids = heads.map((h) => h.id);
  const runs = await listedRuns(sql, shopId, ids);
  // Where a run is looked at again, it stands as in the visit that signed it off.
  const signed = runs.flatMap((r) => r.recheckOf ?? []);
  const [own, booked, rows] = await Promise.all([
    ownMinutes(sql, shopId),
    sql<{ visit_id: string; run_id: string; on_date: string }[]>`
      select vr.recheck_of as visit_id, vr.run_id, max(v.on_date) as on_date from visit_run vr join visit v using (shop_id, visit_id)
      where vr.shop_id = ${shopId} and vr.recheck_of = any(${ids}::uuid[]) and vr.removed is null and not v.gone and v.cancelled is null group by 1, 2`,
    sql<{ visit_id: string; run_id: string; summary: RunSummary }[]>`
      select visit_id, run_id, summary from derived_run where shop_id = ${shopId} and visit_id = any(${[...ids, ...signed]}::uuid[])`,
  ]);
  const bookedOn = new Map(booked.map((b) => [`${b.visit_id} ${b.run_id}`, b.on_date]));
  const summaries = new Map(rows.map((r) => [`${r.visit_id} ${r.run_id}`, r.summary]));
  const runsOf = groupBy(runs, (r) => r.visitId);
  return heads.map((visit) => ({
    visit,
    own,
    runs: (runsOf.get(visit.id) ?? []).map((run) =>
      dayRunOf(run, summaries.get(`${run.recheckOf ?? visit.id} ${run.id}`) ?? null, bookedOn.get(`${visit.id} ${run.id}`)),
    ),
  }));
}
