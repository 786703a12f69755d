/** Joints and their callbacks, counted for the analysis: by what they are, and by how old they were. */
import type { SealId } from '../../core/ends/seals.ts';
import type { HouseChoices } from '../../core/house/choices.table.ts';
import type { Sql } from '../connection.ts';

export interface CallbackQuery {
  /** Local days of the sign-off, both included. */
  from?: string;
  to?: string;
  appliance?: string;
}

/** Joints that are alike in all that is counted by. */
export interface JointGroup {
  seal: SealId;
  turns24: number;
  sealant: string | null;
  parts: string[];
  rules: string;
  joints: number;
  callbacks: number;
}

/** Joints that stood, or stood until they came back, for the same number of whole days. */
export interface AgeGroup {
  days: number;
  cameBack: boolean;
  joints: number;
}

export interface CallbackCounts {
  groups: JointGroup[];
  ages: AgeGroup[];
  /** House choices by their key. */
  rules: Record<string, Partial<HouseChoices>>;
  /** Leaks that were reported of a run and laid to no joint of it. */
  unlaid: number;
}

/** Of all joints of connections that were signed off. */
export async function callbackCounts(sql: Sql, shopId: string, at: Date, query: CallbackQuery = {}): Promise<CallbackCounts> {
  const fits = sql`
    j.shop_id = ${shopId} and j.made
      ${query.from ? sql`and l.on_date >= ${query.from}::date` : sql``}
      ${query.to ? sql`and l.on_date <= ${query.to}::date` : sql``}
      ${query.appliance ? sql`and l.kind = ${query.appliance}` : sql``}`;
  const joined = sql`derived_joint j join ledger_line l on l.shop_id = j.shop_id and l.visit_id = j.visit_id and l.run_id = j.run_id`;
  const [groups, ages, rules, [all]] = await Promise.all([
    sql<JointGroup[]>`
      select j.seal, j.turns24, j.sealant, j.parts, l.rules_key as rules, count(*)::int as joints, count(j.called_at)::int as callbacks
      from ${joined} where ${fits} group by 1, 2, 3, 4, 5`,
    sql<AgeGroup[]>`
      select greatest(0, floor(extract(epoch from coalesce(j.called_at, l.replaced_at, ${at}) - j.made_at) / 86400))::int as days,
        j.called_at is not null as "cameBack", count(*)::int as joints
      from ${joined} where ${fits} and j.made_at is not null group by 1, 2`,
    sql<{ rules_key: string; rules: Partial<HouseChoices> }[]>`
      select distinct on (rules_key) rules_key, rules from ledger_line where shop_id = ${shopId}`,
    sql<{ n: number }[]>`
      select (coalesce(sum(l.callbacks), 0) - (select count(j.called_at) from ${joined} where ${fits} and l.callbacks > 0))::int as n
      from ledger_line l where l.shop_id = ${shopId} and l.callbacks > 0
        ${query.from ? sql`and l.on_date >= ${query.from}::date` : sql``}
        ${query.to ? sql`and l.on_date <= ${query.to}::date` : sql``}
        ${query.appliance ? sql`and l.kind = ${query.appliance}` : sql``}`,
  ]);
  return {
    groups: [...groups],
    ages: [...ages],
    rules: Object.fromEntries(rules.map((r) => [r.rules_key, r.rules])),
    unlaid: Math.max(0, all?.n ?? 0),
  };
}

/** Joints and callbacks by seal: what Match weighs its first guesses with. */
export async function callbacksBySeal(sql: Sql, shopId: string): Promise<{ seal: SealId; joints: number; callbacks: number }[]> {
  return sql<{ seal: SealId; joints: number; callbacks: number }[]>`
    select j.seal, count(*)::int as joints, count(j.called_at)::int as callbacks
    from derived_joint j join ledger_line l on l.shop_id = j.shop_id and l.visit_id = j.visit_id and l.run_id = j.run_id
    where j.shop_id = ${shopId} and j.made group by 1`;
}
