/** Cavities: the free gas that all water holds swells near the vapour’s pressure to the gap in which the column parts, and collapses again. */
import { ATM_PA } from '../../units/index.ts';
import type { Kernel } from './kernel.ts';
import type { Pipe } from './pipe.ts';

/** Free gas in the water of a reach, by volume at one atmosphere. @source E. B. Wylie, J. Fluids Eng. 106 (1984) 307: so little that it changes nothing else */
export const FREE_GAS = 1e-7;
/** Above vapour, Pa: until a pressure falls under it the free gas is too small to matter, and is not reckoned. */
export const CAVITY_OPENS_PA = 0.2 * ATM_PA;
/** The water stands parted where its free gas is so many times what it is at one atmosphere. */
export const PARTED_TIMES = 1000;

/**
 * The pressure above vapour of a node whose free gas keeps pressure times volume: the root of y dt u2 + (V + dt (y v - c)) u = G.
 *
 * @param held   of gas before the step, m3
 * @param y      what an upstep of pressure drives out of the node, m3/s for a Pa
 * @param excess what comes in at vapour's pressure less what goes, m3/s
 * @param gas    its pressure above vapour times its volume, Pa m3
 */
export function aboveVapour(held: number, y: number, excess: number, gas: number, dtS: number): number {
  const b = held - dtS * excess;
  const root = Math.sqrt(b * b + 4 * y * dtS * gas);
  return b > 0 ? (2 * gas) / (b + root) : (root - b) / (2 * y * dtS);
}

/**
 * Before its pressure first came near the vapour's, a pipe's gas was so small that its volume was taken to stay: from here on it moves, and is not put to
 * sleep again, so that no water is made or lost by that.
 */
export function openCavities(pipe: Pipe, vapourPa: number): void {
  const { n, right, left, gas, nextGas, freeGas } = pipe;
  for (let i = 1; i < n; i++) {
    gas[i] = freeGas / Math.max(1, (right[i]! + left[i]!) / 2 - vapourPa);
    nextGas[i] = gas[i]!;
    pipe.openedWith += gas[i]!;
  }
  pipe.isCavityOpen = true;
}

/**
 * Lets the free gas of a pipe's inner nodes move on by a step.
 *
 * A wave that meets a node now meets its neighbours at the next step and the node itself again at the one after: the grid is two grids that never meet.
 * So gas grows from what it was two steps ago, by the flow of two steps. Grown from step to step it would tie the two together where they have drifted
 * apart, and make spikes of the difference.
 *
 * @returns the largest gas of a node over its gas at one atmosphere
 * @source the staggered grid of A. Bergant, A. R. Simpson and A. S. Tijsseling, J. Fluids Struct. 22 (2006) 135
 */
export function stepCavities(kernel: Kernel, pipe: Pipe, vapourPa: number, dtS: number): number {
  return (kernel.breathe(pipe, vapourPa, 2 * dtS) * ATM_PA) / pipe.freeGas;
}
