/** What is due at what was done: rechecks, follow-ups with a day, and what every connection asks for again as it ages. */
import { catalogue } from '../../catalog/index.ts';
import { lastBegun, taskMonths } from '../../core/index.ts';
import { addDays } from '../../record/index.ts';
import type { Sql } from '../database/index.ts';
import { currentRules } from './rules.ts';
import { shopToday } from './shop.ts';

export const DUE_KINDS = ['recheck', 'follow-up', 'connector', 'stop', 'insert', 'spares', 'open-line'] as const;
export type DueKind = (typeof DUE_KINDS)[number];

export interface DueRow {
  kind: DueKind;
  /** Local day at the premises. */
  dueOn: string;
  /** Its day is past; of a recheck its hour, as the day's sheet has it. */
  isLate: boolean;
  /** What it is about: 'quarter-turn stop', the words of a follow-up. */
  what: string;
  /** 'Exercise' */
  todo: string;
  because: string;
  /** Of a duty: since when its time runs. */
  since: string | null;
  premises: { id: string; name: string };
  place: string | null;
  run: string | null;
  visitId: string | null;
  runId: string | null;
}

export interface DueQuery {
  kind?: DueKind;
  premises?: string;
  /** Days ahead; 60 unless given. */
  ahead?: number;
  limit?: number;
  offset?: number;
}

export interface DueList {
  today: string;
  /** The last day that is looked at. */
  until: string;
  rows: DueRow[];
  total: number;
  /** How many of each kind, and how many of those are past their day. */
  counts: Partial<Record<DueKind, { due: number; late: number }>>;
}

const PAGE = 50;
export const AHEAD_DAYS = 60;

interface Found {
  kind: DueKind;
  due_on: string;
  what: string;
  since_on: string | null;
  visit_id: string | null;
  run_id: string | null;
  premises_id: string | null;
}

/** What falls due until some days from now, what is late among it, soonest first. */
export async function dueList(sql: Sql, shopId: string, at: Date, query: DueQuery = {}): Promise<DueList> {
  const [today, { rules }] = await Promise.all([shopToday(sql, shopId, at), currentRules(sql, shopId)]);
  const { duties, look } = catalogue();
  const until = addDays(today, query.ahead ?? AHEAD_DAYS);
  const most = (query.limit ?? PAGE) + (query.offset ?? 0);
  // A recheck has its own day already.
  const months = { recheck: 0, ...taskMonths(duties, look.ages, rules) };
  const sources = sourcesOf(sql, shopId, { query, until, today, months, most, at });
  const [counted, page] = await Promise.all([
    sql<{ kind: DueKind; due: number; late: number }[]>`${joined(
      sql,
      sources.map((s) => s.counted),
    )}`,
    named(
      sql,
      shopId,
      sql`select * from (${joined(
        sql,
        sources.map((s) => s.first),
      )}) found order by due_on, since_on, kind, visit_id, run_id, what, premises_id limit ${query.limit ?? PAGE} offset ${query.offset ?? 0}`,
      { today, at },
    ),
  ]);
  const counts: DueList['counts'] = {};
  for (const { kind, due, late } of counted) {
    const before = counts[kind] ?? { due: 0, late: 0 };
    if (due > 0) counts[kind] = { due: before.due + due, late: before.late + late };
  }
  return { today, until, rows: page, total: Object.values(counts).reduce((sum, c) => sum + c.due, 0), counts };
}

/** Everything that falls due until some days from now, for a calendar or a file. */
export const dueAll = async (sql: Sql, shopId: string, at: Date, query: DueQuery, most: number): Promise<DueRow[]> =>
  (await dueList(sql, shopId, at, { ...query, limit: most })).rows;

const nothing = (sql: Sql) => sql``;
type Fragment = ReturnType<typeof nothing>;

/** A kind of thing that comes due: how many, and the first of them. */
interface Source {
  counted: Fragment;
  first: Fragment;
}

interface Asked {
  query: DueQuery;
  until: string;
  today: string;
  /** Months by what a duty goes by. */
  months: Record<string, number>;
  most: number;
  at: Date;
}

function sourcesOf(sql: Sql, shopId: string, asked: Asked): Source[] {
  const { query } = asked;
  const wants = (kind: DueKind) => query.kind === undefined || query.kind === kind;
  return [
    ...(wants('follow-up') ? [followUps(sql, shopId, asked)] : []),
    ...Object.entries(asked.months)
      .filter(([goesBy]) => wants(kindOf(goesBy)))
      .flatMap(([goesBy, months]) => [running, putOff].map((of) => of(sql, shopId, asked, { goesBy, months }))),
  ];
}

const kindOf = (goesBy: string): DueKind => (goesBy.startsWith('line:') ? 'connector' : (goesBy as DueKind));

/** Rows of a kind; all are put in one order, so that pages neither repeat nor skip. */
function source(sql: Sql, { until, today, most }: Asked, rows: Fragment): Source {
  return {
    counted: sql`(select kind, count(*)::int as due, count(*) filter (where due_on < ${today})::int as late from (${rows}) each where due_on <= ${until} group by kind)`,
    first: sql`(select * from (${rows}) each where due_on <= ${until} order by due_on, since_on, visit_id, run_id, what, premises_id limit ${most})`,
  };
}

