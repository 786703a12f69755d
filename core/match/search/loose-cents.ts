import { codeCount, codeOf, pairTable } from './pair-table.ts';

/** What loose pieces cost by a price list, as numbers: what a search asks again and again. */
export interface LooseCents {
  /** By set of loose pieces of the pair table. A piece that the list does not name costs nothing. */
  set: Float64Array;
  /** By end code: its cap; NaN where the list has none. */
  cap: Float64Array;
}

const remembered = new WeakMap<Map<string, number>, LooseCents>();

/** Remembers the list it has seen. */
export function looseCents(prices: Map<string, number>): LooseCents {
  const found = remembered.get(prices) ?? {
    set: Float64Array.from(pairTable().looseSets, (pieces) => pieces.reduce((sum, code) => sum + (prices.get(code) ?? 0), 0)),
    cap: Float64Array.from({ length: codeCount }, (_, n) => prices.get(`cap-${codeOf(n)}`) ?? Number.NaN),
  };
  remembered.set(prices, found);
  return found;
}
