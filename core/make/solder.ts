/** Figures of a soldered joint. */
import type { End } from '../ends/index.ts';

/**
 * Length of 1/8 in solder that a cup takes, in: about the nominal diameter of its tube.
 *
 * @source trade practice: as much wire as the tube is wide by its name
 */
export function solderIn(end: End): number {
  if (end.kind !== 'tube') return 0.5;
  // Nominal copper is an eighth under its outside diameter.
  return end.tube.material === 'copper' ? end.tube.odIn - 0.125 : end.tube.odIn;
}
