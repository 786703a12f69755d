import type { RunState, Stage } from '../../../record/index.ts';

/** The joint that the card's present step makes, or the one that is not dry. */
export function jointUnderWork(state: RunState, stage: Stage): number | null {
  if (stage === 'make') {
    const present = state.card.find((step) => step.stage === 'make' && !state.done[step.id]);
    return present?.joint ?? present?.atJoint ?? null;
  }
  return stage === 'prove' ? (state.joints.find((j) => j.finding !== null)?.n ?? null) : null;
}
