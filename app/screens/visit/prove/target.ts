import type { Round, SealId } from '../../../../core/index.ts';
import type { CheckPointState, Proof, RunState } from '../../../../record/index.ts';

/** What is looked at in Prove: a joint, a stem, a joint of the drain. */
export interface Target extends Proof {
  id: string;
  label: string;
  what: string;
  seal: SealId | null;
  /** Of a joint of the drain. */
  drain?: CheckPointState['drain'];
  target: { jointId?: string; checkPointId?: string };
}

/** All of a run that is looked at. */
export const targetsIn = (state: Pick<RunState, 'joints' | 'checkPoints'>): Target[] => [
  ...state.joints.map((j) => ({ ...j, what: `${j.a} · ${j.b}`, target: { jointId: j.id } })),
  ...state.checkPoints.map((c) => ({
    ...c,
    what: c.drain ? `${c.drain.what}, ${c.drain.name}: ${c.drain.lookedAt}` : 'of the stop',
    seal: null,
    target: { checkPointId: c.id },
  })),
];

/** What a round looks at: a line that moved when its appliance is pushed home, a drain while it works. */
export function targetsOf(targets: readonly Target[], round: Round): Target[] {
  if (round === 'put-back') return targets.filter((t) => t.seal !== null);
  return round === 'working' || round === 'next-day' ? [...targets] : targets.filter((t) => !t.drain);
}
