/** What a run took from the van: each part with the first joint made on it, loose pieces with the joint they seal. */
import type { EntryOf } from '../../kinds.ts';
import type { Life } from '../joints/joint-life.ts';
import { placesOf } from '../joints/joint-place.ts';
import type { AcceptedChain } from '../kinds/chain-accepted.ts';
import { neededFor } from './needed.ts';

export interface Use {
  /** Part by its id, or loose piece by its code. */
  item: string;
  /** Pieces; of what is cut from a coil whole inches. */
  quantity: number;
  /** The making of a joint that took it: while that stands, it is used. */
  by: EntryOf<'joint-made'>;
}

/**
 * What the chain in force has taken so far. All joints made, it is what the chain takes altogether.
 *
 * @param lives of the chain's joints, by their ids
 */
export function usesOf(accepted: Pick<AcceptedChain, 'chain' | 'items' | 'jointIds'>, lives: ReadonlyMap<string, Life>): Use[] {
  const { chain, items, jointIds } = accepted;
  const makings = chain.joints.map((_, i) => lives.get(jointIds[i]!)?.firstMade ?? null);
  const places = placesOf(accepted);
  const uses: Use[] = [];
  const firstOn = chain.path.map((step, i): EntryOf<'joint-made'> | null => {
    // In the path a piece has the joint before it and the one after; the rejoined one is told by its place.
    const own = places.flatMap((place, j) =>
      j === i || j === i + 1 || (j > chain.path.length && isOn(place.parts, step.part)) ? [makings[j]!] : [],
    );
    return own.filter((m) => m !== null).sort((a, b) => (a.seenAt < b.seenAt ? -1 : 1))[0] ?? null;
  });
  for (const [i, step] of chain.path.entries()) {
    const by = firstOn[i]!;
    if (by === null) continue;
    const one = { chain: { ...chain, path: [step], loose: {} }, items };
    for (const [item, { quantity }] of Object.entries(neededFor(one))) uses.push({ item, quantity, by });
    for (const branch of chain.branches) {
      if (branch.use === 'cap' && branch.part === step.part) uses.push({ item: `cap-${branch.code}`, quantity: 1, by });
    }
  }
  for (const [i, joint] of chain.joints.entries()) {
    const by = makings[i];
    if (by) for (const item of joint.mating.loose) uses.push({ item, quantity: 1, by });
  }
  return uses;
}

const isOn = (parts: readonly (string | null)[], part: string): boolean => parts.some((p) => p?.startsWith(`${part} `));
