import { type EndCode, endName } from '../ends/index.ts';
import { type Reason, reason } from '../reason.ts';
import { saidOf } from '../units/index.ts';
import { onVan } from './on-van.ts';
import type { Part } from './part.ts';
import { type Chain, type MatchQuery, type MatchResult, SAME_DOLLARS } from './query.ts';
import { buildChain, type Step } from './search/build.ts';
import { familiesOf, sideOf } from './search/families.ts';
import { STRIDE } from './search/figures.ts';
import { codeCount, codeNumber, FALSE_START, pairTable } from './search/pair-table.ts';
import { Search } from './search/search.ts';
import { type Setting, settingOf } from './search/setting.ts';
import { Suits, unsuited } from './suits.ts';
import { explainUnreachable } from './told/unreachable.ts';

const MAX_REFUSED = 20;

/**
 * The best ways to join two ends, by the money expected to be spent.
 *
 * Exact: no chain of at most 7 joints that obeys the rules costs less than those given. Every joint seals; only when no such chain exists are
 * chains with marginal joints given, and they say so. Never a false start, never a saddle valve.
 *
 * @throws InputError (EndCodeError) for codes, parts, lengths or weights that do not read
 */
export function matchChains(q: MatchQuery): MatchResult {
  const s = settingOf(q);
  const refused = refusedParts(s);
  let chains = bestChains(s, false);
  if (chains.length === 0) chains = bestChains(s, true);
  if (chains.length > 0) return { chains, refused };
  return { chains, refused, unreachable: explainUnreachable(s, q, (other) => isPossible(settingOf(other))) };
}

/**
 * With a stock, the trip for what it lacks costs the same whatever is fetched. So the best chains are among the best of the whole catalogue, some
 * of which want the trip, and the best of what is on the van, which do not. A chain of the first that one of the second makes idle leaves room for
 * another: then more are looked for.
 */
export function bestChains(s: Setting, marginal: boolean): Chain[] {
  for (let k = s.k; ; k += s.k) {
    const found = new Map<string, Chain>();
    const add = (more: Step[][]) => {
      for (const steps of more) {
        const chain = buildChain(s, steps);
        const key = pathKey(steps);
        const known = found.get(key);
        if (!known || byCost(chain, known) < 0) found.set(key, chain);
      }
    };
    const ranked = () => [...found.values()].sort(byCost);
    const all = cheapest({ ...s, k, stock: null }, marginal);
    let isGivenUp = all.isGivenUp;
    add(all.chains);
    if (s.stock !== null && ranked().some((chain) => chain.cost.trip > 0)) {
      const dearest = ranked()[s.k - 1]?.cost.total ?? Number.POSITIVE_INFINITY;
      const carried = cheapest({ ...s, k, index: onVan(s.index, s.stock) }, marginal, dearest + SAME_DOLLARS);
      isGivenUp ||= carried.isGivenUp;
      add(carried.chains);
    }
    if (isGivenUp && s.k > 1) return byLeavingOut(s, marginal);
    const chains = notIdle(ranked(), (chain) => chain.parts, s.byFamily ? areTwins : undefined);
    if (chains.length >= s.k || !all.isCutShort) return chains.slice(0, s.k);
  }
}

/**
 * The same where few chains are not idle. A chain that is not lacks a part of each one ranked before it: so the next is the best of those found by
 * leaving out one part of each, in every way of choosing them.
 */
function byLeavingOut(s: Setting, marginal: boolean): Chain[] {
  const likeOf = s.byFamily ? likenessOf(s) : (id: string) => [id];
  const best = new Map<string, Chain | null>();
  const bestWithout = (ids: string[]): Chain | null => {
    const key = ids.join(' ');
    const known = best.get(key);
    if (known !== undefined) return known;
    const [chain] = bestChains({ ...s, k: 1, without: ids.length === 0 ? null : new Set(ids.flatMap(likeOf)) }, marginal);
    best.set(key, chain ?? null);
    return chain ?? null;
  };
  const kept: Chain[] = [];
  let leftOut: string[][] = [[]];
  while (kept.length < s.k) {
    const next = leftOut.flatMap((ids) => bestWithout(ids) ?? []).sort(byCost)[0];
    if (!next) break;
    kept.push(next);
    const ways = leftOut.flatMap((ids) => {
      if (next.parts.some((part) => ids.includes(part))) return [ids];
      return next.parts.map((part) => [...ids, part].sort());
    });
    // What leaves out more than another finds nothing that the other does not.
    const unlike = [...new Map(ways.map((ids) => [ids.join(' '), ids])).values()].filter((ids) => bestWithout(ids) !== null);
    leftOut = unlike.filter((ids) => !unlike.some((few) => few !== ids && few.length < ids.length && few.every((id) => ids.includes(id))));
  }
  return kept;
}

/** Ids of the parts that a part stands for. */
function likenessOf(s: Setting): (id: string) => string[] {
  const { parts } = s.index;
  const { of, members } = familiesOf(s.index);
  return (id) => {
    const at = parts.findIndex((p) => p.id === id);
    return members[of[at]!]!.filter((other) => sideOf(s, other) === sideOf(s, at)).map((other) => parts[other]!.id);
  };
}

