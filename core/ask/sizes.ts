/** Sizes that are said once for two ends, or after the thing: 'copper to pex, half inch', 'a copper line in the wall, half inch', '3/4 to 1/2 copper'. */
import { NO_SIZE_SAID, parseEnd, type Reading, readEnd, sizesIn } from '../ends/index.ts';

/** What is said of one thing, as far as a size goes. */
export interface Sized {
  text: string;
  readings: readonly Reading[];
}

const SIZE_ALONE =
  /^(?:(?:an?|the|one|its|of)\s+)*(?:[\d/ .-]+(?:"|in\b|inch(?:es)?)?|(?:half|quarter|three quarters?|(?:three|five|seven) eighths?))(?:[ -]?(?:inch(?:es)?|in))?$/i;
const isBare = ({ text, readings }: Sized): boolean => readings.length > 0 && SIZE_ALONE.test(text.trim());
const isSizeless = ({ readings }: Sized): boolean => readings[0]?.why === NO_SIZE_SAID;

/** Words that a tube is named by. */
const TUBES: Record<string, string> = { cu: 'copper', pex: 'pex', cpvc: 'cpvc', pe: 'poly', pb: 'polybutylene' };

/**
 * What is said of each thing with the size that another lends it; null where it is only the size of another.
 *
 * @param all what may be an end, in order
 */
export function withSizes(all: readonly Sized[]): (string | null)[] {
  const sizes = new Set(all.flatMap(({ text }) => sizesIn(text)));
  const [size] = sizes;
  if (sizes.size === 1 && all.some(isSizeless)) {
    // Not every tube is made in it: 'cpvc to an angle stop 3/8'.
    const lent = (text: string) => (readEnd(`${size} ${text}`).length > 0 ? `${size} ${text}` : text);
    return all.map((one) => (isSizeless(one) ? lent(one.text) : isBare(one) ? null : one.text));
  }
  // The other end of a reducer is of the same tube.
  const [bare, other] = [all.find(isBare), all.find((one) => !isBare(one))];
  const tube = all.length === 2 && bare && other?.readings[0] && !other.readings[0].appliance ? parseEnd(other.readings[0].end) : null;
  if (tube?.kind !== 'tube' || sizes.size !== 2) return all.map(({ text }) => text);
  const material = TUBES[other!.readings[0]!.end.split('-')[0]!];
  return all.map((one) => (one === bare && material ? `${one.text} ${material}` : one.text));
}
