import { catalogue } from '../../catalog/index.ts';
import { type AcceptedChain, namedChain, type PremisesBook, partNames, premisesBook, type RunSummary } from '../../record/index.ts';
import type { Sql } from '../database/index.ts';
import { entriesOfSubjects } from '../rows/index.ts';

export interface PremisesRow {
  id: string;
  name: string;
  address: string | null;
  /** Local days of the visit before today and of the next from today on; null where there is none. */
  lastVisit: string | null;
  nextVisit: string | null;
  openFollowUps: number;
  retired: string | null;
}

export interface PremisesQuery {
  /** Words that must all be found in name, address, contact, places or appliances. */
  q?: string;
  limit?: number;
  /** The last of the page before. */
  after?: string;
}

const PAGE = 50;

/** Premises by name, those whose name begins with what is asked first; retired ones are left out. */
export async function premisesList(
  sql: Sql,
  shopId: string,
  today: string,
  { q = '', limit = PAGE, after }: PremisesQuery,
): Promise<{ premises: PremisesRow[]; next?: string }> {
  const words = q.trim().toLowerCase().split(/\s+/).filter(Boolean).slice(0, 12);
  const like = (word: string) => `%${word.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;
  // A number as it is dialled, however it was written down.
  const digits = (word: string) => (/^\d{4,}$/.test(word) ? sql` or regexp_replace(p.search, '[^0-9]', '', 'g') like ${like(word)}` : sql``);
  const begins = like(words.join(' ')).slice(1);
  // 0 where the name begins with what is asked: those come first.
  const rank = words.length === 0 ? sql`0` : sql`(case when lower(p.name) like ${begins} then 0 else 1 end)`;
  const rows = await sql<PremisesRow[]>`
    with found as (
      select p.shop_id, p.premises_id, p.name, p.address, p.retired, ${rank} as rank from premises p
      where p.shop_id = ${shopId} and not p.gone and p.retired is null
        ${words.map((word) => sql`and (p.search like ${like(word)}${digits(word)})`).reduce((all, one) => sql`${all} ${one}`, sql``)}
    )
    select f.premises_id as id, f.name, f.address, f.retired,
      (select max(v.on_date) from visit v where v.shop_id = f.shop_id and v.premises_id = f.premises_id and v.on_date < ${today} and not v.gone and v.cancelled is null) as "lastVisit",
      (select min(v.on_date) from visit v where v.shop_id = f.shop_id and v.premises_id = f.premises_id and v.on_date >= ${today} and not v.gone and v.cancelled is null) as "nextVisit",
      (select count(*)::int from follow_up u where u.shop_id = f.shop_id and u.premises_id = f.premises_id and not u.gone and u.closed_at is null) as "openFollowUps"
    from found f
    ${after ? sql`where (f.rank, f.name, f.premises_id) > (select l.rank, l.name, l.premises_id from found l where l.premises_id = ${after})` : sql``}
    order by f.rank, f.name, f.premises_id limit ${limit + 1}`;
  const page = rows.slice(0, limit);
  return rows.length > limit ? { premises: page, next: page.at(-1)!.id } : { premises: [...page] };
}

/** A run at its premises, with how it stood when something was last recorded on it. */
export interface LastState {
  runId: string;
  visitId: string;
  onDate: string;
  work: string;
  summary: RunSummary;
  /** Ends of the chain that was accepted, and its parts by name; null where none was. */
  chain: { from: string; to: string; parts: string[]; cautions: number } | null;
}

/** A premises with all that stands and happens there; null where there is none. */
export async function premisesWhole(sql: Sql, shopId: string, id: string): Promise<PremisesBook | null> {
  const rows = await sql<{ id: string }[]>`
    select ${id}::uuid as id
    union all select place_id from place where shop_id = ${shopId} and premises_id = ${id}
    union all select appliance_id from appliance where shop_id = ${shopId} and premises_id = ${id}
    union all select r.run_id from run r join appliance a on a.shop_id = r.shop_id and a.appliance_id = r.appliance_id
      where r.shop_id = ${shopId} and a.premises_id = ${id}
    union all select visit_id from visit where shop_id = ${shopId} and premises_id = ${id}
    union all select follow_up_id from follow_up where shop_id = ${shopId} and premises_id = ${id}`;
  return premisesBook(
    id,
    await entriesOfSubjects(
      sql,
      shopId,
      rows.map((r) => r.id),
    ),
  );
}

/** How the runs of a premises stood when something was last recorded on each. */
export async function lastStates(sql: Sql, shopId: string, premisesId: string): Promise<LastState[]> {
  const rows = await sql<
    {
      run_id: string;
      visit_id: string;
      on_date: string;
      work: string;
      summary: RunSummary;
      accepted: AcceptedChain | null;
    }[]
  >`
    select distinct on (d.run_id) d.run_id, d.visit_id, v.on_date, vr.work, d.summary, c.body as accepted
    from visit v
    join derived_run d on d.shop_id = v.shop_id and d.visit_id = v.visit_id and d.up_to > 0
    join visit_run vr on vr.shop_id = d.shop_id and vr.visit_id = d.visit_id and vr.run_id = d.run_id
    left join entry c on c.shop_id = d.shop_id and c.entry_id = d.accepted_id
    where v.shop_id = ${shopId} and v.premises_id = ${premisesId} and not v.gone
    order by d.run_id, v.on_date desc, v.starts_at desc, v.visit_id desc`;
  return rows.map((r) => ({
    runId: r.run_id,
    visitId: r.visit_id,
    onDate: r.on_date,
    work: r.work,
    summary: r.summary,
    chain: r.accepted && {
      from: r.accepted.from,
      to: r.accepted.to,
      parts: partNames(namedChain(r.accepted, catalogue())),
      cautions: r.accepted.chain.cautions?.length ?? 0,
    },
  }));
}
