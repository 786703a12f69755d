/** Joints and their callbacks, counted for the analysis: by what they are, and by how old they were. */
import type { AgeGroup, JointGroup, SealCount } from '../../core/index.ts';
import { type Sql, untilMoved } from '../database/index.ts';

export interface CallbackQuery {
  /** Local days of the sign-off, both included. */
  from?: string;
  to?: string;
  appliance?: string;
}

export interface CallbackCounts {
  groups: JointGroup[];
  ages: AgeGroup[];
  /** Leaks that were reported of a run and laid to no joint of it. */
  unlaid: number;
}

/** Of all joints of connections that were signed off, from an index that holds all that is counted. */
export async function callbackCounts(sql: Sql, shopId: string, at: Date, query: CallbackQuery = {}): Promise<CallbackCounts> {
  const signed = (column: ReturnType<typeof nothing>) => sql`
    ${query.from ? sql`and ${column} >= ${query.from}::date` : sql``}
    ${query.to ? sql`and ${column} <= ${query.to}::date` : sql``}`;
  const fits = sql`
    j.shop_id = ${shopId} and j.made and j.signed_on is not null ${signed(sql`j.signed_on`)}
      ${query.appliance ? sql`and j.alike in (select k.alike from joint_alike k where k.shop_id = ${shopId} and k.kind = ${query.appliance})` : sql``}`;
  const [groups, ages, [all]] = await Promise.all([
    sql<JointGroup[]>`
      select k.seal, k.turns24, k.sealant, k.parts, k.rules, n.joints, n.callbacks
      from (select j.alike, count(*)::int as joints, count(j.called_at)::int as callbacks from derived_joint j where ${fits} group by 1) n
      join joint_alike k on k.shop_id = ${shopId} and k.alike = n.alike`,
    sql<AgeGroup[]>`
      select greatest(0, date_part('day', coalesce(j.called_at, j.replaced_at, ${at}) - j.made_at)::int) as days,
        j.called_at is not null as "cameBack", count(*)::int as joints
      from derived_joint j where ${fits} and j.made_at is not null group by 1, 2`,
    sql<{ n: number }[]>`
      select (coalesce(sum(l.callbacks), 0) - coalesce(sum((select count(*) from derived_joint j
        where j.shop_id = l.shop_id and j.visit_id = l.visit_id and j.run_id = l.run_id and j.called_at is not null)), 0))::int as n
      from ledger_line l where l.shop_id = ${shopId} and l.callbacks > 0 ${signed(sql`l.on_date`)}
        ${query.appliance ? sql`and l.kind = ${query.appliance}` : sql``}`,
  ]);
  return { groups: [...groups], ages: [...ages], unlaid: Math.max(0, all?.n ?? 0) };
}

const nothing = (sql: Sql) => sql``;

/** Joints and callbacks by seal, counted now. */
export async function readCallbacksBySeal(sql: Sql, shopId: string): Promise<SealCount[]> {
  return sql<SealCount[]>`
    select k.seal, sum(n.joints)::int as joints, sum(n.callbacks)::int as callbacks
    from (select j.alike, count(*) as joints, count(j.called_at) as callbacks from derived_joint j
      where j.shop_id = ${shopId} and j.made and j.signed_on is not null group by 1) n
    join joint_alike k on k.shop_id = ${shopId} and k.alike = n.alike group by 1 order by 1`;
}

/** The same as Match weighs its first guesses with. */
export const callbacksBySeal = untilMoved(readCallbacksBySeal);
