import { type Reason, reason } from '../../reason.ts';
import { diameter, said, writeFraction } from '../../units/index.ts';
import { type Thread, threads } from '../tables/threads.ts';
import { crestRange, flankChance, logDiameter, logPitch, seatChance, taperedChance } from './evidence.ts';
import { type Measure, nextMeasure } from './next-measure.ts';
import { type CheckedReading, checkReading, type ThreadReading } from './reading.ts';

export interface Candidate {
  /** Id in the table of threads. */
  thread: string;
  probability: number;
  because: Reason[];
}

export interface Identification {
  /** Every thread there is, the likeliest first; probabilities add up to 1. */
  candidates: Candidate[];
  /** The smallest set that holds 95 %. */
  answer: string[];
  /** Nothing known fits the readings: measure again. */
  unlike: boolean;
  /** What to measure next, and how much it is expected to tell; null when nothing would tell more. */
  next: { measure: Measure; gainBits: number } | null;
}

/** A thread among the appliance's usual inlets is met this many times as often there. */
const SEEN_ON_FACTOR = 4;

const HELD = 0.95;

/** Candidates less likely than this are not argued one by one. */
const SPOKEN_FOR = 1e-4;
const FAR_OFF: Reason[] = [reason('far-off', 'The readings are far from this thread.')];

/** Best candidate further off than this many sigma: unlike anything known. */
const UNLIKE_SIGMA = 4;

/**
 * Which thread is it? A Bayesian answer with honest ambiguity.
 *
 * Prior: how often a thread is met in this work, times 4 among the usual inlets of the appliance it was seen on. Likelihood: the crest diameter
 * lies evenly over the thread's range and is read with a normal error; threads are counted with a normal error; taper, flank and seat told by
 * hand are right 95 times in 100. With the gender alone the answer is the prior.
 *
 * @param reading diameters in inches (0.1 to 3), pitch in threads per inch (4 to 60), errors as one sigma
 * @throws InputError for readings outside these ranges, or an appliance that is not known
 * @source Bayes' rule; thread standards: ASME B1.20.1 and B1.20.7, SAE J512, ISO 228-1, for ranges, errors and priors
 */
export function identifyThread(reading: ThreadReading): Identification {
  const r = checkReading(reading);
  const logs = threads.map((t) => Math.log(priorOf(t, r)) + logLikelihood(t, r));
  const posterior = normalised(logs);
  const order = threads.map((_, i) => i).sort((a, b) => posterior[b]! - posterior[a]! || a - b);
  let held = 0;
  const answer: string[] = [];
  for (const i of order) {
    answer.push(threads[i]!.id);
    held += posterior[i]!;
    if (held >= HELD - 1e-12) break;
  }
  return {
    candidates: order.map((i) => ({
      thread: threads[i]!.id,
      probability: posterior[i]!,
      because: posterior[i]! < SPOKEN_FOR ? FAR_OFF : reasonsFor(threads[i]!, r),
    })),
    answer,
    unlike: Math.min(...threads.map((t) => sigmasOff(t, r))) > UNLIKE_SIGMA,
    next: nextMeasure(posterior, r),
  };
}

function priorOf(thread: Thread, r: CheckedReading): number {
  return thread.priorWeight * (r.likely?.has(thread.id) ? SEEN_ON_FACTOR : 1);
}

function logLikelihood(thread: Thread, r: CheckedReading): number {
  let log = 0;
  if (r.diameterIn !== null) log += logDiameter(thread, r.gender, r.diameterIn, r.diameterSigmaIn);
  if (r.threadsPerIn !== null) log += logPitch(thread, r.threadsPerIn, r.threadsSigma);
  if (r.tapered !== null) log += Math.log(taperedChance(thread, r.tapered));
  if (r.flankDeg !== null) log += Math.log(flankChance(thread, r.flankDeg));
  if (r.seat !== null) log += Math.log(seatChance(thread, r.gender, r.seat));
  return log;
}

/** Probabilities from logarithms, however small. */
function normalised(logs: number[]): number[] {
  const most = Math.max(...logs);
  const weights = logs.map((l) => Math.exp(l - most));
  const sum = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / sum);
}

/** How far off the worse of the two figures is, in its own sigma; a diameter within the thread's range is not off at all. */
function sigmasOff(thread: Thread, r: CheckedReading): number {
  const pitch = r.threadsPerIn === null ? 0 : Math.abs(r.threadsPerIn - thread.threadsPerIn) / r.threadsSigma;
  return Math.max(pitch, r.diameterIn === null ? 0 : outside(thread, r) / r.diameterSigmaIn);
}

/** Inches by which the diameter read lies outside the thread's range. */
function outside(thread: Thread, r: CheckedReading): number {
  const [low, high] = crestRange(thread, r.gender);
  const read = r.diameterIn as number;
  return Math.max(0, low - read, read - high);
}

function reasonsFor(thread: Thread, r: CheckedReading): Reason[] {
  const out: Reason[] = [];
  const { source } = thread;
  if (r.diameterIn !== null) {
    const [low, high] = crestRange(thread, r.gender);
    const off = outside(thread, r);
    const [read, from, to] = [diameter(r.diameterIn), diameter(low, 3), diameter(high, 3)];
    const text = off === 0 ? said`${read} lies within its ${from} to ${to}.` : said`${read} is ${diameter(off, 3)} outside its ${from} to ${to}.`;
    out.push(reason('diameter', text, { source, figures: { low, high, sigmas: off / r.diameterSigmaIn } }));
  }
  if (r.threadsPerIn !== null) {
    const off = (r.threadsPerIn - thread.threadsPerIn) / r.threadsSigma;
    const text = `It has ${writeFraction(thread.threadsPerIn, 2)} threads an inch, ${r.threadsPerIn} were read: ${Math.abs(off).toFixed(1)} sigma off.`;
    out.push(reason('pitch', text, { source, figures: { sigmas: off } }));
  }
  if (r.tapered !== null) out.push(reason('taper', thread.tapered ? 'It is tapered, 1 in 16.' : 'It is straight.', { source }));
  if (r.flankDeg !== null) out.push(reason('flank', `Its flanks stand at ${thread.includedAngleDeg} degrees.`, { source }));
  if (r.likely?.has(thread.id)) {
    out.push(reason('seen-on', `It is among the usual inlets there: ${SEEN_ON_FACTOR} times as likely beforehand.`, { source: 'appliance table' }));
  }
  return out;
}
