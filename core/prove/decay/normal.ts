import { finite } from '../../errors.ts';

/** Coefficients of the central and the outer rational approximation. */
const A = [-39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716, 2.506628277459239] as const;
const B = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572, 1] as const;
const C = [-0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968, 2.938163982698783] as const;
const D = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416, 1] as const;
const OUTER = 0.02425;

const horner = (coefficients: readonly number[], x: number): number => coefficients.reduce((sum, c) => sum * x + c, 0);

/**
 * Where a standard normal distribution has this share below it.
 *
 * @param share 0 to 1, both left out
 * @returns     to within 1.15e-9 relative
 * @source      rational approximation by P. J. Acklam (2003)
 */
export function normalQuantile(share: number): number {
  finite('share', share, { above: 0 });
  finite('share', 1 - share, { above: 0 });
  if (share > 1 - OUTER) return -normalQuantile(1 - share);
  if (share < OUTER) {
    const q = Math.sqrt(-2 * Math.log(share));
    return horner(C, q) / horner(D, q);
  }
  const q = share - 0.5;
  const r = q * q;
  return (horner(A, r) * q) / horner(B, r);
}

/** The same for a two-sided interval: 1.96 of 0.95. */
export const twoSided = (confidence: number): number => normalQuantile((1 + finite('confidence', confidence, { above: 0, atMost: 0.999999 })) / 2);
