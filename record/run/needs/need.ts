/** What a run asks of its chain, from everything that is known of it. */
import { type AskedNeed, askedNeeds, type HouseRules, knownNeed, type Need, needOfAll, rulesOfAll } from '../../../core/index.ts';
import { applianceBySheet, judgeRun } from '../seen/survey.ts';
import type { RunContext, RunState } from '../state.ts';

export interface RunNeed {
  asked: AskedNeed[];
  need: Need;
  /** Tags avoided where anything else reaches. */
  soft: string[];
  rules: HouseRules;
}

/** A stop that goes and an arrestor that comes are the chain's: with the first reason of the verdict. */
function verdictsOf(
  context: Pick<RunContext, 'appliance' | 'water' | 'look'>,
  state: RunState,
  rules: HouseRules,
): { stop?: string; arrestor?: string } {
  const { judgements, needs } = judgeRun(context, state, rules);
  const why = (of: 'stop' | 'arrestor') => judgements.find((j) => j.of === of && j.verdict === 'replace')?.because[0]?.text;
  const [stop, arrestor] = [needs.stop ? why('stop') : undefined, needs.arrestor ? why('arrestor') : undefined];
  return { ...(stop && state.stop?.kind !== 'none' ? { stop } : {}), ...(arrestor ? { arrestor } : {}) };
}

/** What is asked of the chain of a run under the house's rules. */
export function needOfRun(context: Pick<RunContext, 'appliance' | 'water' | 'look' | 'work'>, state: RunState, rules: HouseRules): RunNeed {
  const { water } = context;
  const appliance = applianceBySheet(context.appliance, context.look, state.survey.sheet);
  const { from, to, rejoin, distance, place, stop, stubs, needChanges } = state;
  const known = knownNeed({
    appliance,
    from: from?.end ?? null,
    to: to?.end ?? null,
    distanceIn: distance?.inches ?? null,
    ...(context.work === 'refrigerator-from-below' ? { passes: 'floor' as const } : {}),
    hasNoStop: stop?.kind === 'none',
    place,
    stubs,
    rules,
    verdicts: verdictsOf(context, state, rules),
  });
  const asked = askedNeeds(known, needChanges);
  const { need, soft } = needOfAll(water, asked);
  return { asked, need: rejoin?.end ? { ...need, rejoinFirst: true } : need, soft, rules: rulesOfAll(rules, asked) };
}
