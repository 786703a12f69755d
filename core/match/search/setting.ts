import { type EndCode, type Mating, mate, parseEnd } from '../../ends/index.ts';
import { finite } from '../../errors.ts';
import { defaultRules, type HouseRules } from '../../house/index.ts';
import { remember } from '../../units/index.ts';
import { type FullNeed, fullNeed, type MatchQuery } from '../query.ts';
import { type SealRates, sealRates } from '../seal-rates.ts';
import { asIndex, type PartIndex } from './catalogue-index.ts';

/** A query with its defaults filled in, and what is looked up again and again while it is answered. */
export interface Setting {
  index: PartIndex;
  /** The catalogue whose least costs lead the search: that of the query, also while only a part of it is searched. */
  ledBy: PartIndex;
  from: EndCode;
  to: EndCode;
  rejoin: EndCode | null;
  need: FullNeed;
  rules: HouseRules;
  /** Expected callbacks by seal. */
  rates: SealRates;
  k: number;
  /** Price of loose pieces by code, in cents; a code that is missing costs nothing and is not stocked. */
  loosePrice: Map<string, number>;
  stock: Record<string, number> | null;
  /** Ids of parts that are left out of this search; null where none is. */
  without: ReadonlySet<string> | null;
  /** Of parts alike in all but length one stands for all that are as much on this van as it; null where each stands for itself. */
  byFamily: { van: Record<string, number> | null } | null;
  mating: (a: EndCode, b: EndCode) => Mating;
}

export function settingOf(q: Omit<MatchQuery, 'k'> & { k?: number }): Setting {
  parseEnd(q.from);
  parseEnd(q.to);
  if (q.rejoin !== undefined) parseEnd(q.rejoin);
  const rules = q.rules ?? defaultRules;
  for (const [name, value] of Object.entries(rules.weights)) finite(`weight ${name}`, value, { atLeast: 0 });
  const seen = rules === defaultRules ? usualMatings : new Map<string, Mating>();
  const index = asIndex(q.parts);
  return {
    index,
    ledBy: index,
    from: q.from,
    to: q.to,
    rejoin: q.rejoin ?? null,
    need: fullNeed(q.need),
    rules,
    rates: sealRates(q.callbackRates),
    k: Math.floor(finite('number of chains', q.k ?? 5, { atLeast: 1, atMost: 100 })),
    loosePrice: loosePrices(q.loose),
    stock: q.stock ?? null,
    without: null,
    byFamily: null,
    mating: (a, b) => {
      const key = a <= b ? `${a} ${b}` : `${b} ${a}`;
      return remember(seen, MOST_MATINGS, key, () => mate(a, b, rules));
    },
  };
}

/** A question asks for some hundreds. */
const MOST_MATINGS = 4000;

/** Matings by the default rules, which nobody changes. */
const usualMatings = new Map<string, Mating>();

const pricesSeen = new WeakMap<object, Map<string, number>>();
const NO_LOOSE: MatchQuery['loose'] = [];

/** Remembers the list it has seen, as the index does its parts. */
function loosePrices(loose: MatchQuery['loose'] = NO_LOOSE): Map<string, number> {
  let prices = pricesSeen.get(loose as object);
  if (!prices) {
    prices = new Map((loose ?? []).map((l) => [l.code, l.priceCents]));
    pricesSeen.set(loose as object, prices);
  }
  return prices;
}

/** A marginal joint counts this many times its seal's rate. */
export const MARGINAL_FACTOR = 20;

/** Expected callbacks of a joint, from 0 to 1. */
export function callbackRateOf({ rates }: Setting, mating: Mating): number {
  if (mating.seal === null) return 0;
  return rates.of(mating.seal) * (mating.verdict === 'marginal' ? MARGINAL_FACTOR : 1);
}

/** Is this loose piece missing on the van when `count` of it are needed? */
export function looseShort(s: Setting, code: string, count: number): boolean {
  return s.stock !== null && s.loosePrice.has(code) && (s.stock[code] ?? 0) < count;
}

export function partShort(s: Setting, id: string): boolean {
  return s.stock !== null && (s.stock[id] ?? 0) < 1;
}
