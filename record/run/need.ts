/** What a run asks of its chain, from everything that is known of it. */
import type { HouseRules } from '../../core/house/rules.ts';
import { type AskedNeed, askedNeeds, knownNeed, needOfAll, rulesOfAll } from '../../core/match/known-need.ts';
import type { Need } from '../../core/match/query.ts';
import type { RunContext, RunState } from './state.ts';

export interface RunNeed {
  asked: AskedNeed[];
  need: Need;
  /** Tags avoided where anything else reaches. */
  soft: string[];
  rules: HouseRules;
}

/** What is asked of the chain of a run under the house's rules. */
export function needOfRun({ appliance, water }: Pick<RunContext, 'appliance' | 'water'>, state: RunState, rules: HouseRules): RunNeed {
  const { from, to, rejoin, distance, place, stop, stubs, needChanges } = state;
  const known = knownNeed({
    appliance, from: from?.end ?? null, to: to?.end ?? null, distanceIn: distance?.inches ?? null, hasNoStop: stop?.kind === 'none', place, stubs, rules,
  }); // biome-ignore format: one call
  const asked = askedNeeds(known, needChanges);
  const { need, soft } = needOfAll(water, asked);
  return { asked, need: rejoin?.end ? { ...need, rejoinFirst: true } : need, soft, rules: rulesOfAll(rules, asked) };
}
