import { finite, InputError } from '../errors.ts';
import { poissonMean } from '../units/index.ts';

/** Joints of one age: how long they stood under water between two ages, and how many came back then. */
export interface AtAge {
  /** Years that all of them together stood in it. */
  jointYears: number;
  callbacks: number;
}

/**
 * How often joints of an age come back, with its 95 % interval; also where none did.
 *
 * @returns callbacks in 1,000 joint-years; null where no joint was ever that old
 * @throws InputError for years below 0, or a count that is none
 * @source Poisson events over exposure; exact (Garwood) interval, Biometrika 28 (1936)
 */
export function callbacksOverTime({ jointYears, callbacks }: AtAge): { mean: number; low: number; high: number } | null {
  const years = finite('joint-years', jointYears, { atLeast: 0 });
  const count = finite('callbacks', callbacks, { atLeast: 0, atMost: 1e6 });
  if (!Number.isInteger(count)) throw new InputError('callbacks', callbacks, 'Give a whole number.');
  if (years === 0) return null;
  const { low, high } = poissonMean(count);
  const per = 1000 / years;
  return { mean: count * per, low: low * per, high: high * per };
}
