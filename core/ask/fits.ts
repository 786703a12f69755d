/** Whether one thing goes on another: the two of what was said that could meet, and how they do. */
import { type EndCode, type Mating, mate, parseEnd, type Reading } from '../ends/index.ts';
import type { HouseRules } from '../house/index.ts';

export interface FitAsked {
  a: EndCode;
  b: EndCode;
  mating: Mating;
}

/** A male in a female, a tube in what takes it. */
function couldMeet(a: EndCode, b: EndCode): boolean {
  const [one, two] = [parseEnd(a), parseEnd(b)];
  return one.kind === 'thread' && two.kind === 'thread' ? one.gender !== two.gender : one.kind !== two.kind;
}

/** The first two of all readings, best first, that could meet at all; the best of either where none could. */
export function fitAsked(from: readonly Reading[], to: readonly Reading[], rules?: HouseRules): FitAsked | null {
  const pairs = from.flatMap((a, i) => to.map((b, j) => ({ a: a.end, b: b.end, off: i + j }))).sort((x, y) => x.off - y.off);
  const pair = pairs.find(({ a, b }) => couldMeet(a, b)) ?? pairs[0];
  return pair ? { a: pair.a, b: pair.b, mating: mate(pair.a, pair.b, rules) } : null;
}
