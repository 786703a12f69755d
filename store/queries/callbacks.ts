/** Joints and their callbacks, counted for the analysis: by what they are, and by how old they were. */
import type { HouseChoices } from '../../core/house/choices.table.ts';
import type { AgeGroup, JointGroup } from '../../core/log/callback-analysis.ts';
import type { SealCount } from '../../core/log/shop-rates.ts';
import { standsFor } from '../by-shop.ts';
import type { Sql } from '../connection.ts';

export interface CallbackQuery {
  /** Local days of the sign-off, both included. */
  from?: string;
  to?: string;
  appliance?: string;
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

/** Joints and callbacks by seal, counted now. */
export async function readCallbacksBySeal(sql: Sql, shopId: string): Promise<SealCount[]> {
  return sql<SealCount[]>`
    select j.seal, count(*)::int as joints, count(j.called_at)::int as callbacks
    from derived_joint j join ledger_line l on l.shop_id = j.shop_id and l.visit_id = j.visit_id and l.run_id = j.run_id
    where j.shop_id = ${shopId} and j.made group by 1 order by 1`;
}

/** A shop's rates change over months: they are counted again after so long, ms. */
const STANDS_MS = 600_000;

/** The same as Match weighs its first guesses with. */
export const callbacksBySeal = standsFor(STANDS_MS, readCallbacksBySeal);
