import { finite, InputError } from '../errors.ts';

/** Two-sided 95 % point of the normal distribution. */
const Z = 1.959963984540054;

/**
 * Share of joints that came back, with a 95 % interval that is sensible at zero.
 *
 * @param c.joints    joints made, a whole number >= 0
 * @param c.callbacks callbacks among them, 0 to `joints`
 * @returns           shares from 0 to 1; with no joints nothing is known: 0, from 0 to 1
 * @source            Wilson score interval, J. Am. Stat. Assoc. 22 (1927)
 */
export function callbackRate(c: { joints: number; callbacks: number }): { mean: number; low: number; high: number } {
  const n = finite('joints', c.joints, { atLeast: 0 });
  const k = finite('callbacks', c.callbacks, { atLeast: 0 });
  if (k > n) throw new InputError('callbacks', k, `There are only ${n} joints.`);
  if (n === 0) return { mean: 0, low: 0, high: 1 };
  const p = k / n;
  const z2 = Z * Z;
  const centre = (p + z2 / (2 * n)) / (1 + z2 / n);
  const half = (Z * Math.sqrt((p * (1 - p)) / n + z2 / (4 * n * n))) / (1 + z2 / n);
  return { mean: p, low: k === 0 ? 0 : centre - half, high: k === n ? 1 : centre + half };
}
