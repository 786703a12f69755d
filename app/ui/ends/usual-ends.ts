import { knownAppliances, usualInlets } from '../../../core/index.ts';
import type { Side } from './end-wanted.ts';

const MET: Record<Exclude<Side, 'to'>, readonly string[]> = {
  from: ['comp-3/8-m', 'comp-1/4-m', 'cu-5/8od', 'pex-5/8od', 'npt-1/2-m', 'ght-3/4-m'],
  rejoin: ['comp-3/8-f', 'bc-7/8-m', 'comp-1/4-f', 'npsm-1/2-f'],
};

/** Ends that are met most at one side of a run; of the inlet, those of its appliance, or of any where it is not known. */
export function usualEnds(side: Side, appliance: string | null): string[] {
  if (side !== 'to') return [...MET[side]];
  const known = appliance === null ? [] : usualInlets(appliance);
  return [...new Set(known.length > 0 ? known : knownAppliances.flatMap((a) => usualInlets(a)))];
}
