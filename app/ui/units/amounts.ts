/** How much of something, in words: pieces, or a length of what is cut from a coil. */
import { coil, type Part, quantityWords, type Units } from '../../../core/index.ts';

export type Coils = ReadonlyMap<string, number>;

/** Length of a whole coil by part id, inches. */
export const coilsOf = (parts: readonly Part[]): Coils =>
  new Map(parts.flatMap((p) => (p.cutToLength && p.maxLengthIn !== undefined ? [[p.id, p.maxLengthIn] as const] : [])));

export const amountWords = (quantity: number, isCoil: boolean, units: Units): string =>
  isCoil ? quantityWords(coil(quantity), units) : String(quantity);

/** What is bought: whole coils. */
export const toBuyWords = (quantity: number, coilIn: number | undefined, units: Units): string =>
  coilIn === undefined ? String(quantity) : `${Math.ceil(quantity / coilIn)} x ${amountWords(coilIn, true, units)}`;
