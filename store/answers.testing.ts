/** What a shop answers, of everything that it is asked; without the numbers that only tell one answer from the next. */
import { localDayOf } from '../record/visit/day.ts';
import type { Sql } from './database/connection.ts';
import { exportAllParts, shopCatalogue } from './own-parts/index.ts';
import { calendarOf } from './queries/calendar.ts';
import { callbackCounts, callbacksBySeal } from './queries/callbacks.ts';
import { daySheet, plannedVisits, rechecksBy } from './queries/day.ts';
import { dueList } from './queries/due.ts';
import { openFollowUps } from './queries/follow-ups.ts';
import { ledger } from './queries/ledger.ts';
import { shopRuns } from './queries/open-runs.ts';
import { ownMinutes } from './queries/own-minutes.ts';
import { ownStepMinutes } from './queries/own-step-minutes.ts';
import { lastStates, premisesList, premisesWhole } from './queries/premises.ts';
import { currentRules } from './queries/rules.ts';
import { shopNow } from './queries/shop.ts';
import { stockAnswer } from './queries/stock.ts';
import { timeline } from './queries/timeline.ts';
import { visitHeads, visitSheets } from './queries/visits.ts';
import { weekSheet } from './queries/week.ts';

export async function answersOf(sql: Sql, shopId: string, at: Date): Promise<object> {
  const day = localDayOf(at, 'UTC');
  const of = async (table: 'premises' | 'visit') =>
    (await sql<{ id: string }[]>`select ${sql(`${table}_id`)} as id from ${sql(table)} where shop_id = ${shopId} and not gone order by 1`).map(
      (r) => r.id,
    );
  const [premises, visits] = await Promise.all([of('premises'), of('visit')]);
  const catalogue = await shopCatalogue(sql, shopId);
  const { revision: _, ...stock } = await stockAnswer(sql, shopId, catalogue.parts);
  const { upTo: _u, ...rules } = await currentRules(sql, shopId);
  return {
    shop: await shopNow(sql, shopId),
    rules,
    stock,
    parts: { own: catalogue.ownIds, currency: catalogue.currency, file: await exportAllParts(sql, shopId) },
    list: await premisesList(sql, shopId, day, { limit: 100 }),
    premises: await Promise.all(
      premises.map(async (id) => [await premisesWhole(sql, shopId, id), await lastStates(sql, shopId, id), await timeline(sql, shopId, id)]),
    ),
    visits: await visitSheets(sql, shopId, await visitHeads(sql, shopId, visits)),
    day: await daySheet(sql, shopId, day, at),
    week: await weekSheet(sql, shopId, '2026-04-13', at),
    planned: await plannedVisits(sql, shopId, '2026-04-01', '2026-05-01', at),
    rechecks: await rechecksBy(sql, shopId, '2026-05-01', at),
    followUps: await openFollowUps(sql, shopId, 100),
    open: await shopRuns(sql, shopId, at),
    due: await dueList(sql, shopId, at, { ahead: 4000, limit: 500 }),
    ledger: await ledger(sql, shopId, { limit: 100 }),
    callbacks: [await callbackCounts(sql, shopId, at), await callbacksBySeal(sql, shopId)],
    minutes: [await ownMinutes(sql, shopId), await ownStepMinutes(sql, shopId)],
    calendar: await calendarOf(sql, shopId, at),
  };
}
