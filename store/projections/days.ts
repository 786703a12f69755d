import type { Tx } from '../connection.ts';

/** Counts of the days on which some visits are, from the derived rows of their runs. */
export async function deriveDays(tx: Tx, shopId: string, visitIds: string[]): Promise<void> {
  await tx`
    insert into derived_day (shop_id, on_date, up_to, visits, runs, signed_off, findings)
    select v.shop_id, v.on_date, coalesce(max(d.up_to), 0), count(distinct v.visit_id)::int, count(d.run_id)::int,
      (count(*) filter (where d.summary ->> 'signedOffMs' is not null))::int, (count(*) filter (where d.summary ->> 'finding' is not null))::int
    from visit v left join derived_run d on d.shop_id = v.shop_id and d.visit_id = v.visit_id and d.summary ->> 'offList' is null
    where v.shop_id = ${shopId}
      and v.on_date in (select on_date from visit where shop_id = ${shopId} and visit_id = any(${visitIds}::uuid[]))
    group by v.shop_id, v.on_date
    on conflict (shop_id, on_date) do update set
      up_to = excluded.up_to, visits = excluded.visits, runs = excluded.runs, signed_off = excluded.signed_off, findings = excluded.findings`;
}
