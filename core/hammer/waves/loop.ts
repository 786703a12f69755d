/**
 * The inner loop of a transient, plainly: what `kernel.wat` says for the engine's compiler. It runs where the compiled one may not, and a test holds the
 * two equal to the last digit.
 */
import { LAST_STEP, LEAST_STEP } from './friction-table.ts';

/**
 * Moves both waves on by a step.
 *
 * @param n      reaches; the arrays but `resist` have n + 1 nodes
 * @param resist of each reach: Pa of friction for a Pa of `4 Z q`
 * @param high,low marks of twice the pressure at the inner nodes, Pa
 * @returns twice the lowest pressure at an inner node, Pa
 */
export function advanceHere(
  n: number,
  right: Float64Array,
  left: Float64Array,
  nextRight: Float64Array,
  nextLeft: Float64Array,
  resist: Float64Array,
  high: Float64Array,
  low: Float64Array,
): number {
  let least = Number.POSITIVE_INFINITY;
  let [r0, r1, l1] = [right[0]!, right[1]!, left[1]!];
  let f = resist[0]! * (r0 - left[0]! + r1 - l1);
  nextLeft[0] = l1 + f;
  for (let i = 1; i < n; i++) {
    const arrives = r0 - f;
    const here = r1 - l1;
    r0 = r1;
    r1 = right[i + 1]!;
    l1 = left[i + 1]!;
    f = resist[i]! * (here + r1 - l1);
    const back = l1 + f;
    nextRight[i] = arrives;
    nextLeft[i] = back;
    const twice = arrives + back;
    if (twice > high[i]!) high[i] = twice;
    if (twice < low[i]!) low[i] = twice;
    if (twice < least) least = twice;
  }
  nextRight[n] = r0 - f;
  return least;
}

/** Friction of every reach by its flow of now. @param friction Pa of a reach by even steps of flow, `perPa` of them in a Pa of `4 Z q` */
export function renewHere(n: number, right: Float64Array, left: Float64Array, resist: Float64Array, friction: Float64Array, perPa: number): void {
  for (let i = 0; i < n; i++) {
    const x = Math.max(LEAST_STEP, perPa * Math.abs(right[i]! - left[i]! + right[i + 1]! - left[i + 1]!));
    const k = x < LAST_STEP ? x | 0 : LAST_STEP;
    resist[i] = ((friction[k]! + (x - k) * (friction[k + 1]! - friction[k]!)) * perPa) / x;
  }
}

/**
 * Lets the free gas of the inner nodes grow and shrink, so that its pressure above the vapour's times its volume stays: `aboveVapour` in `cavity.ts` for
 * each, its constants drawn out.
 *
 * @param y      what an upstep of pressure drives out of a node, m3/s for a Pa
 * @param vapour gauge, Pa
 * @param free   gas pressure above vapour times volume, Pa m3
 * @returns the largest gas of a node, m3
 */
export function breatheHere(
  n: number,
  nextRight: Float64Array,
  nextLeft: Float64Array,
  gas: Float64Array,
  high: Float64Array,
  low: Float64Array,
  y: number,
  vapour: number,
  free: number,
  dtS: number,
): number {
  const perPa = (y * dtS) / 2;
  const four = 4 * y * dtS * free;
  const twoFree = 2 * free;
  const perRoot = 1 / (2 * y * dtS);
  const twoVapour = 2 * vapour;
  let most = 0;
  for (let i = 1; i < n; i++) {
    const come = nextRight[i]!;
    const back = nextLeft[i]!;
    const b = gas[i]! - perPa * (come + back - twoVapour);
    const root = Math.sqrt(b * b + four);
    const above = b > 0 ? twoFree / (b + root) : (root - b) * perRoot;
    const twice = 2 * (above + vapour);
    const volume = free / above;
    gas[i] = volume;
    nextRight[i] = twice - back;
    nextLeft[i] = twice - come;
    if (twice > high[i]!) high[i] = twice;
    if (twice < low[i]!) low[i] = twice;
    if (volume > most) most = volume;
  }
  return most;
}
