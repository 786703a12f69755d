import { finite } from '../errors.ts';
import { type SealId, seals } from '../rows/index.ts';
import { remember } from '../units/index.ts';

/** Expected callbacks of a joint by its seal, as a share of joints. */
export type RatesGiven = Partial<Record<SealId, number>>;

export interface SealRates {
  /** By the seal's place in the table, from 0 to 1. */
  byPlace: Float64Array;
  of: (seal: SealId) => number;
  /** A cap counts as a washer joint. */
  cap: number;
  /** The same rates have the same. */
  key: string;
}

/** The house's own as it learns, and some that are tried. */
const MOST = 8;
const known = new Map<string, SealRates>();
const placeOf = new Map(seals.map((s, i) => [s.id, i]));

/**
 * Rates of all seals: those given, the table's first guesses for the others.
 *
 * @param given shares from 0 to 1, as the shop's own ledger has them
 */
export function sealRates(given: RatesGiven = {}): SealRates {
  const list = seals.map((s) => finite(`callbacks of ${s.id}`, given[s.id] ?? s.callbacksPer1000 / 1000, { atLeast: 0, atMost: 1 }));
  const key = list.join(' ');
  return remember(known, MOST, key, () => {
    const byPlace = Float64Array.from(list);
    const of = (seal: SealId) => byPlace[placeOf.get(seal)!]!;
    return { byPlace, of, cap: of('washer'), key };
  });
}
