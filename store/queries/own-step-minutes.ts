/** How long the shop's own steps took: from what was pressed before it on the same run by the same device, looks among that, to the tick. */
import { type OwnStepMinutes, recordOfMinutes } from '../../record/index.ts';
import { type Sql, untilMoved } from '../database/index.ts';

/** The newest ticks: older ones say little of today. */
const NEWEST = 20_000;
/** Two ticks closer than this were pressed after the work; further apart than that something else was done between, minutes. */
const [LEAST_MIN, MOST_MIN] = [0.25, 60];

/** Read now. */
export async function readOwnStepMinutes(sql: Sql, shopId: string): Promise<OwnStepMinutes> {
  const newest = (kind: string) => sql`
    (select visit_id, run_id, device_id, seen_at, entry_id, split_part(body ->> 'stepId', ':', 1) as step from entry
     where shop_id = ${shopId} and kind = ${kind} order by recorded_at desc, entry_id limit ${NEWEST})`;
  const rows = await sql<{ step: string; minutes: number[] }[]>`
    with tick as (${newest('step-done')} union all ${newest('gate-answered')} union all ${newest('joint-made')}
      union all ${newest('look-begun')} union all ${newest('look-ended')} union all ${newest('remedied')}),
    took as (
      select step, extract(epoch from seen_at - lag(seen_at) over (partition by visit_id, run_id, device_id order by seen_at, entry_id))::float8 / 60 as minutes
      from tick)
    select step, array_agg(minutes) as minutes from took
    where step is not null and minutes between ${LEAST_MIN} and ${MOST_MIN} group by step order by step`;
  return Object.fromEntries(rows.map(({ step, minutes }) => [step, recordOfMinutes(minutes)]));
}

export const ownStepMinutes = untilMoved(readOwnStepMinutes);
