import { catalogue } from '../../catalog/index.ts';
import { dutyMonths } from '../../core/index.ts';
import type { DutyRules } from '../../record/index.ts';
import { rulesInForce } from '../../store/queries/index.ts';
import { database } from './database.ts';

/** What comes due again in a shop, and how often: the catalogue's rows by the house's months. */
export async function dutyRulesOf(shopId: string): Promise<DutyRules> {
  const { duties, look } = catalogue();
  return { rows: duties, months: dutyMonths(duties, look.ages, await rulesInForce(database(), shopId)) };
}
