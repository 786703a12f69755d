import type { EndCode } from '../ends/code.ts';
import type { Chain } from './query.ts';

/** What stands on each side of a joint, in short words, water side first. */
export interface JointSides {
  n: number;
  a: string;
  b: string;
  rejoin: boolean;
}

/** A part's name up to its first comma: 'adapter', 'braided ice-maker connector'. */
export function shortName(name: string): string {
  return name.split(',')[0] as string;
}

/**
 * Names the two sides of every joint of a chain.
 *
 * @param names   part names by id
 * @param outlet  what the water comes from: 'stop outlet'
 * @param inlet   what it goes to: 'refrigerator inlet'
 */
export function jointSides(
  chain: Pick<Chain, 'parts' | 'joints' | 'branches'>,
  names: Record<string, string>,
  outlet: string,
  inlet: string,
): JointSides[] {
  const words = [outlet, ...chain.parts.map((id) => shortName(names[id] ?? id)), inlet];
  const rejoined = chain.branches.find((b) => b.use === 'rejoin');
  return chain.joints.map((joint, i) =>
    i < words.length - 1
      ? { n: joint.n, a: words[i] as string, b: words[i + 1] as string, rejoin: false }
      : { n: joint.n, a: shortName(names[rejoined?.part ?? ''] ?? 'tee'), b: 'old line', rejoin: true },
  );
}

/** The ends of each part as the water meets them, for drawing and for lists. */
export function throughEnds(chain: Pick<Chain, 'path' | 'joints'>): { part: string; inCode: EndCode; outCode: EndCode }[] {
  return chain.path.map((step, i) => ({
    part: step.part,
    inCode: chain.joints[i]!.b,
    outCode: chain.joints[i + 1]!.a,
  }));
}
