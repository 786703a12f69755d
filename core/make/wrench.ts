/** What turns a nut: typical sizes across the flats. */
import { type End, parseEnd } from '../ends/code.ts';

/** By family and size of the thread; across flats in inches. @source trade practice: typical */
const ACROSS_FLATS: Record<string, string> = {
  'comp 1/4': '1/2 to 9/16 in',
  'comp 3/8': '5/8 to 11/16 in',
  'comp 1/2': '13/16 to 7/8 in',
  'comp 5/8': '15/16 to 1 in',
  'npsm 1/2': '15/16 to 1 in',
  'g 1/2': '15/16 to 1 in',
};

/** The wrench for a joint's nut, with its size where one is typical; the hand and a rag for a hose nut. */
export function wrenchFor(a: string, b: string): string {
  const ends = [a, b].map(parseEnd);
  if (ends.some((e) => e.family === 'ght')) return 'pliers with a rag';
  const size = ends.map(sizeOf).find((s) => s !== undefined);
  return size ? `wrench, ${size} across the flats` : 'wrench to fit';
}

const sizeOf = (end: End): string | undefined => ACROSS_FLATS[`${end.family} ${end.size}`];
