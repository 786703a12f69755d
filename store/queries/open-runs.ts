import { addDays, type OpenRun, openRunsOf } from '../../record/index.ts';
import type { Sql } from '../database/index.ts';
import { withRuns } from './day.ts';
import { shopToday } from './shop.ts';
import { visitsBetween } from './visits.ts';

/** Runs of today and tomorrow of which no joint is made yet: a chain may still be taken to one. */
export async function shopRuns(sql: Sql, shopId: string, at: Date): Promise<OpenRun[]> {
  const today = await shopToday(sql, shopId, at);
  return openRunsOf(await withRuns(sql, shopId, await visitsBetween(sql, shopId, today, addDays(today, 1))), today);
}
