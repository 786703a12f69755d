/** Friction of one reach by its flow, looked up: quasi-steady, the factor of each moment's own flow. */
import { type Bored, lossPa, type Water } from '../../flow/index.ts';

/** Even steps of the flow, up to so many times the one it ran with; beyond, by the square. */
const STEPS = 512;
const TIMES = 2;

export interface FrictionTable {
  /** Pa over a reach, at 0, 1 ... steps of `stepM3S`. */
  pa: Float64Array;
  stepM3S: number;
}

export function frictionTable(reach: Bored, flowM3S: number, water: Water): FrictionTable {
  const stepM3S = (TIMES * flowM3S) / STEPS;
  // One more at the end, so that what lies in the last step has a far side.
  const pa = Float64Array.from({ length: STEPS + 2 }, (_, i) => lossPa(reach, i * stepM3S, water));
  return { pa, stepM3S };
}

/** @param flow >= 0, m3/s */
export function lookedUp({ pa, stepM3S }: FrictionTable, flow: number): number {
  const x = flow / stepM3S;
  const i = Math.min(x | 0, STEPS);
  return pa[i]! + (x - i) * (pa[i + 1]! - pa[i]!);
}

export const LAST_STEP = STEPS;
/** So near to rest, in steps of the table, friction is in proportion to the flow. */
export const LEAST_STEP = 1e-6;
