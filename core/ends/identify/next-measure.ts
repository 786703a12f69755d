/** Which measurement would tell most about a thread: expected information, in bits. */

import { threads } from '../tables/threads.ts';
import { flankChance, logDiameter, logPitch, seatChance, seatOutcomes, taperedChance } from './evidence.ts';
import { CALIPER_SIGMA_IN, type CheckedReading } from './reading.ts';

export type Measure = 'diameter' | 'pitch' | 'taper' | 'flank' | 'seat';

/** A pitch gauge tells 24 from 25.4 threads an inch, as no count does: one sigma. */
const PITCH_GAUGE_SIGMA = 0.3;

/** Less than this is not worth the trouble, bits. */
const WORTH_BITS = 0.01;

/** Reach of a blurred reading beyond a thread's own figures, in sigma. */
const REACH = 4.5;

/** What a measurement would read for each thread: probabilities by outcome, with each thread's own uncertainty in bits. */
interface Forecast {
  outcomes: number;
  /** By thread: first outcome and the chances from there on. */
  rows: { first: number; chances: Float64Array; bits: number }[];
}

/**
 * The measurement not yet made (or made coarsely) that is expected to narrow the candidates most.
 *
 * Gain = H(outcome) - sum of p(thread) H(outcome | thread): the mutual information of thread and outcome.
 *
 * @param posterior probability by thread, in the order of the table
 * @returns null when no measurement is worth it
 */
export function nextMeasure(posterior: number[], r: CheckedReading): { measure: Measure; gainBits: number } | null {
  const open: [Measure, boolean][] = [
    ['diameter', r.diameterIn === null || r.diameterSigmaIn > 2 * CALIPER_SIGMA_IN],
    ['pitch', r.threadsPerIn === null || r.threadsSigma > 2 * PITCH_GAUGE_SIGMA],
    ['taper', r.tapered === null],
    ['flank', r.flankDeg === null],
    ['seat', r.seat === null],
  ];
  let best: { measure: Measure; gainBits: number } | null = null;
  for (const [measure, still] of open) {
    if (!still) continue;
    const gainBits = gain(posterior, forecasts(r.gender)[measure]);
    if (gainBits > (best?.gainBits ?? WORTH_BITS)) best = { measure, gainBits };
  }
  return best;
}

function gain(posterior: number[], forecast: Forecast): number {
  const mixed = new Float64Array(forecast.outcomes);
  let own = 0;
  forecast.rows.forEach((row, i) => {
    const p = posterior[i]!;
    if (p < 1e-9) return;
    own += p * row.bits;
    for (let n = 0; n < row.chances.length; n++) mixed[row.first + n]! += p * row.chances[n]!;
  });
  return Math.max(0, entropyBits(mixed) - own);
}

function entropyBits(chances: ArrayLike<number>): number {
  let bits = 0;
  for (let i = 0; i < chances.length; i++) if (chances[i]! > 0) bits -= chances[i]! * Math.log2(chances[i]!);
  return bits;
}

const known = new Map<'m' | 'f', Record<Measure, Forecast>>();

/** They depend on the tables alone, so they are worked out once. */
function forecasts(gender: 'm' | 'f'): Record<Measure, Forecast> {
  let found = known.get(gender);
  if (!found) {
    found = {
      diameter: onScale(
        { from: 0.2, to: 1.4, step: CALIPER_SIGMA_IN / 2 },
        (i, x) => logDiameter(threads[i]!, gender, x, CALIPER_SIGMA_IN),
        (i) => {
          const { externalMajorIn, internalCrestIn } = threads[i]!;
          const [middle, spread] = gender === 'm' ? [externalMajorIn - 0.016, 0.02] : [internalCrestIn + 0.004, 0.008];
          return [middle - spread - REACH * CALIPER_SIGMA_IN, middle + spread + REACH * CALIPER_SIGMA_IN];
        },
      ),
      pitch: onScale(
        { from: 4, to: 40, step: PITCH_GAUGE_SIGMA / 2 },
        (i, x) => logPitch(threads[i]!, x, PITCH_GAUGE_SIGMA),
        (i) => [threads[i]!.threadsPerIn - REACH * PITCH_GAUGE_SIGMA, threads[i]!.threadsPerIn + REACH * PITCH_GAUGE_SIGMA],
      ),
      taper: ofOutcomes([true, false], (i, tapered) => taperedChance(threads[i]!, tapered)),
      flank: ofOutcomes([55, 60] as const, (i, deg) => flankChance(threads[i]!, deg)),
      seat: ofOutcomes(seatOutcomes, (i, seat) => seatChance(threads[i]!, gender, seat)),
    };
    known.set(gender, found);
  }
  return found;
}

function ofOutcomes<T>(outcomes: readonly T[], chance: (thread: number, outcome: T) => number): Forecast {
  const rows = threads.map((_, i) => {
    const chances = Float64Array.from(outcomes, (o) => chance(i, o));
    return { first: 0, chances, bits: entropyBits(chances) };
  });
  return { outcomes: outcomes.length, rows };
}

/** A continuous reading cut into equal steps, each thread only over its own reach. */
function onScale(
  scale: { from: number; to: number; step: number },
  log: (thread: number, x: number) => number,
  reach: (thread: number) => [low: number, high: number],
): Forecast {
  const rows = threads.map((_, i) => {
    const [low, high] = reach(i);
    const first = Math.max(0, Math.floor((low - scale.from) / scale.step));
    const count = Math.ceil((high - low) / scale.step) + 1;
    const chances = Float64Array.from({ length: count }, (_, n) => Math.exp(log(i, scale.from + (first + n + 0.5) * scale.step)));
    const sum = chances.reduce((a, b) => a + b, 0);
    for (let n = 0; n < count; n++) chances[n]! /= sum;
    return { first, chances, bits: entropyBits(chances) };
  });
  const outcomes = Math.max(...rows.map((row) => row.first + row.chances.length));
  return { outcomes, rows };
}
