import type { IsolationPlan } from '../../../../core/index.ts';
import { chainOf, offWords } from '../../../ui/water-words.ts';

/** Plans that are told after the first. */
const MOST_TOLD = 3;

/** What comes next, should the least trusted of them not hold. */
export function next(plan: IsolationPlan, name: (id: string) => string): string {
  const told: string[] = [];
  for (const at of chainOf(plan)) {
    if (at === plan) continue;
    told.push(at.possible ? offWords(at, name) : 'nothing of the house is left to hold: the utility’s emergency line');
    if (told.length === MOST_TOLD) break;
  }
  return told.length === 0 ? '' : ` Should it not hold: ${told.join('; then ')}.`;
}
