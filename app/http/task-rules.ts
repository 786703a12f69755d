import { catalogue } from '../../catalog/index.ts';
import { taskMonths } from '../../core/index.ts';
import type { TaskRules } from '../../record/index.ts';
import { rulesInForce } from '../../store/queries/index.ts';
import { database } from './database.ts';

/** What comes due again in a shop, and how often: the catalogue's rows by the house's months. */
export async function taskRulesOf(shopId: string): Promise<TaskRules> {
  const { duties, look } = catalogue();
  return { rows: duties, months: taskMonths(duties, look.ages, await rulesInForce(database(), shopId)) };
}
