/** Darcy's friction factor of a round pipe. */

/** Below it the flow is laminar, above the other turbulent; between them it is either, and neither for long. */
const LAMINAR_TO = 2300;
const TURBULENT_FROM = 4000;
const LN10 = Math.LN10;

/**
 * Friction factor by Colebrook and White, solved to the last digits.
 *
 * With x = 1 / sqrt(f): x + 2 log10(k / 3.7 + 2.51 x / Re) = 0, whose left side rises and is nearly straight: two steps of Newton from an explicit
 * guess are enough, three leave nothing.
 *
 * @source C. F. Colebrook, J. Inst. Civ. Eng. 11 (1939) 133; first guess by S. E. Haaland, J. Fluids Eng. 105 (1983) 89
 */
function colebrook(reynolds: number, roughness: number): number {
  const [a, b] = [roughness / 3.7, 2.51 / reynolds];
  let x = -1.8 * Math.log10(a ** 1.11 + 6.9 / reynolds);
  for (let i = 0; i < 3; i++) {
    const inside = a + b * x;
    x -= (x + (2 / LN10) * Math.log(inside)) / (1 + ((2 / LN10) * b) / inside);
  }
  return 1 / (x * x);
}

/** A step in Reynolds' number for the slope at the turbulent end: the blend leaves it without a corner. */
const SLOPE_STEP = 1;

/**
 * Darcy friction factor.
 *
 * Laminar 64 / Re up to 2300; Colebrook-White from 4000; between them a cubic in Re that meets both in value and slope, so that a solver finds no corner
 * there. What a line does between the two is not known: this is a convention.
 *
 * @param reynolds  > 0
 * @param roughness of the wall over the bore, 0 to 0.05
 * @source H. Darcy and J. Weisbach; G. Hagen and J. L. M. Poiseuille for the laminar part
 */
export function frictionFactor(reynolds: number, roughness: number): number {
  if (reynolds <= LAMINAR_TO) return 64 / reynolds;
  if (reynolds >= TURBULENT_FROM) return colebrook(reynolds, roughness);
  const span = TURBULENT_FROM - LAMINAR_TO;
  const [f0, f1] = [64 / LAMINAR_TO, colebrook(TURBULENT_FROM, roughness)];
  const m0 = (-f0 / LAMINAR_TO) * span;
  const m1 = ((colebrook(TURBULENT_FROM + SLOPE_STEP, roughness) - f1) / SLOPE_STEP) * span;
  const s = (reynolds - LAMINAR_TO) / span;
  const [s2, s3] = [s * s, s * s * s];
  return f0 * (2 * s3 - 3 * s2 + 1) + m0 * (s3 - 2 * s2 + s) + f1 * (3 * s2 - 2 * s3) + m1 * (s3 - s2);
}