/** Of ranked chains those that do not hold all the parts of one ranked before them; where twins are asked for, those of the same parts at the same cost too. */
function notIdle<T>(ranked: T[], partsOf: (chain: T) => string[], areTwins: (before: T, chain: T) => boolean = () => false): T[] {
  const kept: T[] = [];
  for (const chain of ranked) {
    const own = new Set(partsOf(chain));
    if (!kept.some((before) => partsOf(before).every((part) => own.has(part)) && !areTwins(before, chain))) kept.push(chain);
  }
  return kept;
}

/** The same parts in another order, at the same cost: which of the two is given goes by their ids alone. */
export const areTwins = (a: Chain, b: Chain): boolean =>
  a.parts.length === b.parts.length && Math.abs(a.cost.total - b.cost.total) <= SAME_DOLLARS && a.parts.every((id) => b.parts.includes(id));

/** Two paths through the same parts by ends of the same codes are one chain: the first found is the cheapest. */
const pathKey = (steps: Step[]): string => steps.map((o) => `${o.part.id}:${o.inEnd.code}>${o.outEnd.code}`).join(' ');

/**
 * The best `k` chains and those that cost as much as the last, none idle but by a tie. With a stock those that it covers.
 *
 * @returns the chains, whether there may be more, and whether the search gave up looking for another that is not idle
 */
function cheapest(s: Setting, marginal: boolean, limit?: number): { chains: Step[][]; isCutShort: boolean; isGivenUp: boolean } {
  const found = new Map<string, Step[]>();
  let last = Number.POSITIVE_INFINITY;
  let isCutShort = false;
  const search = new Search(s, marginal, limit);
  search.run(
    () => {
      found.clear();
      last = Number.POSITIVE_INFINITY;
      isCutShort = false;
    },
    (steps, cost) => {
      if (cost > last + SAME_DOLLARS) {
        isCutShort = true;
        return false;
      }
      const key = pathKey(steps);
      if (!found.has(key)) found.set(key, steps);
      // Chains of one cost come in no order: of those that hold each other's parts only one counts.
      if (last === Number.POSITIVE_INFINITY && notIdle([...found.values()].sort(byCount), idsOf).length === s.k) last = cost;
      return true;
    },
  );
  return { chains: [...found.values()], isCutShort, isGivenUp: search.gaveUp };
}

const byCount = (a: Step[], b: Step[]): number => a.length - b.length;
const idsOf = (steps: Step[]): string[] => steps.map((o) => o.part.id);

/** Is there any chain at all, a marginal one included? */
const isPossible = (s: Setting): boolean => anyChain(s, true);

/** Is there a chain whose joints all seal? */
export const sealsSomehow = (s: Setting): boolean => anyChain(s, false);

function anyChain(s: Setting, marginal: boolean): boolean {
  let any = false;
  const take = () => {
    any = true;
    return false;
  };
  new Search({ ...s, stock: null }, marginal).run(() => {}, take);
  return any;
}

/** Cheapest first; ties by fewer joints, then price, then part ids. */
export function byCost(a: Chain, b: Chain): number {
  const gap = a.cost.total - b.cost.total;
  if (Math.abs(gap) > SAME_DOLLARS) return gap;
  return a.joints.length - b.joints.length || a.priceCents - b.priceCents || compareIds(a.parts, b.parts);
}

function compareIds(a: string[], b: string[]): number {
  const [left, right] = [a.join(' '), b.join(' ')];
  return left < right ? -1 : left > right ? 1 : 0;
}

/** Parts that fail a need or start falsely on one of the two ends, by id, the first of them. */
export function refusedParts(s: Setting): MatchResult['refused'] {
  const { parts, byId, figures } = s.index;
  const suits = new Suits(parts, s.need);
  const sides = [s.from, s.to].map(codeNumber);
  const { verdict } = pairTable();
  const startsFalsely = (code: EndCode) => sides.some((side) => verdict[side * codeCount + codeNumber(code)] === FALSE_START);
  const out: MatchResult['refused'] = [];
  for (const at of byId) {
    if (out.length === MAX_REFUSED) break;
    const part = parts[at] as Part;
    if (suits.ok(figures.row, at * STRIDE, at) && !part.ends.some((e) => startsFalsely(e.code))) continue;
    out.push({ part: part.id, because: [...unsuited(part, s.need), ...falseStarts(s, part)] });
  }
  return out;
}

/** The false starts of a part's ends on the two ends to be joined, each code once. */
export function falseStarts(s: Setting, part: Part): Reason[] {
  const { verdict } = pairTable();
  return [s.from, s.to].flatMap((side) =>
    [...new Set(part.ends.map((e) => e.code))].flatMap((code) => {
      if (verdict[codeNumber(side) * codeCount + codeNumber(code)] !== FALSE_START) return [];
      const mating = s.mating(side, code);
      const why = mating.because[0] ?? { text: '' };
      return [reason(mating.nearMiss ?? 'false-start', saidOf(`On ${endName(side)}: `, why), { figures: { end: code } })];
    }),
  );
}
