import type { HouseRules } from '../../core/index.ts';
import { rulesChanged } from '../../record/index.ts';
import { inShop, type Sql } from '../database/index.ts';
import { currentRules } from '../queries/index.ts';
import { appendBook, filedBookEntry } from './append-book.ts';

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
