/** How long the shop's own visits took, by kind of work: from those where one kind was done and somebody said when they came and left. */
import type { WorkKindId } from '../../core/index.ts';
import { minutesOfOne, type OwnMinutes, type OwnRecord, recordOfMinutes } from '../../record/index.ts';
import { type Sql, untilMoved } from '../database/index.ts';

/** A visit of so long was left without saying so, minutes. */
const LONGEST_MIN = 600;
/** So many of a kind, the newest: older ones say little of today. */
const NEWEST = 200;

/** Read now. */
export async function readOwnMinutes(sql: Sql, shopId: string): Promise<OwnMinutes> {
  const rows = await sql<{ work: WorkKindId; minutes: number[] }[]>`
    with took as (
      select visit_id, left_at, extract(epoch from left_at - arrived_at)::float8 / 60 as minutes from visit
      where shop_id = ${shopId} and not gone and cancelled is null and left_at > arrived_at
        and left_at - arrived_at < make_interval(mins => ${LONGEST_MIN})),
    one as (
      select vr.visit_id, min(vr.work) as work from visit_run vr
      join took using (visit_id) join run r using (shop_id, run_id)
      where vr.shop_id = ${shopId} and vr.removed is null
      group by vr.visit_id
      having count(distinct (r.appliance_id, vr.work)) = 1 and bool_and(vr.recheck_of is null)),
    newest as (
      select work, minutes, row_number() over (partition by work order by left_at desc, visit_id) as n from one join took using (visit_id))
    select work, array_agg(minutes order by n) as minutes from newest where n <= ${NEWEST} group by work`;
  return Object.fromEntries(rows.map(({ work, minutes }) => [work, recordOfMinutes(minutes.map(minutesOfOne))]));
}

/** Tells one record from another: a visit more is another. */
export const countOf = (own: Readonly<Record<string, OwnRecord>>): number => Object.values(own).reduce((sum, r) => sum + r.n, 0);

export const ownMinutes = untilMoved(readOwnMinutes);
