import type { SealId } from '../../rows/index.ts';
import { tubeJointsTable } from './tube-joints.table.ts';

/** Free length of straight, round, clean tube that each way of joining takes, in; null where that size is not so joined. Typical: the maker's sheet wins. */
export interface TubeJoint {
  /** Outside diameter as codes write it: '5/8'. */
  od: string;
  /** To the depth mark. */
  pushIn: number | null;
  ferruleIn: number | null;
  solderIn: number | null;
  /** Crimp or expansion: ring and tool. */
  ringIn: number | null;
}

export const tubeJoints: readonly TubeJoint[] = tubeJointsTable;

const byOd = new Map(tubeJoints.map((row) => [row.od, row]));

export const tubeJointOf = (od: string): TubeJoint | undefined => byOd.get(od);

/** The ways in which a seal takes hold of a tube. */
export type TubeHold = 'push' | 'ferrule' | 'solder' | 'ring';

/** Every seal says whether it takes hold of a tube, and how. */
const HOLDS: Record<SealId, TubeHold | null> = {
  washer: null,
  'washer-on-taper': null,
  'washer-plastic': null,
  'washer-hose': null,
  'washer-aerator': null,
  ferrule: 'ferrule',
  'ferrule-large': 'ferrule',
  'ferrule-plastic': 'ferrule',
  taper: null,
  'taper-plastic': null,
  'o-ring': null,
  flare: null,
  cone: null,
  push: 'push',
  'push-small': 'push',
  crimp: 'ring',
  expansion: 'ring',
  solder: 'solder',
};

/** How a seal takes hold of a tube; null where it does not. */
export const tubeHold = (seal: SealId): TubeHold | null => HOLDS[seal];

/**
 * Free length of tube that a joint needs, in; null where it takes none, or none is known.
 *
 * @param seal how the joint seals
 * @param od   the tube's outside diameter as codes write it
 * @source     trade practice: how joints seal: typical
 */
export function freeLengthIn(seal: SealId, od: string): number | null {
  const hold = tubeHold(seal);
  return hold === null ? null : (byOd.get(od)?.[`${hold}In`] ?? null);
}
