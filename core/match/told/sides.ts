import { type EndCode, isHoseNut, parseEnd } from '../../ends/index.ts';
import type { Chain } from '../query.ts';

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

/** What stands at the ends of a chain. */
export interface SideWords {
  /** What the water comes from: 'stop outlet'. */
  outlet: string;
  /** What it goes to: 'refrigerator inlet'. */
  inlet: string;
  /** What is joined again: 'old line'. */
  old: string;
}

/** The words for the ends of a run: water may come out of a hose's nut, and then it is the valve above it that is joined again. */
/** Pipe left standing for what comes later: a rough-in ends there. */
const isStub = (to: EndCode | undefined): boolean => to !== undefined && /^(?:cu|pex|cpvc)-(?:5|7)\/8od$/.test(to);

export function sideWords(run: { from: EndCode; to?: EndCode; rejoin?: EndCode | null }, hasStop: boolean, appliance: string): SideWords {
  const isParted = run.rejoin != null && isHoseNut(run.from);
  return {
    outlet: isParted ? 'old line' : hasStop ? 'stop outlet' : 'water side',
    inlet: `${appliance.replace(/ \(.*/, '')} ${isStub(run.to) ? 'stub' : 'inlet'}`,
    old: !isParted ? 'old line' : parseEnd(run.rejoin as EndCode).family === 'bc' ? 'fill valve' : 'old inlet',
  };
}

/**
 * Names the two sides of every joint of a chain.
 *
 * @param names   part names by id
 * @param words   what stands at its three ends
 */
export function jointSides(
  chain: Pick<Chain, 'parts' | 'joints' | 'branches'>,
  names: Record<string, string>,
  { outlet, inlet, old }: SideWords,
): JointSides[] {
  const words = [outlet, ...chain.parts.map((id) => shortName(names[id] ?? id)), inlet];
  const rejoined = chain.branches.find((b) => b.use === 'rejoin');
  return chain.joints.map((joint, i) =>
    i < words.length - 1
      ? { n: joint.n, a: words[i] as string, b: words[i + 1] as string, rejoin: false }
      : { n: joint.n, a: shortName(names[rejoined?.part ?? ''] ?? 'tee'), b: old, rejoin: true },
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
