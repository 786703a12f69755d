/** The trade's units in SI, where flow and hammer are reckoned. Exact by definition but for gravity, which is the standard one. */

export const M_PER_IN = 0.0254;
export const M_PER_FT = 0.3048;
export const PA_PER_PSI = 6894.757293168361;
export const M3_PER_GAL = 0.003785411784;
export const M3_S_PER_GPM = M3_PER_GAL / 60;
/** Standard atmosphere, Pa: gauge pressures stand above it. */
export const ATM_PA = 101_325;
/** m/s2 */
export const GRAVITY = 9.80665;
/** Joules of a British thermal unit, by the international table. */
export const J_PER_BTU = 1055.05585262;

export const celsius = (degF: number): number => (degF - 32) / 1.8;
/** Of a round bore, m2. */
export const boreArea = (boreM: number): number => (Math.PI / 4) * boreM * boreM;
