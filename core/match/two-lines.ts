import { matchChains } from './chains.ts';
import { isLine, type Part, type PartEnd } from './part.ts';
import type { Chain, MatchQuery, MatchResult } from './query.ts';
import { buildChain } from './search/build.ts';
import { type Setting, settingOf } from './search/setting.ts';

/** Pairs that are tried, the shortest that reach first. */
const MOST_PAIRS = 40;

/** Two connectors joined to each other: as one piece to the search. */
interface Pair {
  as: Part;
  halves: [Part, Part];
}

/**
 * A chain with two flexible pieces in series, where no one line is long enough: its reason is said, and the joint between them counts like any other.
 *
 * @returns null where no length was asked for, or no two of the connectors reach it together
 */
export function twoLines(q: MatchQuery): MatchResult | null {
  const { minLengthIn } = q.need;
  if (minLengthIn === undefined) return null;
  const s = settingOf(q);
  const hoses = s.index.parts.filter((p) => p.flexible && !p.cutToLength && p.tags.includes('hose'));
  const pairs = hoses.flatMap((a) => hoses.flatMap((b) => (a === b ? [] : paired(s, a, b))));
  const reaching = pairs.filter(({ as }) => as.lengthIn! >= minLengthIn).sort((x, y) => x.as.lengthIn! - y.as.lengthIn!);
  if (reaching.length === 0) return null;
  const rest = s.index.parts.filter((p) => !isLine(p));
  const [best] = matchChains({ ...q, k: 1, parts: [...rest, ...reaching.slice(0, MOST_PAIRS).map((p) => p.as)] }).chains;
  return best ? { chains: [parted(s, best, reaching)], refused: [] } : null;
}

/** The two joined by ends that seal, as one part with the two that are left. */
function paired(s: Setting, a: Part, b: Part): Pair[] {
  return a.ends.flatMap((out, i) =>
    b.ends.flatMap((into, n): Pair[] => {
      if (a.ends.length !== 2 || b.ends.length !== 2 || s.mating(out.code, into.code).verdict !== 'seals') return [];
      const ends: PartEnd[] = [a.ends[1 - i]!, b.ends[1 - n]!].map((end, at) => ({ ...end, id: `${at}${end.id}` }));
      const as: Part = {
        ...a,
        id: `${a.id} ${b.id} ${i}${n}`,
        ends,
        lengthIn: (a.lengthIn ?? 0) + (b.lengthIn ?? 0),
        priceCents: a.priceCents + b.priceCents,
        minutes: a.minutes + b.minutes,
        maxPsi: Math.min(a.maxPsi, b.maxPsi),
        maxF: Math.min(a.maxF, b.maxF),
        waters: a.waters.filter((w) => b.waters.includes(w)),
        potable: a.potable && b.potable,
        tags: [...new Set([...a.tags, ...b.tags])],
        ...(a.boreIn === undefined || b.boreIn === undefined ? {} : { boreIn: Math.min(a.boreIn, b.boreIn) }),
      };
      return [{ as, halves: [a, b] }];
    }),
  );
}

/** The chain with both pieces in place of the one they were searched as, worked out afresh. */
function parted(s: Setting, chain: Chain, pairs: readonly Pair[]): Chain {
  const byId = new Map(s.index.parts.map((p) => [p.id, p]));
  const steps = chain.path.flatMap(({ part: id, inEnd, outEnd, cutLengthIn }) => {
    const branches = chain.branches.filter((b) => b.part === id);
    const pair = pairs.find((p) => p.as.id === id);
    if (!pair) {
      const part = byId.get(id)!;
      const end = (name: string) => part.ends.find((e) => e.id === name)!;
      return [
        { part, inEnd: end(inEnd), outEnd: end(outEnd), branches, lengthIn: cutLengthIn ?? part.lengthIn ?? 0, cutLengthIn: cutLengthIn ?? null },
      ];
    }
    const outer = (part: Part, name: string) => part.ends.find((e) => e.id === name.slice(1))!;
    const isTurned = inEnd.startsWith('1');
    const [first, second] = isTurned ? [pair.halves[1], pair.halves[0]] : pair.halves;
    const [entry, exit] = [outer(first, inEnd), outer(second, outEnd)];
    const other = (part: Part, end: PartEnd) => part.ends.find((e) => e !== end)!;
    const plain = { branches: [], cutLengthIn: null };
    return [
      { part: first, inEnd: entry, outEnd: other(first, entry), lengthIn: first.lengthIn ?? 0, ...plain },
      { part: second, inEnd: other(second, exit), outEnd: exit, lengthIn: second.lengthIn ?? 0, ...plain },
    ];
  });
  return buildChain(s, steps);
}
