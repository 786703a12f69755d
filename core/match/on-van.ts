import { indexParts, type PartIndex } from './search/catalogue-index.ts';

const remembered = new WeakMap<PartIndex, WeakMap<object, PartIndex>>();

/** The parts of a catalogue that a stock has one of at least. Remembers the stock it has seen. */
export function onVan(index: PartIndex, stock: Record<string, number>): PartIndex {
  const of = remembered.get(index) ?? new WeakMap<object, PartIndex>();
  remembered.set(index, of);
  const found = of.get(stock) ?? indexParts(index.parts.filter((part) => (stock[part.id] ?? 0) >= 1));
  of.set(stock, found);
  return found;
}
