import { defaultRules, type HouseRules } from '../core/house/rules.ts';
import type { Sql } from './connection.ts';

/** The house rules in force: the newest version, or the defaults where the shop has set none. */
export async function rulesInForce(sql: Sql, shopId: string): Promise<HouseRules> {
  const [row] = await sql<{ rules: HouseRules }[]>`select rules from house_rules where shop_id = ${shopId} order by version desc limit 1`;
  return row?.rules ?? defaultRules;
}
