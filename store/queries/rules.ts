import { defaultRules, type HouseRules } from '../../core/house/rules.ts';
import { rulesBroughtUp } from '../../record/rules/house-rules.ts';
import type { Sql } from '../connection.ts';

export interface RulesVersion {
  /** 0 while the shop has set none. */
  version: number;
  rules: HouseRules;
  reason: string;
  recordedAt: string | null;
}

/** Somebody else changed the house rules meanwhile. */
export class RulesChangedError extends Error {
  override readonly name = 'RulesChangedError';
  constructor() {
    super('The house rules were changed meanwhile, in another window or on another device. Load the page again, look, and choose again.');
  }
}

/** The newest version, or the defaults where the shop has set none. */
export async function currentRules(sql: Sql, shopId: string): Promise<RulesVersion> {
  const [row] = await sql<{ version: number; rules: HouseRules; reason: string; recorded_at: Date }[]>`
    select version, rules, reason, recorded_at from house_rules where shop_id = ${shopId} order by version desc limit 1`;
  if (!row) return { version: 0, rules: defaultRules, reason: '', recordedAt: null };
  return { version: row.version, rules: rulesBroughtUp(row.rules), reason: row.reason, recordedAt: row.recorded_at.toISOString() };
}

/** The house rules in force. */
export async function rulesInForce(sql: Sql, shopId: string): Promise<HouseRules> {
  return (await currentRules(sql, shopId)).rules;
}

/**
 * Keeps a new version with its reason; the old ones stay.
 *
 * @param basedOn the version that was looked at when the change was made
 * @throws RulesChangedError when it is no longer the newest
 */
export async function saveRules(sql: Sql, shopId: string, basedOn: number, rules: HouseRules, reason: string, at: Date): Promise<number> {
  const version = basedOn + 1;
  const rows = await sql`
    insert into house_rules (shop_id, version, rules, reason, recorded_at)
    select ${shopId}, ${version}, ${sql.json(rules as never)}, ${reason}, ${at}
    where ${basedOn} = (select coalesce(max(version), 0) from house_rules where shop_id = ${shopId})
    on conflict (shop_id, version) do nothing returning version`;
  if (rows.length === 0) throw new RulesChangedError();
  return version;
}
