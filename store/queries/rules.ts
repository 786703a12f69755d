import { defaultRules, type HouseRules } from '../../core/index.ts';
import { type FieldConflict, rulesBroughtUp, rulesChanged } from '../../record/index.ts';
import type { Sql, Tx } from '../database/connection.ts';
import { inShop } from '../database/shop-transaction.ts';
import { appendBook, filedBookEntry } from '../entries/append-book.ts';

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
  return { version, rules: rulesBroughtUp(rules), reason, recordedAt: changed_at?.toISOString() ?? null, conflicts, upTo: Number(up_to) };
}

/** The house rules in force. */
export async function rulesInForce(sql: Sql, shopId: string): Promise<HouseRules> {
  return (await currentRules(sql, shopId)).rules;
}

/**
 * Has the house do it by these rules, with the reason: what differs from those in force is said in the book.
 *
 * @returns how often they were changed by now
 */
export async function saveRules(sql: Sql, shopId: string, rules: HouseRules, reason: string, at: Date): Promise<number> {
  return inShop(sql, shopId, async (tx) => {
    const body = { rules: rulesChanged((await currentRules(tx, shopId)).rules, rules), reason };
    if (Object.keys(body.rules).length > 0) await appendBook(tx, shopId, [filedBookEntry('rules', shopId, 'changed', body, at)]);
    return (await currentRules(tx, shopId)).version;
  });
}
