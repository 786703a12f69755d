import type { Sql } from '../database/index.ts';

/** Where a tag on a run leads: the connection it stands with; where none was signed off, the visit that worked on it last. */
export interface Tagged {
  visitId: string | null;
  isSigned: boolean;
  premisesId: string;
}

/** Null for a run that the shop does not have. */
export async function taggedRun(sql: Sql, shopId: string, runId: string): Promise<Tagged | null> {
  const [row] = await sql<{ premises_id: string; signed: string | null; worked: string | null }[]>`
    select a.premises_id,
      (select l.visit_id from ledger_line l where l.shop_id = r.shop_id and l.run_id = r.run_id order by l.signed_off_at desc, l.visit_id desc limit 1) as signed,
      (select v.visit_id from visit_run vr join visit v on v.shop_id = vr.shop_id and v.visit_id = vr.visit_id
        where vr.shop_id = r.shop_id and vr.run_id = r.run_id and vr.removed is null and not v.gone order by v.on_date desc, v.starts_at desc, v.visit_id desc limit 1) as worked
    from run r join appliance a on a.shop_id = r.shop_id and a.appliance_id = r.appliance_id
    where r.shop_id = ${shopId} and r.run_id = ${runId}`;
  return row ? { visitId: row.signed ?? row.worked, isSigned: row.signed !== null, premisesId: row.premises_id } : null;
}
