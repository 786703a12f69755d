export { readCents, readPercent } from './amount.ts';
export { boundDigits, threeDigits } from './digits.ts';
export { readFraction, turns24, withoutGlyphs, writeFraction, writeTurns } from './fraction.ts';
export { hasUnit, isMetric, readLengthIn, readThreadsPerIn } from './length.ts';
export { poissonMean } from './poisson.ts';
export {
  asTyped,
  CUPS_PER_GAL,
  coil,
  cup,
  diameter,
  flow,
  length,
  pressure,
  QUANTITIES,
  quantityWords,
  readPressurePsi,
  type Said,
  said,
  saidIn,
  saidOf,
  speed,
  temperature,
  textIn,
  type Units,
  volume,
  withQuantities,
} from './quantity.ts';
export { remember } from './remember.ts';
export { ATM_PA, boreArea, celsius, GRAVITY, J_PER_BTU, M_PER_FT, M_PER_IN, M3_PER_GAL, M3_S_PER_GPM, PA_PER_PSI } from './si.ts';
export { readTyped, type Typed, typedIn, typedUnit } from './typed.ts';
