import { addDays, type WeekSheet, weekVisitsOf } from '../../record/index.ts';
import { groupBy, type Sql } from '../database/index.ts';
import { plannedVisits, rechecksBy } from './day.ts';
import { openFollowUps } from './follow-ups.ts';

/** As many follow-ups as wait beside a week; all stand with their premises. */
const MOST_WAITING = 20;

/** The seven days from a Monday on, and what waits for a day. */
export async function weekSheet(sql: Sql, shopId: string, monday: string, at: Date): Promise<WeekSheet> {
  const sunday = addDays(monday, 6);
  const [visits, waiting, rechecks] = await Promise.all([
    plannedVisits(sql, shopId, monday, sunday, at),
    openFollowUps(sql, shopId, MOST_WAITING),
    rechecksBy(sql, shopId, sunday, at),
  ]);
  return { monday, visits: [...groupBy(visits, (v) => v.visit.onDate).values()].flatMap(weekVisitsOf), waiting, rechecks };
}
