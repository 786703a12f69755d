import { remember } from '../units/index.ts';
import type { Part } from './part.ts';
import { allowanceIn } from './suits.ts';

type Stock = Record<string, number>;

/** Parts of a catalogue that are cut to length: a few of many. */
const cutParts = new WeakMap<Part[], Part[]>();

/** A stock without what is too short, by what is: the same object for the same, so that what is worked out for it is found again. */
const shortened = new WeakMap<Stock, Map<string, Stock>>();
const MOST_SHORTENED = 20;

/**
 * A stock by pieces, as a match takes it, from one that counts coils in inches: a coil is at hand when what is left of it is enough for the cut.
 *
 * @param stock       by part id or loose code: pieces; of what is cut from a coil, inches; not changed afterwards
 * @param minLengthIn what the line must reach
 * @returns           the same object where no coil is too short for the cut, and wherever the same coils are
 */
export function stockForCut(stock: Stock, parts: Part[], minLengthIn: number | undefined): Stock {
  const cut = cutParts.get(parts) ?? parts.filter((p) => p.cutToLength);
  cutParts.set(parts, cut);
  const isShort = (p: Part) => (stock[p.id] ?? 0) > 0 && (stock[p.id] ?? 0) < (minLengthIn ?? 0) + allowanceIn(p.flexible);
  const short = cut.filter(isShort).map((p) => p.id);
  if (short.length === 0) return stock;
  const known = shortened.get(stock) ?? new Map<string, Stock>();
  shortened.set(stock, known);
  return remember(known, MOST_SHORTENED, short.join(' '), () => ({ ...stock, ...Object.fromEntries(short.map((id) => [id, 0])) }));
}
