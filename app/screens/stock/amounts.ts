/** How much of something, in words: pieces, of what is cut from a coil feet and inches. */
import type { Part } from '../../../core/index.ts';

export type Coils = ReadonlyMap<string, number>;

/** Length of a whole coil by part id, inches. */
export const coilsOf = (parts: readonly Part[]): Coils =>
  new Map(parts.flatMap((p) => (p.cutToLength && p.maxLengthIn !== undefined ? [[p.id, p.maxLengthIn] as const] : [])));

export function amountWords(quantity: number, isCoil: boolean): string {
  if (!isCoil) return String(quantity);
  const [feet, inches] = [Math.trunc(quantity / 12), Math.abs(quantity % 12)];
  return [feet !== 0 || inches === 0 ? `${feet} ft` : '', inches !== 0 ? `${quantity < 0 && feet === 0 ? '-' : ''}${inches} in` : ''].filter(Boolean).join(' '); // biome-ignore format: one line
}

/** What is bought: whole coils. */
export const toBuyWords = (quantity: number, coilIn: number | undefined): string =>
  coilIn === undefined ? String(quantity) : `${Math.ceil(quantity / coilIn)} x ${amountWords(coilIn, true)}`;
