import type { Part } from './part.ts';
import { allowanceIn } from './suits.ts';

/**
 * A stock by pieces, as a match takes it, from one that counts coils in inches: a coil is at hand when what is left of it is enough for the cut.
 *
 * @param stock       by part id or loose code: pieces; of what is cut from a coil, inches
 * @param minLengthIn what the line must reach
 * @returns           the same object where no coil is too short for the cut
 */
export function stockForCut(stock: Record<string, number>, parts: Part[], minLengthIn: number | undefined): Record<string, number> {
  const short = parts.filter((p) => p.cutToLength && (stock[p.id] ?? 0) > 0 && (stock[p.id] ?? 0) < (minLengthIn ?? 0) + allowanceIn(p.flexible));
  return short.length === 0 ? stock : { ...stock, ...Object.fromEntries(short.map((p) => [p.id, 0])) };
}
