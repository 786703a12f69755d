import { finite, InputError } from '../../errors.ts';
import { inletThreads, knownAppliances } from '../tables/inlets.ts';

export type Seat = 'flat' | 'cone' | 'flare' | 'none';

/** What was measured or seen of a thread. */
export interface ThreadReading {
  gender: 'm' | 'f';
  /** At the crests: outside of a male thread, inside of a female one; 0.1 to 3 in. */
  diameterIn?: number;
  /** One sigma, in; 0.005 (caliper) unless given, 0.02 with a ruler. */
  diameterSigmaIn?: number;
  /** 4 to 60. */
  threadsPerIn?: number;
  /** One sigma; 1 (counted over half an inch) unless given. */
  threadsSigma?: number;
  tapered?: 'yes' | 'no' | 'unsure';
  flankDeg?: 55 | 60;
  seat?: Seat | 'unsure';
  /** Id of an appliance. */
  seenOn?: string;
}

export const CALIPER_SIGMA_IN = 0.005;
export const COUNT_SIGMA = 1;

const SEATS: readonly string[] = ['flat', 'cone', 'flare', 'none', 'unsure'];

/** A reading with its errors filled in; null where nothing was read. */
export interface CheckedReading {
  gender: 'm' | 'f';
  diameterIn: number | null;
  diameterSigmaIn: number;
  threadsPerIn: number | null;
  threadsSigma: number;
  tapered: boolean | null;
  flankDeg: 55 | 60 | null;
  seat: Seat | null;
  likely: ReadonlySet<string> | null;
}

/** @throws InputError naming the reading, its value and what would do */
export function checkReading(r: ThreadReading): CheckedReading {
  if (r.gender !== 'm' && r.gender !== 'f') throw new InputError('gender', r.gender, "Say 'm' for a male thread or 'f' for a female one.");
  if (r.flankDeg !== undefined && r.flankDeg !== 55 && r.flankDeg !== 60) throw new InputError('flank', r.flankDeg, 'It is 55 or 60 degrees.');
  if (r.tapered !== undefined && !['yes', 'no', 'unsure'].includes(r.tapered))
    throw new InputError('taper', r.tapered, "Say 'yes', 'no' or 'unsure'.");
  if (r.seat !== undefined && !SEATS.includes(r.seat)) throw new InputError('seat', r.seat, `Say one of ${SEATS.join(', ')}.`);
  const likely = r.seenOn === undefined ? undefined : inletThreads(r.seenOn);
  if (r.seenOn !== undefined && !likely) throw new InputError('seen on', r.seenOn, `Name one of ${knownAppliances.join(', ')}.`);
  return {
    gender: r.gender,
    diameterIn: r.diameterIn === undefined ? null : finite('diameter', r.diameterIn, { atLeast: 0.1, atMost: 3 }),
    diameterSigmaIn: finite('error of the diameter', r.diameterSigmaIn ?? CALIPER_SIGMA_IN, { above: 0, atMost: 1 }),
    threadsPerIn: r.threadsPerIn === undefined ? null : finite('threads per inch', r.threadsPerIn, { atLeast: 4, atMost: 60 }),
    threadsSigma: finite('error of the threads per inch', r.threadsSigma ?? COUNT_SIGMA, { above: 0, atMost: 20 }),
    tapered: r.tapered === undefined || r.tapered === 'unsure' ? null : r.tapered === 'yes',
    flankDeg: r.flankDeg ?? null,
    seat: r.seat === undefined || r.seat === 'unsure' ? null : r.seat,
    likely: likely ?? null,
  };
}
