/** How fast a change of pressure runs along a tube, and what stopping the water costs. */
import type { Water } from '../../flow/index.ts';
import { boreArea } from '../../units/index.ts';

/** A tube's wall as it gives: SI. */
export interface Walled {
  boreM: number;
  wallM: number;
  modulusPa: number;
}

/**
 * Wave speed, m/s: that of sound in the water, slowed by the wall that gives.
 *
 * @source D. J. Korteweg (1878): a = sqrt(K / rho) / sqrt(1 + K D / (E e)), its anchoring factor taken as 1
 */
export const waveSpeed = ({ boreM, wallM, modulusPa }: Walled, { bulkPa, density }: Water): number =>
  Math.sqrt(bulkPa / density) / Math.sqrt(1 + (bulkPa * boreM) / (modulusPa * wallM));

/** Pressure over flow of a wave in a tube, Pa s/m3: what a change of flow costs at once. @source N. Joukowsky (1898) */
export const impedance = (boreM: number, waveM: number, density: number): number => (density * waveM) / boreArea(boreM);
