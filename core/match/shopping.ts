import type { Loose, Part } from './part.ts';
import type { Chain } from './query.ts';
import { piecePriceCents } from './search/pricing.ts';

/** One line of what a chain takes. */
export interface ListLine {
  item: string;
  name: string;
  /** What is cut off a coil or a riser, inches. */
  cutLengthIn?: number;
  count: number;
  /** Of a cut piece the price of its length. */
  eachCents: number;
  /** How many of them the van lacks; none where nothing is known of it. */
  toBuy: number;
}

/**
 * What a chain takes, parts first, then loose pieces: prices add up to the chain's.
 *
 * @param stock by part id or loose code; left out = everything is on the van. A coil there covers any cut.
 */
export function shoppingList(
  chain: Pick<Chain, 'path' | 'loose'>,
  parts: Part[],
  loose: (Loose & { name: string })[],
  stock?: Record<string, number>,
): ListLine[] {
  const byId = new Map(parts.map((p) => [p.id, p]));
  const byCode = new Map(loose.map((l) => [l.code, l]));
  const toBuy = (item: string, count: number) => (stock ? Math.max(0, count - (stock[item] ?? 0)) : 0);
  return [
    ...chain.path.map(({ part: item, cutLengthIn }): ListLine => {
      const part = byId.get(item);
      const cut = cutLengthIn === undefined ? {} : { cutLengthIn };
      return {
        item,
        name: part?.name ?? item,
        ...cut,
        count: 1,
        eachCents: part ? piecePriceCents(part, cutLengthIn ?? null) : 0,
        toBuy: toBuy(item, 1),
      };
    }),
    // What is not in the price list is not stocked either: it comes with the parts.
    ...Object.entries(chain.loose).map(([item, count]): ListLine => {
      const known = byCode.get(item);
      return { item, name: known?.name ?? item, count, eachCents: known?.priceCents ?? 0, toBuy: known ? toBuy(item, count) : 0 };
    }),
  ];
}
