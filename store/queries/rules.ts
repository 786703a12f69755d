import { defaultRules, type HouseRules } from '../../core/index.ts';
import { type FieldConflict, upcastRules } from '../../record/index.ts';
import type { Sql, Tx } from '../database/index.ts';

export interface RulesVersion {
  /** How often they were changed; 0 while the shop has the usual ones. */
  version: number;
  rules: HouseRules;
  /** Of the last change. */
  reason: string;
  recordedAt: string | null;
  /** What two said of the same rule without knowing of each other. */
  conflicts: FieldConflict[];
  /** Position of the entry they are up to: another one is another set of rules. */
  upTo: number;
}

/** The rules in force, or the usual ones where the shop has set none. */
export async function currentRules(sql: Sql | Tx, shopId: string): Promise<RulesVersion> {
  const [row] = await sql<
    { version: number; rules: HouseRules; reason: string; changed_at: Date | null; conflicts: FieldConflict[]; up_to: string }[]
  >`
    select version, rules, reason, changed_at, conflicts, up_to from rules_now where shop_id = ${shopId}`;
  if (!row) return { version: 0, rules: defaultRules, reason: '', recordedAt: null, conflicts: [], upTo: 0 };
  const { version, rules, reason, changed_at, conflicts, up_to } = row;
  return { version, rules: upcastRules(rules), reason, recordedAt: changed_at?.toISOString() ?? null, conflicts, upTo: Number(up_to) };
}

/** The house rules in force. */
export async function rulesInForce(sql: Sql, shopId: string): Promise<HouseRules> {
  return (await currentRules(sql, shopId)).rules;
}
