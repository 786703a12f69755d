/** Ends that were noted otherwise after the chain was accepted: which joints and parts that touches, and which stay good. */
import { mate } from '../../../core/index.ts';
import type { RunState } from '../state.ts';
import { placesOf } from './joint-place.ts';

export interface ChangedEnd {
  side: 'from' | 'to' | 'rejoin';
  /** As the chain was accepted for, and as it was noted since; null where it is gone. */
  was: string;
  now: string | null;
  /** The joint on it: 'J1'. */
  joint: string;
  /** The part on its other side, by name; null where the two ends meet by themselves. */
  part: string | null;
  /** The joint seals on the new end too. */
  holds: boolean;
}

const SIDES = ['from', 'to', 'rejoin'] as const;

/** Ends that are not what the accepted chain was made for; [] where none is. */
export function changedEnds(state: Pick<RunState, 'accepted' | 'joints' | 'from' | 'to' | 'rejoin'>): ChangedEnd[] {
  const { accepted } = state;
  if (!accepted) return [];
  const places = placesOf(accepted);
  return SIDES.flatMap((side): ChangedEnd[] => {
    const [was, now] = [accepted[side], state[side]?.end ?? null];
    // What was never seen since the acceptance stands as it was told then.
    if (was === null || now === was || (now === null && side !== 'rejoin')) return [];
    const at = places.findIndex((place) => place.ends.includes(side));
    const joint = accepted.chain.joints[at];
    if (!joint) return [];
    const isFirst = places[at]!.ends[0] === side;
    const owner = places[at]!.parts[isFirst ? 1 : 0];
    const holds = now !== null && mate(now, isFirst ? joint.b : joint.a, accepted.rules).verdict === 'seals';
    const partId = owner === null ? null : (accepted.chain.parts.find((id) => owner === `${id} 1` || owner.startsWith(`${id} `)) ?? null);
    return [{ side, was, now, joint: `J${joint.n}`, part: partId && (accepted.items[partId]?.name ?? partId), holds }];
  });
}

/** Joints that stay good whatever became of those ends. */
export const untouchedJoints = (state: Pick<RunState, 'joints'>, changed: readonly ChangedEnd[]): string[] =>
  state.joints.map((j) => j.label).filter((label) => !changed.some((c) => !c.holds && c.joint === label));
