/** Readings of the gauge as they are typed. */
import { hasUnit, isMetric, lengthTyped, readLengthIn, readThreadsPerIn, type ThreadReading, type Units } from '../../../core/index.ts';

export interface Typed {
  gender: 'm' | 'f';
  diameter: string;
  by: 'caliper' | 'ruler';
  pitch: string;
  pitchBy: 'count' | 'gauge';
  tapered: 'yes' | 'no' | 'unsure';
  flank: '55' | '60' | 'unsure';
  seat: 'flat' | 'cone' | 'flare' | 'none' | 'unsure';
  seenOn: string;
}

/** A hand's errors, one sigma. */
const SIGMA = { caliper: 0.005, ruler: 0.02, count: 1, gauge: 0.3 };

export function readingOf(t: Typed, units: Units): ThreadReading {
  const diameterIn = t.diameter.trim() === '' ? undefined : (readLengthIn(lengthTyped(t.diameter, units)) ?? Number.NaN);
  const threadsPerIn = t.pitch.trim() === '' ? undefined : (readThreadsPerIn(t.pitch) ?? Number.NaN);
  return {
    gender: t.gender,
    ...(diameterIn === undefined ? {} : { diameterIn, diameterSigmaIn: SIGMA[t.by] }),
    ...(threadsPerIn === undefined ? {} : { threadsPerIn, threadsSigma: SIGMA[t.pitchBy] }),
    tapered: t.tapered,
    ...(t.flank === 'unsure' ? {} : { flankDeg: t.flank === '55' ? 55 : 60 }),
    seat: t.seat,
    ...(t.seenOn === '' ? {} : { seenOn: t.seenOn }),
  };
}

/** A metric reading said in inches, for it is what the tables are in. */
export function inInches(typed: string, units: Units): string {
  const text = lengthTyped(typed, units);
  const inches = isMetric(text) ? readLengthIn(text) : null;
  return inches === null ? '' : `${inches.toFixed(3)} in`;
}

/** No water thread is so wide, in; what is read larger without a unit is likely millimetres. */
const WIDEST_IN = 3;

/** The same reading in millimetres, where it makes sense only so: '20.9' as '20.9 mm'; null otherwise. */
export function maybeMm(text: string): string | null {
  const value = hasUnit(text) ? null : readLengthIn(text);
  return value !== null && value > WIDEST_IN && value <= WIDEST_IN * 25.4 ? `${text.trim()} mm` : null;
}

/** What a measurement is worth, in words; the figure stands in its reason. */
export function worth(gainBits: number): string {
  if (gainBits >= 1.5) return 'It should leave one or two.';
  if (gainBits >= 0.7) return 'It should rule out about half of what is left.';
  return 'It helps a little, and more than anything else.';
}
