/** The line's give: what volume makes what pressure, measured by letting a known volume out. */
import { finite, InputError } from '../../errors.ts';

/** A measured volume let out, and the gauge before and after it. */
export interface LetOut {
  ml: number;
  psiBefore: number;
  psiAfter: number;
}

/** How much the pressure falls for each millilitre, psi, and its standard error: normally distributed, as its reciprocal, the give, is not. */
export interface Fall {
  psiPerMl: number;
  sigma: number;
}

/** The weights hang on the answer a little: so often it is put in again. */
const ROUNDS = 4;

/**
 * By weighted least squares through nought: what was let out is known to `mlSigmaPart`, each of the two readings to `gaugeSigmaPsi`.
 *
 * @throws InputError where the pressure did not fall, or not by enough to be told from the gauge's own error
 */
export function fallPerMl(letOut: readonly LetOut[], gaugeSigmaPsi: number, mlSigmaPart: number): Fall {
  if (letOut.length === 0) throw new InputError('letOut', '', 'Let a measured volume out at least once, and read the gauge before and after.');
  const rows = letOut.map(({ ml, psiBefore, psiAfter }, i) => ({
    ml: finite(`letOut ${i + 1}, ml`, ml, { above: 0, atMost: 100_000 }),
    fall: finite(`letOut ${i + 1}, before`, psiBefore) - finite(`letOut ${i + 1}, after`, psiAfter),
  }));
  let psiPerMl = rows.reduce((sum, r) => sum + r.fall, 0) / rows.reduce((sum, r) => sum + r.ml, 0);
  let weightOfAll = 0;
  for (let round = 0; round < ROUNDS; round++) {
    let [top, bottom] = [0, 0];
    for (const { ml, fall } of rows) {
      const weight = 1 / (2 * gaugeSigmaPsi ** 2 + (psiPerMl * ml * mlSigmaPart) ** 2);
      top += weight * ml * fall;
      bottom += weight * ml * ml;
    }
    psiPerMl = top / bottom;
    weightOfAll = bottom;
  }
  const sigma = 1 / Math.sqrt(weightOfAll);
  if (!(psiPerMl > 0))
    throw new InputError('letOut', psiPerMl, 'The pressure did not fall as water was let out: is the line shut, and the gauge on it?');
  return { psiPerMl, sigma };
}
