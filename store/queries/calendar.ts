import { addDays, type DayVisit, recheckWaitsMs, spanOf, type VisitHead, type VisitSpan } from '../../record/index.ts';
import type { Sql } from '../database/index.ts';
import { visitsWithRechecks, withRuns } from './day.ts';
import { shopToday } from './shop.ts';
import { visitHeads, visitsBetween } from './visits.ts';

/** How far ahead a calendar reaches, days. */
const AHEAD_DAYS = 60;
/** How long a visit that was called off stays to be told, days: a calendar that asks now and then hears of it. */
const BACK_DAYS = 14;

export interface CalendarVisit extends DayVisit {
  span: VisitSpan;
  /** Rises with every change of its plan. */
  sequence: number;
}

export interface Calendar {
  visits: CalendarVisit[];
  rechecks: { visit: VisitHead; runId: string; name: string; place: string; dueMs: number }[];
}

/** Visits of the next days and rechecks that are due, for any calendar. */
export async function calendarOf(sql: Sql, shopId: string, at: Date): Promise<Calendar> {
  const today = await shopToday(sql, shopId, at);
  const [heads, dueIds] = await Promise.all([
    visitsBetween(sql, shopId, addDays(today, -BACK_DAYS), addDays(today, AHEAD_DAYS)),
    visitsWithRechecks(sql, shopId, addDays(today, AHEAD_DAYS)),
  ]);
  const [visits, due, changes] = await Promise.all([
    withRuns(sql, shopId, heads),
    visitHeads(sql, shopId, dueIds).then((found) => withRuns(sql, shopId, found)),
    sql<{ visit_id: string; n: number }[]>`
      select subject_id as visit_id, count(*)::int as n from entry
      where shop_id = ${shopId} and subject_id = any(${heads.map((h) => h.id)}::uuid[])
        and (kind in ('changed', 'cancelled', 'restored', 'withdrawn') or corrects_id is not null)
      group by 1`,
  ]);
  const sequences = new Map(changes.map((c) => [c.visit_id, c.n]));
  return {
    visits: visits.map((v) => ({ ...v, span: spanOf(v), sequence: sequences.get(v.visit.id) ?? 0 })),
    rechecks: due.flatMap(({ visit, runs }) =>
      runs.flatMap((r) => {
        const dueMs = recheckWaitsMs(r.summary);
        return dueMs !== null && r.summary.offList === null ? [{ visit, runId: r.id, name: r.name, place: r.place, dueMs }] : [];
      }),
    ),
  };
}
