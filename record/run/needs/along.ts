import { defaultRules, type WorkStep, workCard } from '../../../core/index.ts';
import type { RunContext, RunState } from '../state.ts';

/** The card that tells what to have along: the run's own, or, while no chain is chosen, what its kind of work wants whatever will join it. */
export function alongCard(context: RunContext, state: Pick<RunState, 'hasCard' | 'card' | 'from' | 'to' | 'stop'>): WorkStep[] {
  if (state.hasCard) return state.card;
  const { work, appliance, water, stepData, parts, rules } = context;
  const usual = appliance.usualInletEnds[0] ?? 'comp-3/8-m';
  const [from, to] = [state.from?.end ?? 'comp-3/8-m', state.to?.end ?? usual];
  return workCard({ work, appliance, water, chain: null, from, to, stop: state.stop, hidden: false, rules: rules ?? defaultRules, stepData, parts });
}