function followUps(sql: Sql, shopId: string, asked: Asked): Source {
  const rows = sql`
    select 'follow-up' as kind, f.due_on, f.body as what, null::date as since_on, null::uuid as visit_id, f.run_id, f.premises_id
    from follow_up f join premises p on p.shop_id = f.shop_id and p.premises_id = f.premises_id
    where f.shop_id = ${shopId} and f.closed_at is null and not f.gone and f.due_on is not null and p.retired is null
      ${asked.query.premises ? sql`and f.premises_id = ${asked.query.premises}` : sql``}`;
  return source(sql, asked, rows);
}

interface Interval {
  goesBy: string;
  months: number;
}

/** Duties that nobody put off: they stand in the index in the order in which they fall due, and are counted by it alone. */
function running(sql: Sql, shopId: string, { query, until, today, most, at }: Asked, { goesBy, months }: Interval): Source {
  const those = (by: string) => sql`
    from derived_duty d ${ofPremises(sql, query)}
    where d.shop_id = ${shopId} and d.goes_by = ${goesBy} and d.is_live and d.not_before is null and d.since_on <= ${by}::date`;
  const due = lastBegun(until, months);
  const isLate =
    goesBy === 'recheck' ? sql`exists (${ofItsRun(sql, shopId, sql`d`, at)})` : sql`d.since_on <= ${lastBegun(addDays(today, -1), months)}::date`;
  return {
    counted: sql`(select ${kindOf(goesBy)} as kind, count(*)::int as due, count(*) filter (where ${isLate})::int as late ${those(due)})`,
    first: sql`(select d.duty as kind, ${after(sql, months)} as due_on, d.what, d.since_on, d.visit_id, d.run_id, null::uuid as premises_id ${those(due)} order by d.since_on, d.visit_id, d.run_id, d.what limit ${most})`,
  };
}

/** The run of what is found, where the hour of its recheck is past. */
const ofItsRun = (sql: Sql, shopId: string, of: Fragment, at: Date): Fragment => sql`
  select from derived_run r where r.shop_id = ${shopId} and r.visit_id = ${of}.visit_id and r.run_id = ${of}.run_id and r.recheck_due_at < ${at}`;

/** Duties that were put off to a day: few. */
function putOff(sql: Sql, shopId: string, asked: Asked, { goesBy, months }: Interval): Source {
  const rows = sql`
    select d.duty as kind, greatest(d.not_before, ${after(sql, months)}) as due_on, d.what, d.since_on, d.visit_id, d.run_id, null::uuid as premises_id
    from derived_duty d ${ofPremises(sql, asked.query)}
    where d.shop_id = ${shopId} and d.goes_by = ${goesBy} and d.is_live and d.not_before <= ${asked.until}::date`;
  return source(sql, asked, rows);
}

const after = (sql: Sql, months: number): Fragment => sql`(d.since_on + make_interval(months => ${months}::int))::date`;

const ofPremises = (sql: Sql, { premises }: DueQuery): Fragment =>
  premises ? sql`join visit v on v.shop_id = d.shop_id and v.visit_id = d.visit_id and v.premises_id = ${premises}` : sql``;

const joined = (sql: Sql, parts: Fragment[]): Fragment => parts.reduce((all, one) => sql`${all} union all ${one}`);

/** Where each of the found is. */
async function named(sql: Sql, shopId: string, found: Fragment, { today, at }: { today: string; at: Date }): Promise<DueRow[]> {
  const rows = await sql<(Found & { is_late: boolean; premises: string; premises_of: string; place: string | null; run: string | null })[]>`
    with found as materialized (${found})
    select f.*, case when f.kind = 'recheck' then exists (${ofItsRun(sql, shopId, sql`f`, at)}) else f.due_on < ${today} end as is_late, p.premises_id as premises_of, p.name as premises, pl.name as place, r.name as run
    from found f
    left join run r on r.shop_id = ${shopId} and r.run_id = f.run_id
    left join appliance a on a.shop_id = ${shopId} and a.appliance_id = r.appliance_id
    left join place pl on pl.shop_id = ${shopId} and pl.place_id = a.place_id
    join premises p on p.shop_id = ${shopId} and p.premises_id = coalesce(f.premises_id, a.premises_id)
    order by f.due_on, f.since_on, f.kind, f.visit_id, f.run_id, f.what, f.premises_id`;
  return rows.map((r) => ({
    kind: r.kind,
    dueOn: r.due_on,
    isLate: r.is_late,
    what: r.what,
    ...wordsOf(r.kind),
    since: r.kind === 'recheck' ? null : r.since_on,
    premises: { id: r.premises_of, name: r.premises },
    place: r.place,
    run: r.run,
    visitId: r.visit_id,
    runId: r.run_id,
  }));
}

function wordsOf(kind: DueKind): { todo: string; because: string } {
  if (kind === 'recheck') return { todo: 'Look again', because: 'Dry on the day is dry on the day: a seep shows overnight.' };
  if (kind === 'follow-up') return { todo: 'Follow up', because: '' };
  const row = catalogue().duties.find((d) => d.id === kind)!;
  return { todo: row.todo, because: row.because };
}
