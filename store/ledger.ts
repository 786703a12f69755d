import type { AcceptedChain } from '../core/record/entry.ts';
import type { Sql } from './connection.ts';

export interface LedgerRow {
  visitId: string;
  runId: string;
  onDate: string;
  premises: string;
  place: string;
  applianceKind: string;
  run: string;
  water: 'cold' | 'hot';
  from: string;
  to: string;
  parts: string;
  joints: number;
  seals: string[];
  priceCents: number;
  currency: string;
  callbacks: number;
  exceptions: number;
}

export interface LedgerQuery {
  /** Words that must all be found in the place, the run, the parts, the ends or the premises. */
  q?: string;
  appliance?: string;
  seal?: string;
  callbacks?: 'any' | 'only' | 'none';
  limit?: number;
  offset?: number;
}

export interface LedgerPage {
  rows: LedgerRow[];
  /** Connections that fit, also those past this page, and their joints and callbacks. */
  total: number;
  joints: number;
  callbacks: number;
}

interface Row {
  visit_id: string;
  run_id: string;
  on_date: string;
  premises: string;
  place: string;
  kind: string;
  run: string;
  water: 'cold' | 'hot';
  accepted: AcceptedChain;
  callbacks: number;
  exceptions: number;
  total: number;
  all_joints: number;
  all_callbacks: number;
}

/** Connections that were signed off, newest first. */
export async function ledger(sql: Sql, shopId: string, query: LedgerQuery): Promise<LedgerPage> {
  const words = (query.q ?? '').trim().split(/\s+/).filter(Boolean).slice(0, 12);
  const like = (word: string) => `%${word.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;
  const rows = await sql<Row[]>`
    with signed as materialized (
      select distinct on (s.visit_id, s.run_id) s.visit_id, s.run_id, s.recorded_at, jsonb_array_length(s.body -> 'exceptions') as exceptions
      from entry s where s.shop_id = ${shopId} and s.kind = 'signed-off' order by s.visit_id, s.run_id, s.recorded_at desc
    ), connection as materialized (
      select v.visit_id, r.run_id, v.on_date, v.starts_at, p.name as premises, pl.name as place, a.kind, r.name as run, r.water, c.body as accepted,
        signed.exceptions,
        (select count(*)::int from entry b where b.shop_id = ${shopId} and b.visit_id = v.visit_id and b.run_id = r.run_id and b.kind = 'callback-reported'
          and not exists (select from entry n where n.shop_id = b.shop_id and n.corrects_id = b.entry_id)) as callbacks,
        jsonb_array_length(c.body -> 'chain' -> 'joints') as joints,
        concat_ws(' ', p.name, pl.name, a.name, a.kind, r.name, c.body ->> 'from', c.body ->> 'to',
          (select string_agg(i.value ->> 'name', ' ') from jsonb_each(c.body -> 'items') i)) as words
      from signed
      join visit v on v.shop_id = ${shopId} and v.visit_id = signed.visit_id
      join run r on r.shop_id = ${shopId} and r.run_id = signed.run_id
      join premises p on p.shop_id = ${shopId} and p.premises_id = v.premises_id
      join appliance a on a.shop_id = ${shopId} and a.appliance_id = r.appliance_id
      join place pl on pl.shop_id = ${shopId} and pl.place_id = a.place_id
      join lateral (
        select e.body from entry e
        where e.shop_id = ${shopId} and e.visit_id = signed.visit_id and e.run_id = signed.run_id and e.kind = 'chain-accepted'
        order by e.recorded_at desc, e.entry_id desc limit 1
      ) c on true
    )
    select *, count(*) over ()::int as total, sum(joints) over ()::int as all_joints, sum(callbacks) over ()::int as all_callbacks from connection
    where true
      ${words.map((w) => sql`and words ilike ${like(w)}`).reduce((all, one) => sql`${all} ${one}`, sql``)}
      ${query.appliance ? sql`and kind = ${query.appliance}` : sql``}
      ${query.seal ? sql`and exists (select from jsonb_array_elements(accepted -> 'chain' -> 'joints') j where j -> 'mating' ->> 'seal' = ${query.seal})` : sql``}
      ${query.callbacks === 'only' ? sql`and callbacks > 0` : query.callbacks === 'none' ? sql`and callbacks = 0` : sql``}
    order by on_date desc, starts_at desc, visit_id, run_id
    limit ${Math.min(query.limit ?? 40, 10_000)} offset ${query.offset ?? 0}`;
  return {
    rows: rows.map(rowOf),
    total: rows[0]?.total ?? 0,
    joints: rows[0]?.all_joints ?? 0,
    callbacks: rows[0]?.all_callbacks ?? 0,
  };
}

function rowOf(r: Row): LedgerRow {
  const { chain, items, from, to, currency } = r.accepted;
  return {
    visitId: r.visit_id,
    runId: r.run_id,
    onDate: r.on_date,
    premises: r.premises,
    place: r.place,
    applianceKind: r.kind,
    run: r.run,
    water: r.water,
    from,
    to,
    parts: chain.parts.map((id) => items[id]?.name ?? id).join('; '),
    joints: chain.joints.length,
    seals: [...new Set(chain.joints.map((j) => j.mating.seal as string))],
    priceCents: chain.priceCents,
    currency,
    callbacks: r.callbacks,
    exceptions: r.exceptions,
  };
}
