import { seals } from '../ends/seals.ts';

/** Expected callbacks of a joint by its seal's place in the table, from 0 to 1. */
export const sealRates = Float64Array.from(seals, (s) => s.callbacksPer1000 / 1000);
