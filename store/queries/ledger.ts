import { readEnd, remember } from '../../core/index.ts';
import type { RunSummary } from '../../record/index.ts';
import { byShop, type Sql, shopCursor, type Tx } from '../database/index.ts';
import { plannedAnew } from '../planned.ts';
import type { Shown } from '../rows/index.ts';

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
  /** Of one run, through the years. */
  run?: string;
  /** A part by its id. */
  part?: string;
  /** An end as it is typed: '3/8 comp'. */
  end?: string;
  limit?: number;
  offset?: number;
}

export interface LedgerPage {
  rows: LedgerRow[];
  /** Connections that fit, also those on other pages, and their joints and callbacks. */
  total: number;
  joints: number;
  callbacks: number;
  /** There are more than `total`: joints and callbacks are not counted then. */
  isMore: boolean;
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
  shown: Shown;
  joints: number;
  seals: string[];
  recheck: RunSummary['recheck'];
  callbacks: number;
}

const PAGE = 40;

/** Connections that were signed off, newest first. */
export async function ledger(sql: Sql, shopId: string, query: LedgerQuery): Promise<LedgerPage> {
  const [rows, sums] = await Promise.all([ledgerRows(sql, shopId, query, pageOf(query)), sumsOf(sql, shopId, query)]);
  return { rows, ...sums };
}

type Sums = Omit<LedgerPage, 'rows'>;

/** Whoever searches by words and finds more than so many narrows it down: they are not counted to the last. */
const COUNTED = 10_000;
/** Of a shop: whoever leafs through what fits asks for the same sums again. */
const MOST_SUMS = 200;
const remembered = byShop<{ position: number; sums: Map<string, Promise<Sums>> }>();

/** How many fit, with their joints and callbacks; worked out once for as long as nothing is entered. */
async function sumsOf(sql: Sql, shopId: string, { limit: _, offset: _o, ...query }: LedgerQuery): Promise<Sums> {
  const { position } = await shopCursor(sql, shopId);
  const shops = remembered(sql);
  const own = shops.get(shopId);
  const here = own?.position === position ? own : { position, sums: new Map<string, Promise<Sums>>() };
  shops.set(shopId, here);
  const key = JSON.stringify(query);
  const sums = remember(here.sums, MOST_SUMS, key, () => readSums(sql, shopId, query));
  // What failed is asked again.
  sums.catch(() => here.sums.delete(key));
  return sums;
}

async function readSums(sql: Sql, shopId: string, query: LedgerQuery): Promise<Sums> {
  const isByWords = [query.q?.trim(), query.end, query.part].some(Boolean);
  const [found] = await plannedAnew(
    sql,
    (tx) => tx<{ total: number; joints: number; callbacks: number }[]>`
    select count(*)::int as total, coalesce(sum(joints), 0)::int as joints, coalesce(sum(callbacks), 0)::int as callbacks
    from (select l.joints, l.callbacks ${fitting(tx, shopId, query)} ${isByWords ? tx`limit ${COUNTED + 1}` : tx``}) line`,
  );
  const { total, ...sums } = found!;
  return total > COUNTED && isByWords ? { total: COUNTED, joints: 0, callbacks: 0, isMore: true } : { total, ...sums, isMore: false };
}

/** How many connections are read at once when all of them are wanted. */
const SLICE = 2000;

/**
 * Every connection that fits, a slice at a time: as many as there are, those of the newest visits first. What is signed off meanwhile changes no
 * line's place, so that none is passed over and none told twice.
 */
export async function* allOfLedger(sql: Sql, shopId: string, query: LedgerQuery): AsyncGenerator<LedgerRow[]> {
  for (let after: LedgerRow | undefined; ; ) {
    const rows: LedgerRow[] = await ledgerRows(sql, shopId, query, (tx) => {
      const beyond = after ? tx`and (l.visit_id, l.run_id) < (${after.visitId}, ${after.runId})` : tx``;
      return { beyond, order: tx`l.visit_id desc, l.run_id desc`, limit: tx`limit ${SLICE}` };
    });
    if (rows.length > 0) yield rows;
    if (rows.length < SLICE) return;
    after = rows.at(-1);
  }
}

