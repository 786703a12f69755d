/** How likely a reading is for each thread: the forward model of caliper, count, hand and eye. */

import type { Thread } from '../tables/threads.ts';
import type { Seat } from './reading.ts';

/** A taper, a flank or a seat told by hand is right 95 times in 100. */
export const TOLD_RIGHT = 0.95;

/** Real female threads run up to this much above the smallest crest diameter, in. */
const FEMALE_SPREAD_IN = 0.008;

/** The range in which a good thread's crest diameter lies, in. A taper's low figure is its small end. */
export function crestRange(thread: Thread, gender: 'm' | 'f'): [low: number, high: number] {
  if (gender === 'm') return [thread.externalCrestMinIn, thread.externalMajorIn];
  return [thread.internalCrestIn, thread.internalCrestIn + FEMALE_SPREAD_IN];
}

/**
 * Log density of a diameter reading: crest even over its range, blurred by a normal error.
 *
 * @returns natural log of the density per inch; finite however far off the reading is
 */
export function logDiameter(thread: Thread, gender: 'm' | 'f', readIn: number, sigmaIn: number): number {
  const [low, high] = crestRange(thread, gender);
  // By symmetry a reading below the range is as one above it.
  const off = Math.abs(readIn - (low + high) / 2);
  const half = (high - low) / 2;
  const near = logUpperTail((off - half) / sigmaIn);
  const far = logUpperTail((off + half) / sigmaIn);
  return near + Math.log1p(-Math.exp(far - near)) - Math.log(high - low);
}

/** Log density of a count of threads with a normal error. */
export function logPitch(thread: Thread, read: number, sigma: number): number {
  const z = (read - thread.threadsPerIn) / sigma;
  return -0.5 * z * z - Math.log(sigma * Math.sqrt(2 * Math.PI));
}

export function taperedChance(thread: Thread, tapered: boolean): number {
  return thread.tapered === tapered ? TOLD_RIGHT : 1 - TOLD_RIGHT;
}

export function flankChance(thread: Thread, flankDeg: 55 | 60): number {
  return thread.includedAngleDeg === flankDeg ? TOLD_RIGHT : 1 - TOLD_RIGHT;
}

const ALL_SEATS: readonly Seat[] = ['flat', 'cone', 'flare', 'none'];

/** The seats an end of a family shows: those named share the 95 parts, the others the rest. A shank takes a flat washer or a cone. */
const SEATS_SHOWN: Record<Thread['family'], { m: Seat[]; f: Seat[] }> = {
  comp: { m: ['cone'], f: ['cone', 'flat'] },
  flare: { m: ['flare'], f: ['flare'] },
  npt: { m: ['none'], f: ['none'] },
  npsm: { m: ['flat', 'cone'], f: ['flat'] },
  bc: { m: ['flat', 'cone'], f: ['flat', 'cone'] },
  ght: { m: ['flat'], f: ['flat'] },
  aer: { m: ['flat'], f: ['flat'] },
  g: { m: ['flat'], f: ['flat'] },
  m: { m: ['flat'], f: ['flat'] },
};

export function seatChance(thread: Thread, gender: 'm' | 'f', seat: Seat): number {
  const shown = SEATS_SHOWN[thread.family][gender];
  return shown.includes(seat) ? TOLD_RIGHT / shown.length : (1 - TOLD_RIGHT) / (ALL_SEATS.length - shown.length);
}

export const seatOutcomes = ALL_SEATS;

/**
 * Natural log of the normal distribution's upper tail.
 *
 * @source Marsaglia, J. Stat. Software 11 (2004), near the middle; continued fraction, Abramowitz & Stegun 26.2.14, in the tail
 */
export function logUpperTail(z: number): number {
  if (z < -6) return Math.log1p(-Math.exp(logUpperTail(-z)));
  if (z < 2.5) return Math.log(upperTail(z));
  // Mills' ratio by its continued fraction, evaluated from the far end; it wants fewer terms the further out.
  let fraction = z;
  for (let n = Math.max(8, Math.ceil(400 / (z * z))); n >= 1; n--) fraction = z + n / fraction;
  return -0.5 * z * z - 0.5 * Math.log(2 * Math.PI) - Math.log(fraction);
}

/** The upper tail near the middle: the series of the distribution function about zero (Marsaglia 2004), exact to about 1e-15. */
function upperTail(z: number): number {
  let sum = z;
  let term = z;
  for (let i = 3; Math.abs(term) > 1e-17 * Math.abs(sum) && i < 200; i += 2) {
    term *= (z * z) / i;
    sum += term;
  }
  return 0.5 - sum * Math.exp(-0.5 * z * z - 0.5 * Math.log(2 * Math.PI));
}
