import type { AcceptedChain } from '../../record/index.ts';
import type { RunSummary } from '../../record/run/summary.ts';
import type { Sql } from '../connection.ts';

export interface LedgerRow {
  visitId: string;
  runId: string;
  /** The day it was signed off, by the clock of the premises. */
  onDate: string;
  /** Still signed off: not reopened, nor undone by what came in later. */
  signedOff: boolean;
  recheck: RunSummary['recheck'];
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
  recheck?: 'any' | 'due';
  /** Something that was ever found at one of its joints, and not taken back as an error. */
  finding?: 'any' | 'damp' | 'drip' | 'running';
  /** Local days of the sign-off, both included. */
  from?: string;
  to?: string;
  premises?: string;
  limit?: number;
  offset?: number;
}

export interface LedgerPage {
  rows: LedgerRow[];
  /** Connections that fit, also those on other pages, and their joints and callbacks. */
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
  summary: RunSummary;
  callbacks: number;
}

const PAGE = 40;

/** Connections that were signed off, newest first. */
export async function ledger(sql: Sql, shopId: string, query: LedgerQuery): Promise<LedgerPage> {
  const [rows, sums] = await Promise.all([
    ledgerRows(sql, shopId, query, query.limit ?? PAGE, query.offset ?? 0),
    sql<{ total: number; joints: number; callbacks: number }[]>`
      select count(*)::int as total, coalesce(sum((summary ->> 'joints')::int), 0)::int as joints, coalesce(sum(callbacks), 0)::int as callbacks
      from (${connections(sql, shopId, query)}) connection`,
  ]);
  return { rows, ...sums[0]! };
}

/** How many connections are read at once when all of them are wanted. */
const SLICE = 2000;

/** Every connection that fits, a slice at a time: as many as there are. */
export async function* allOfLedger(sql: Sql, shopId: string, query: LedgerQuery): AsyncGenerator<LedgerRow[]> {
  for (let offset = 0; ; offset += SLICE) {
    const rows = await ledgerRows(sql, shopId, query, SLICE, offset);
    if (rows.length > 0) yield rows;
    if (rows.length < SLICE) return;
  }
}

async function ledgerRows(sql: Sql, shopId: string, query: LedgerQuery, limit: number, offset: number): Promise<LedgerRow[]> {
  const rows = await sql<Row[]>`
    select * from (${connections(sql, shopId, query)}) connection
    order by signed_off_at desc, visit_id, run_id limit ${limit} offset ${offset}`;
  return rows.map(rowOf);
}

/** Words are searched for in what the connection was made of as it was accepted. */
function connections(sql: Sql, shopId: string, query: LedgerQuery) {
  const words = (query.q ?? '').trim().split(/\s+/).filter(Boolean).slice(0, 12);
  const like = (word: string) => `%${word.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;
  return sql`
    select v.visit_id, r.run_id, to_char(d.signed_off_at at time zone p.time_zone, 'YYYY-MM-DD') as on_date, d.signed_off_at, p.name as premises, pl.name as place, a.kind, r.name as run, r.water, c.body as accepted,
      d.summary, d.callbacks
    from derived_run d
    join visit v on v.shop_id = d.shop_id and v.visit_id = d.visit_id
    join run r on r.shop_id = d.shop_id and r.run_id = d.run_id
    join premises p on p.shop_id = d.shop_id and p.premises_id = v.premises_id
    join appliance a on a.shop_id = d.shop_id and a.appliance_id = r.appliance_id
    join place pl on pl.shop_id = d.shop_id and pl.place_id = a.place_id
    join entry c on c.shop_id = d.shop_id and c.entry_id = d.accepted_id
    where d.shop_id = ${shopId} and d.signed_off_at is not null
      ${words
        .map(
          (word) => sql`and concat_ws(' ', p.name, pl.name, a.name, a.kind, r.name, c.body ->> 'from', c.body ->> 'to',
            (select string_agg(i.value ->> 'name', ' ') from jsonb_each(c.body -> 'items') i)) ilike ${like(word)}`,
        )
        .reduce((all, one) => sql`${all} ${one}`, sql``)}
      ${query.appliance ? sql`and a.kind = ${query.appliance}` : sql``}
      ${query.seal ? sql`and d.summary -> 'seals' ? ${query.seal}` : sql``}
      ${query.premises ? sql`and v.premises_id = ${query.premises}` : sql``}
      ${query.from ? sql`and (d.signed_off_at at time zone p.time_zone)::date >= ${query.from}::date` : sql``}
      ${query.to ? sql`and (d.signed_off_at at time zone p.time_zone)::date <= ${query.to}::date` : sql``}
      ${
        query.finding && query.finding !== 'any'
          ? sql`and exists (select from entry e where e.shop_id = d.shop_id and e.visit_id = d.visit_id and e.run_id = d.run_id
              and e.kind = 'look-ended' and e.body ->> 'finding' = ${query.finding}
              and not exists (select from entry w where w.shop_id = e.shop_id and w.corrects_id = e.entry_id))`
          : sql``
      }
      ${query.recheck === 'due' ? sql`and d.recheck in ('due', 'not dry')` : sql``}
      ${query.callbacks === 'only' ? sql`and d.callbacks > 0` : query.callbacks === 'none' ? sql`and d.callbacks = 0` : sql``}`;
}

function rowOf(r: Row): LedgerRow {
  const { chain, items, from, to, currency } = r.accepted;
  return {
    visitId: r.visit_id,
    runId: r.run_id,
    onDate: r.on_date,
    signedOff: r.summary.signedOffMs !== null,
    recheck: r.summary.recheck,
    premises: r.premises,
    place: r.place,
    applianceKind: r.kind,
    run: r.run,
    water: r.water,
    from,
    to,
    parts: chain.parts.map((id) => items[id]?.name ?? id).join('; '),
    joints: r.summary.joints,
    seals: r.summary.seals,
    priceCents: chain.priceCents,
    currency,
    callbacks: r.callbacks,
    exceptions: r.summary.exceptions,
  };
}
