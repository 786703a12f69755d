/** Where a joint sits: which ends of which pieces it joins. It is the same joint as long as they are the same, whatever else of the chain changes. */
import type { AcceptedChain } from '../kinds/chain-accepted.ts';

export interface JointPlace {
  /** The two ends joined: 'from', 'to', 'rejoin', or a part's own end. */
  ends: [string, string];
  /** The parts they belong to; null for what was there before. */
  parts: [string | null, string | null];
  /** Both ends with their codes, and the seal: what makes it this joint and no other. */
  signature: string;
}

/** Places of a chain's joints, in order. */
export function placesOf({ chain }: Pick<AcceptedChain, 'chain'>): JointPlace[] {
  const times = new Map<string, number>();
  const pieces = chain.path.map((step) => {
    const n = (times.get(step.part) ?? 0) + 1;
    times.set(step.part, n);
    return { name: `${step.part} ${n}`, ...step };
  });
  const rejoin = chain.branches.find((b) => b.use === 'rejoin');
  return chain.joints.map((joint, i) => {
    const [left, right] = [pieces[i - 1], pieces[i]];
    const isRejoin = i > pieces.length;
    const teed = pieces.find((p) => p.part === rejoin?.part)?.name ?? null;
    const a = isRejoin ? `${teed} ${rejoin?.end}` : left ? `${left.name} ${left.outEnd}` : 'from';
    const b = isRejoin ? 'rejoin' : right ? `${right.name} ${right.inEnd}` : 'to';
    return {
      ends: [a, b],
      parts: isRejoin ? [teed, null] : [left?.name ?? null, right?.name ?? null],
      signature: [a, joint.a, b, joint.b, joint.mating.seal].join('|'),
    };
  });
}

/** An end takes one joint at a time: who makes one on it has opened the other. */
export const sharesEnd = (x: JointPlace, y: JointPlace): boolean => x.ends.some((end) => y.ends.includes(end));

export const sharesPart = (x: JointPlace, y: JointPlace): boolean => x.parts.some((part) => part !== null && y.parts.includes(part));

/**
 * Identities for the joints of a chain: those of joints that were there before, in any chain of the run, stay theirs.
 *
 * @param before acceptances of the run, oldest first
 * @param make   an identity for a joint that is new
 */
export function jointIdsFor(chain: AcceptedChain['chain'], before: Pick<AcceptedChain, 'chain' | 'jointIds'>[], make: () => string): string[] {
  const known = new Map<string, string>();
  for (const accepted of before) {
    for (const [i, place] of placesOf(accepted).entries()) known.set(place.signature, accepted.jointIds[i] as string);
  }
  const used = new Set<string>();
  return placesOf({ chain }).map(({ signature }) => {
    const id = known.get(signature);
    const own = id !== undefined && !used.has(id) ? id : make();
    used.add(own);
    return own;
  });
}
