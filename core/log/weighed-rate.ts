import { finite } from '../errors.ts';
import { callbackRate } from './callback-rate.ts';

/** What a first guess is worth: so many joints that nobody has to have made. */
export const GUESS_JOINTS = 500;

export interface WeighedRate {
  /** The first guess, a share of joints. */
  guess: number;
  /** What the shop itself has seen, with its 95 % interval. */
  own: { joints: number; callbacks: number; mean: number; low: number; high: number };
  /** Both together: what is reckoned with. */
  weighed: number;
}

/**
 * The callbacks to expect of a seal: the first guess and the shop's own record, each by what it is worth.
 *
 * The mean of a share whose beta prior has the guess for its mean and `GUESS_JOINTS` for its strength: with few joints the guess stands, with many the shop's own.
 *
 * @param w.guess     share of joints, from 0 to 1
 * @param w.joints    joints the shop made, >= 0
 * @param w.callbacks how many of them came back
 * @source conjugate beta prior of a binomial share (any textbook of Bayesian statistics)
 */
export function weighedRate(w: { guess: number; joints: number; callbacks: number }): WeighedRate {
  const guess = finite('guess', w.guess, { atLeast: 0, atMost: 1 });
  const own = { joints: w.joints, callbacks: w.callbacks, ...callbackRate(w) };
  return { guess, own, weighed: (guess * GUESS_JOINTS + w.callbacks) / (GUESS_JOINTS + w.joints) };
}
