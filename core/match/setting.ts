import type { EndCode } from '../ends/code.ts';
import { parseEnd } from '../ends/code.ts';
import { type Mating, mate } from '../ends/mate.ts';
import { sealById } from '../ends/seals.ts';
import { finite } from '../errors.ts';
import { defaultRules, type HouseRules } from '../house/rules.ts';
import type { PartIndex } from './catalogue-index.ts';
import { asIndex } from './catalogue-index.ts';
import { type FullNeed, fullNeed, type MatchQuery } from './query.ts';

/** A query with its defaults filled in, and what is looked up again and again while it is answered. */
export interface Setting {
  index: PartIndex;
  from: EndCode;
  to: EndCode;
  rejoin: EndCode | null;
  need: FullNeed;
  rules: HouseRules;
  k: number;
  /** Price of loose pieces by code, in cents; a code that is missing costs nothing and is not stocked. */
  loosePrice: Map<string, number>;
  stock: Record<string, number> | null;
  mating: (a: EndCode, b: EndCode) => Mating;
}

export function settingOf(q: MatchQuery): Setting {
  parseEnd(q.from);
  parseEnd(q.to);
  if (q.rejoin !== undefined) parseEnd(q.rejoin);
  const rules = q.rules ?? defaultRules;
  for (const [name, value] of Object.entries(rules.weights)) finite(`weight ${name}`, value, { atLeast: 0 });
  const seen = new Map<string, Mating>();
  return {
    index: asIndex(q.parts),
    from: q.from,
    to: q.to,
    rejoin: q.rejoin ?? null,
    need: fullNeed(q.need),
    rules,
    k: Math.floor(finite('number of chains', q.k ?? 5, { atLeast: 1, atMost: 100 })),
    loosePrice: new Map((q.loose ?? []).map((l) => [l.code, l.priceCents])),
    stock: q.stock ?? null,
    mating: (a, b) => {
      const key = a <= b ? `${a} ${b}` : `${b} ${a}`;
      let found = seen.get(key);
      if (!found) {
        found = mate(a, b, rules);
        seen.set(key, found);
      }
      return found;
    },
  };
}

/** Seals that may be hidden for good, besides push joints that the house allows there. */
const HIDDEN_SEALS = new Set(['solder', 'crimp', 'expansion', 'taper', 'push', 'push-small']);

/** A marginal joint counts this many times its seal's rate. */
const MARGINAL_FACTOR = 20;

/** Expected callbacks of a joint, from 0 to 1. */
export function callbackRateOf(mating: Mating): number {
  if (mating.seal === null) return 0;
  return (sealById(mating.seal).callbacksPer1000 / 1000) * (mating.verdict === 'marginal' ? MARGINAL_FACTOR : 1);
}

/** A cap counts as a washer joint. */
export const CAP_RATE = sealById('washer').callbacksPer1000 / 1000;

/** May this joint stand in a chain: does it seal (or, when nothing seals, marginally), and may it be hidden if it must? */
export function jointAllowed(mating: Mating, need: FullNeed, marginal: boolean): boolean {
  if (mating.verdict !== 'seals' && !(marginal && mating.verdict === 'marginal')) return false;
  return need.reachable || HIDDEN_SEALS.has(mating.seal as string);
}

/** Is this loose piece missing on the van when `count` of it are needed? */
export function looseShort(s: Setting, code: string, count: number): boolean {
  return s.stock !== null && s.loosePrice.has(code) && (s.stock[code] ?? 0) < count;
}

export function partShort(s: Setting, id: string): boolean {
  return s.stock !== null && (s.stock[id] ?? 0) < 1;
}
