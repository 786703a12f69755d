/** What an air chamber still is: the air that the line has squeezed, and what the water has taken of it. */
import { finite } from '../errors.ts';
import { ATM_PA, PA_PER_PSI } from '../units/index.ts';
import type { Cushion } from './shape.ts';

/** How much of its air the water has dissolved. @source trade practice: an air chamber fades over months and is refilled by draining */
export const CHAMBER_STATES = { fresh: 0, 'half absorbed': 0.5, waterlogged: 1 } as const;
export type ChamberState = keyof typeof CHAMBER_STATES;

/**
 * The cushion of a capped stub of pipe; null where no air is left in it.
 *
 * It was full of air at one atmosphere; the line's pressure squeezed it slowly, so that pressure times volume stayed; from there the law of the
 * cushion goes on.
 *
 * @param volumeIn3 of the empty stub, cubic inches
 * @param staticPsi of the line that it stands on, gauge
 * @source Boyle's law
 */
export function airChamber(volumeIn3: number, staticPsi: number, state: ChamberState): Cushion | null {
  finite('volumeIn3', volumeIn3, { above: 0, atMost: 100_000 });
  const pa = finite('staticPsi', staticPsi, { atLeast: 0, atMost: 1000 }) * PA_PER_PSI;
  const left = volumeIn3 * (ATM_PA / (pa + ATM_PA)) * (1 - CHAMBER_STATES[state]);
  return left === 0 ? null : { volumeIn3: left, prechargePsi: staticPsi };
}
