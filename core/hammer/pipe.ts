/** A pipe's water on its way: the two waves in it, step by step. */
import { ATM_PA } from '../units/si.ts';

/**
 * A pipe of n reaches, n + 1 nodes. At each node `right` is p + Z q, the wave that leaves it downstream, and `left` is p - Z q, the wave that leaves it
 * upstream (Riemann's invariants; Z the impedance): pressure is half their sum, flow half their difference over Z. In a step each moves on by one node,
 * less the friction of the reach it crosses: `kernel.ts` does that.
 *
 * Both waves that cross a reach in a step bear the same friction, that of the mean flow at its two ends: so what friction takes from one it gives the
 * other, and no water is made or lost.
 */
export interface Pipe {
  n: number;
  /** Pa s/m3 */
  z: number;
  right: Float64Array;
  left: Float64Array;
  /** Where the next step is written. */
  nextRight: Float64Array;
  nextLeft: Float64Array;
  /** Twice the highest and the lowest pressure there so far, Pa. */
  high: Float64Array;
  low: Float64Array;
  /** Of each reach: Pa of friction for a Pa of `4 Z q`, the mean flow at its two ends. */
  resist: Float64Array;
  /** Friction of a reach, Pa, by even steps of flow; how many such steps lie in a Pa of `4 Z q`. */
  friction: Float64Array;
  perPa: number;
  /** Free gas at each node, m3, nought while it does not matter; its pressure above vapour times its volume, Pa m3. */
  gas: Float64Array;
  freeGas: number;
  /** For marks that do not count. */
  scratch: Float64Array;
}

/** Friction goes by the flow of so many steps ago at most: a wave has crossed as many reaches since. */
export const RENEW_EVERY = 4;

/** Free gas in the water of a reach, by volume at one atmosphere. @source E. B. Wylie, J. Fluids Eng. 106 (1984) 307: so little that it changes nothing else */
export const FREE_GAS = 1e-7;
/** Above vapour, Pa: over it the free gas is too small to matter, and is not reckoned. */
export const GAS_SLEEPS_PA = 0.2 * ATM_PA;
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

/** The free gas of every inner node, as it stands at the pressure there. */
export function wakeGas({ n, right, left, gas, freeGas }: Pipe, vapourPa: number): void {
  for (let i = 1; i < n; i++) gas[i] = freeGas / Math.max(1, (right[i]! + left[i]!) / 2 - vapourPa);
}

/**
 * Lets the free gas of the inner nodes grow and shrink: near the vapour's pressure it swells to the gap in which the column parts, and closes again.
 *
 * @param vapourPa gauge
 * @returns the largest gas of a node over its gas at one atmosphere
 * @source discrete gas cavities: E. B. Wylie, J. Fluids Eng. 106 (1984) 307. Gaps lie at the nodes and not where they would: after one has closed the
 *         figures are a rough guide
 */
export function letGasMove({ n, z, nextRight, nextLeft, gas, freeGas, high, low }: Pipe, vapourPa: number, dtS: number): number {
  let most = 0;
  for (let i = 1; i < n; i++) {
    const [come, back] = [nextRight[i]!, nextLeft[i]!];
    const u = aboveVapour(gas[i]!, 2 / z, (come + back - 2 * vapourPa) / z, freeGas, dtS);
    const twice = 2 * (u + vapourPa);
    gas[i] = freeGas / u;
    nextRight[i] = twice - back;
    nextLeft[i] = twice - come;
    if (twice > high[i]!) high[i] = twice;
    if (twice < low[i]!) low[i] = twice;
    if (gas[i]! > most) most = gas[i]!;
  }
  return (most * ATM_PA) / freeGas;
}

/** Pa, gauge: where gas holds two flows apart, what its volume says. */
export const pressureAt = ({ gas, freeGas, right, left }: Pipe, i: number, vapourPa: number): number =>
  gas[i]! > 0 ? freeGas / gas[i]! + vapourPa : (right[i]! + left[i]!) / 2;

export function swap(pipe: Pipe): void {
  [pipe.right, pipe.nextRight] = [pipe.nextRight, pipe.right];
  [pipe.left, pipe.nextLeft] = [pipe.nextLeft, pipe.left];
}