/** Which of the lines that fit are read, and in which order. */
type Part = Record<'beyond' | 'order' | 'limit', ReturnType<typeof nothing>>;
const nothing = (sql: Sql) => sql``;

/** A page, newest first. */
const pageOf =
  ({ limit = PAGE, offset = 0 }: LedgerQuery) =>
  (tx: Tx): Part => ({ beyond: tx``, order: tx`l.signed_off_at desc, l.visit_id, l.run_id`, limit: tx`limit ${limit} offset ${offset}` });

async function ledgerRows(sql: Sql, shopId: string, query: LedgerQuery, partOf: (tx: Tx) => Part): Promise<LedgerRow[]> {
  const rows = await plannedAnew(sql, (tx) => {
    const { beyond, order, limit } = partOf(tx);
    return tx<Row[]>`
    with page as (
      select l.* ${fitting(tx, shopId, query)} ${beyond} order by ${order} ${limit})
    select l.visit_id, r.run_id, l.on_date, p.name as premises, pl.name as place, a.kind, r.name as run, r.water, d.shown, l.joints, l.seals, l.recheck, l.callbacks
    from page l
    join derived_run d on d.shop_id = l.shop_id and d.visit_id = l.visit_id and d.run_id = l.run_id
    join run r on r.shop_id = l.shop_id and r.run_id = l.run_id
    join premises p on p.shop_id = l.shop_id and p.premises_id = l.premises_id
    join appliance a on a.shop_id = l.shop_id and a.appliance_id = r.appliance_id
    join place pl on pl.shop_id = l.shop_id and pl.place_id = a.place_id
    order by ${order}`;
  });
  return rows.map(rowOf);
}

/** Lines that fit, by the ledger's own table alone: what their rows show is read of those on the page. */
function fitting(sql: Tx, shopId: string, query: LedgerQuery) {
  const words = (query.q ?? '').trim().toLowerCase().split(/\s+/).filter(Boolean).slice(0, 12);
  const like = (word: string) => `%${word.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;
  const ends = query.end ? endsMeant(query.end) : [];
  return sql`
    from ledger_line l
    where l.shop_id = ${shopId}
      ${words.map((word) => sql`and l.search like ${like(word)}`).reduce((all, one) => sql`${all} ${one}`, sql``)}
      ${query.appliance ? sql`and l.kind = ${query.appliance}` : sql``}
      ${query.seal ? sql`and l.seals @> ${[query.seal]}::text[]` : sql``}
      ${query.part ? sql`and l.parts @> ${[query.part]}::text[]` : sql``}
      ${query.end ? sql`and l.ends && ${ends}::text[]` : sql``}
      ${query.premises ? sql`and l.premises_id = ${query.premises}` : sql``}
      ${query.run ? sql`and l.run_id = ${query.run}` : sql``}
      ${query.from ? sql`and l.on_date >= ${query.from}::date` : sql``}
      ${query.to ? sql`and l.on_date <= ${query.to}::date` : sql``}
      ${query.finding && query.finding !== 'any' ? sql`and cardinality(l.found) > 0 and l.found @> ${[query.finding]}::text[]` : sql``}
      ${query.recheck === 'due' ? sql`and l.recheck in ('due', 'not dry')` : sql``}
      ${query.callbacks === 'only' ? sql`and l.callbacks > 0` : query.callbacks === 'none' ? sql`and l.callbacks = 0` : sql``}`;
}

/** An end as it is typed, in any of its readings; nothing fits one that does not read. */
const endsMeant = (text: string): string[] => readEnd(text).map((r) => r.end);

const rowOf = ({ shown, ...r }: Row): LedgerRow => ({
  visitId: r.visit_id,
  runId: r.run_id,
  onDate: r.on_date,
  recheck: r.recheck,
  premises: r.premises,
  place: r.place,
  applianceKind: r.kind,
  run: r.run,
  water: r.water,
  joints: r.joints,
  seals: r.seals,
  callbacks: r.callbacks,
  ...shown,
});
