/** What a seal asks of the hands: the acts before and after its joint is made. */
import { parseEnd } from '../ends/index.ts';
import type { ChainJoint } from '../match/index.ts';
import type { SealId } from '../rows/index.ts';
import type { ActVerb } from './acts.ts';

export interface SealAsks {
  make: 'tighten' | 'push' | 'ring' | 'solder';
  before: ActVerb[];
  after: ActVerb[];
}

type Way = 'screwed' | 'ferrule' | 'push' | 'crimp' | 'expansion' | 'solder';

const WAYS: Record<SealId, Way> = {
  washer: 'screwed',
  'washer-on-taper': 'screwed',
  'washer-plastic': 'screwed',
  'washer-hose': 'screwed',
  'washer-aerator': 'screwed',
  ferrule: 'ferrule',
  'ferrule-large': 'ferrule',
  'ferrule-plastic': 'ferrule',
  taper: 'screwed',
  'taper-plastic': 'screwed',
  'o-ring': 'screwed',
  flare: 'screwed',
  cone: 'screwed',
  push: 'push',
  'push-small': 'push',
  crimp: 'crimp',
  expansion: 'expansion',
  solder: 'solder',
};

const ASKS: Record<Way, SealAsks> = {
  screwed: { make: 'tighten', before: ['start-thread'], after: [] },
  ferrule: { make: 'tighten', before: ['cut', 'deburr', 'ferrule', 'start-thread'], after: [] },
  push: { make: 'push', before: ['cut', 'deburr', 'mark-depth'], after: ['tug'] },
  crimp: { make: 'ring', before: ['cut', 'deburr'], after: ['gauge'] },
  expansion: { make: 'ring', before: ['cut', 'deburr'], after: [] },
  solder: { make: 'solder', before: ['cut', 'deburr', 'flux'], after: ['cool'] },
};

export const isHotSeal = (seal: string | null): boolean => seal === 'solder';

/**
 * What is done before and after a joint is made, besides making it.
 *
 * @param isKept  a ferrule that goes on again in its old place: nothing is cut
 */
export function sealAsks({ a, b, mating }: ChainJoint, isKept = false): SealAsks {
  const { make, before, after } = ASKS[WAYS[mating.seal as SealId] ?? 'screwed'];
  const tube = [a, b].map(parseEnd).find((e) => e.kind === 'tube');
  return {
    make,
    before: [
      // A steel or ready-made end is not cut to be joined by its thread.
      ...before.filter((verb) => !(isKept && (verb === 'cut' || verb === 'deburr')) && (tube !== undefined || (verb !== 'cut' && verb !== 'deburr'))),
      ...(mating.sealant !== null && mating.sealant !== 'none' ? (['sealant'] as const) : []),
      ...(mating.loose.some((code) => code.startsWith('insert-')) ? (['insert'] as const) : []),
    ],
    after: [...after, ...(mating.seal === 'ferrule-plastic' ? (['tug'] as const) : [])],
  };
}
