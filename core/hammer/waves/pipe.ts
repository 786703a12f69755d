/** A pipe's water on its way: the two waves in it, step by step. */
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
  /** Free gas at each node, m3, nought before it wakes, now; its pressure above vapour times its volume, Pa m3. */
  gas: Float64Array;
  /** That of the step before, on which the next step is written. */
  nextGas: Float64Array;
  freeGas: number;
  /** Whether it moves; what it was of the whole pipe when it began to, m3. */
  isCavityOpen: boolean;
  openedWith: number;
  /** For marks that do not count. */
  scratch: Float64Array;
  /** Where a compiled kernel finds these, and which way round now and next stand there. */
  place: number;
  turn: 0 | 1;
}

/** Friction goes by the flow of so many steps ago at most: a wave has crossed as many reaches since. */
export const RENEW_EVERY = 4;

/** Pa, gauge: where gas holds two flows apart, what its volume says. */
export const pressureAt = ({ gas, freeGas, right, left }: Pipe, i: number, vapourPa: number): number =>
  gas[i]! > 0 ? freeGas / gas[i]! + vapourPa : (right[i]! + left[i]!) / 2;

/** What is written for the next step is now. */
export function swap(pipe: Pipe): void {
  const { right, left, gas } = pipe;
  pipe.right = pipe.nextRight;
  pipe.left = pipe.nextLeft;
  pipe.gas = pipe.nextGas;
  pipe.nextRight = right;
  pipe.nextLeft = left;
  pipe.nextGas = gas;
  pipe.turn = pipe.turn === 0 ? 1 : 0;
}
