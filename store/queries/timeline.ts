import type { Sql } from '../database/index.ts';

/** Something that happened at a premises: a connection signed off, a leak reported, something due that was seen to, a visit. */
export interface TimelineRow {
  onDate: string;
  kind: 'connection' | 'callback' | 'seen-to' | 'visit';
  text: string;
  /** The run it is about; null for a visit as a whole. */
  run: string | null;
  place: string | null;
  visitId: string;
  runId: string | null;
}

const MOST = 200;

/** What happened at a premises, newest first: 200 at most, older ones are in the ledger. */
export async function timeline(sql: Sql, shopId: string, premisesId: string): Promise<TimelineRow[]> {
  const named = sql`
    join run r on r.shop_id = x.shop_id and r.run_id = x.run_id
    join appliance a on a.shop_id = r.shop_id and a.appliance_id = r.appliance_id
    join place pl on pl.shop_id = a.shop_id and pl.place_id = a.place_id`;
  return sql<TimelineRow[]>`
    with told as (
      select e.* from visit v join entry e on e.shop_id = v.shop_id and e.visit_id = v.visit_id
      where v.shop_id = ${shopId} and v.premises_id = ${premisesId} and e.kind in ('callback-reported', 'duty-seen')
        and not exists (select from entry w where w.shop_id = e.shop_id and w.corrects_id = e.entry_id))
    select * from (
      select x.on_date as "onDate", 'connection' as kind, x.joints || case when x.joints = 1 then ' joint' else ' joints' end || ' signed off' as text,
        r.name as run, pl.name as place, x.visit_id as "visitId", x.run_id as "runId"
      from ledger_line x ${named} where x.shop_id = ${shopId} and x.premises_id = ${premisesId}
      union all
      select (least(x.seen_at + (x.recorded_at - x.sent_at), x.recorded_at) at time zone p.time_zone)::date, case x.kind when 'duty-seen' then 'seen-to' else 'callback' end,
        case x.kind when 'duty-seen' then (x.body ->> 'what') || ': ' || replace(x.body ->> 'outcome', '-', ' ') else 'came back: ' || (x.body ->> 'finding') end,
        r.name, pl.name, x.visit_id, x.run_id
      from told x ${named} join premises p on p.shop_id = x.shop_id and p.premises_id = ${premisesId}
      union all
      select v.on_date, 'visit', v.title || case when v.cancelled is null then '' else ', cancelled' end, null, null, v.visit_id, null
      from visit v where v.shop_id = ${shopId} and v.premises_id = ${premisesId} and not v.gone) happened
    order by "onDate" desc, kind, run, "visitId", "runId", text limit ${MOST}`;
}
