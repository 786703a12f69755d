/** Who is who: every way of giving what was said to the two sides, weighed by rows, the best taken with its margin. */
import { isOpenPipe, type Reading } from '../ends/index.ts';
import type { Relation } from './relations.ts';

/** Something said that may be an end. */
export interface Mention {
  relation: Relation | null;
  text: string;
  readings: Reading[];
  /** An appliance, or an end of one. */
  isFed: boolean;
  /** By no thread, tube or fitting of its own. */
  isAppliance: boolean;
  /** A fixture that may keep its water and feed another: a toilet, a faucet. */
  isFixture: boolean;
  /** A stop and nothing else. */
  isBareStop: boolean;
  /** Nothing was said before it. */
  isFirst: boolean;
}

export interface Roles {
  from: Mention | null;
  to: Mention | null;
  /** Mentioned, and given no side. */
  rest: Mention[];
  /** Of the best over the next, in nats. */
  margin: number;
  /** The same two the other way round, where that comes next. */
  isTurnedNext: boolean;
}

type Weight = [weight: number, isSo: (m: Mention, place: { isLast: boolean; isOnly: boolean; feeds: boolean }) => boolean];

// biome-ignore format: a table
const FROM: Weight[] = [
  [3, (m) => m.relation === 'from'],
  [-1.5, (m) => m.relation === 'to'],
  [-2, (m) => m.relation === 'goal' && !m.isBareStop],
  [-3, (m, { feeds }) => m.isAppliance && !feeds],
  [1, (_, { feeds }) => feeds],
  [-1.5, (m) => m.isFed && !m.isAppliance],
  [1, (m) => isOpenPipe(m.readings[0]!.end)],
  [1, (m) => /\b(?:stops?|shut ?-?off|(?<!fill[- ])valve|bibb?|spigot|box)\b/i.test(m.text)],
  [0.6, (m) => m.isFirst],
  [-0.7, (m) => m.isBareStop],
  [0.5, (_, { isOnly }) => isOnly],
];
// biome-ignore format: a table
const TO: Weight[] = [
  [4, (m) => m.isAppliance],
  [-3, (_, { feeds }) => feeds],
  [2, (m) => m.isFed && !m.isAppliance],
  [1.6, (m) => m.relation === 'to'],
  [1, (m) => m.relation === 'goal'],
  [-2, (m) => m.relation === 'from'],
  [-0.4, (m) => isOpenPipe(m.readings[0]!.end)],
  [0.3, (_, { isLast }) => isLast],
  [-2, (m) => m.isBareStop],
];
/** Said and not used. */
const LEFT = -2;
const LEFT_BARE_STOP = -0.2;

const weigh = (rows: readonly Weight[], m: Mention, at: number, all: readonly Mention[]): number => {
  // 'a bidet on the toilet': of two appliances the fixture feeds the other.
  const feeds = m.isFixture && all.some((other) => other.isAppliance && !other.isFixture);
  const place = { isLast: at === all.length - 1, isOnly: all.length === 1, feeds };
  return rows.reduce((sum, [weight, isSo]) => (isSo(m, place) ? sum + weight : sum), 0);
};

/** More mentions than this are no one question: the first are taken. */
const MOST_MENTIONS = 8;

export function rolesOf(said: readonly Mention[]): Roles {
  const all = said.slice(0, MOST_MENTIONS);
  const [from, to] = [FROM, TO].map((rows) => all.map((m, i) => weigh(rows, m, i, all))) as [number[], number[]];
  const left = all.map((m) => (m.isBareStop ? LEFT_BARE_STOP : LEFT));
  const whole = left.reduce((sum, w) => sum + w, 0);
  let best = { score: Number.NEGATIVE_INFINITY, a: -1, b: -1 };
  let next = { score: Number.NEGATIVE_INFINITY, a: -1, b: -1 };
  for (let a = -1; a < all.length; a++) {
    for (let b = -1; b < all.length; b++) {
      if (a === b && (a >= 0 || all.length > 0)) continue;
      const score = whole + (a < 0 ? 0 : from[a]! - left[a]!) + (b < 0 ? 0 : to[b]! - left[b]!);
      if (score > best.score) {
        next = best;
        best = { score, a, b };
      } else if (score > next.score) next = { score, a, b };
    }
  }
  return {
    from: all[best.a] ?? null,
    to: all[best.b] ?? null,
    rest: said.filter((_, i) => i !== best.a && i !== best.b),
    margin: Number.isFinite(next.score) ? best.score - next.score : 0,
    isTurnedNext: next.a >= 0 && next.a === best.b && next.b === best.a,
  };
}
