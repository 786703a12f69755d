import { addDays } from '../../record/visit/day.ts';
import { type Waiting, type WeekSheet, weekVisitsOf } from '../../record/visit/week.ts';
import type { Sql } from '../connection.ts';
import { groupBy } from '../group-by.ts';
import { plannedVisits, rechecksBy } from './day.ts';

/** As many follow-ups as wait beside a week; all stand with their premises. */
const MOST_WAITING = 20;

/** The seven days from a Monday on, and what waits for a day. */
export async function weekSheet(sql: Sql, shopId: string, monday: string, at: Date): Promise<WeekSheet> {
  const sunday = addDays(monday, 6);
  const [visits, waiting, rechecks] = await Promise.all([
    plannedVisits(sql, shopId, monday, sunday, at),
    sql<Waiting[]>`
      select f.follow_up_id as id, f.body as text, f.due_on as "dueOn", p.premises_id as "premisesId", p.name as premises
      from follow_up f join premises p using (shop_id, premises_id)
      where f.shop_id = ${shopId} and not f.gone and f.closed_at is null order by f.due_on nulls last, f.follow_up_id limit ${MOST_WAITING}`,
    rechecksBy(sql, shopId, sunday, at),
  ]);
  return { monday, visits: [...groupBy(visits, (v) => v.visit.onDate).values()].flatMap(weekVisitsOf), waiting: [...waiting], rechecks };
}
