/** What was found at a run the last time somebody was there: offered again, to be confirmed. */
import { type Bodies, partNames } from '../../record/index.ts';
import type { Sql } from '../database/index.ts';
import { statesOf, visitSheet } from './visits.ts';

export interface LastTime {
  visitId: string;
  onDate: string;
  from: string | null;
  to: string | null;
  rejoin: string | null;
  stop: Bodies['stop-tried'] | null;
  /** Of the chain that was accepted, by name. */
  parts: string[];
  /** Of the run, and of the visit as a whole. */
  pictures: { picture: string; text: string | null }[];
}

/** Of the newest visit before another at which something was recorded on the run; null where there was none. */
export async function lastTime(sql: Sql, shopId: string, runId: string, visitId: string): Promise<LastTime | null> {
  const [row] = await sql<{ visit_id: string }[]>`
    select d.visit_id from derived_run d join visit v using (shop_id, visit_id)
    where d.shop_id = ${shopId} and d.run_id = ${runId} and d.up_to > 0 and d.visit_id <> ${visitId} and not v.gone
      and (v.on_date, v.starts_at) <= (select n.on_date, n.starts_at from visit n where n.shop_id = d.shop_id and n.visit_id = ${visitId})
    order by v.on_date desc, v.starts_at desc, v.visit_id desc limit 1`;
  const sheet = row && (await visitSheet(sql, shopId, row.visit_id));
  const state = sheet && statesOf(sheet).find((r) => r.run.id === runId)?.state;
  if (!sheet || !state) return null;
  const { from, to, rejoin, stop, accepted } = state;
  return {
    visitId: sheet.visit.id,
    onDate: sheet.visit.onDate,
    from: from?.end ?? null,
    to: to?.end ?? null,
    rejoin: rejoin?.end ?? null,
    stop,
    pictures: sheet.gathered.pictures.filter((p) => p.runId === null || p.runId === runId).map(({ picture, text }) => ({ picture, text })),
    parts: accepted ? partNames(accepted) : [],
  };
}
