/** What turns a nut: typical sizes across the flats. */
import { type End, parseEnd } from '../ends/index.ts';
import { writeFraction } from '../units/index.ts';
import { nutFlatsTable } from './nut-flats.table.ts';

/** Across the flats of a thread's nut, in; typical. */
export interface NutFlats {
  /** Family and size as codes write them: 'comp-3/8'. */
  thread: string;
  fromIn: number;
  toIn: number;
}

const byThread = new Map<string, NutFlats>(nutFlatsTable.map((row) => [row.thread, row]));

const rowFor = (end: End): NutFlats | undefined => byThread.get(`${end.family}-${end.size}`);

/** Across the flats of the largest nut that an end takes, in; null where none is typical. */
export const flatsFor = (end: End): number | null => rowFor(end)?.toIn ?? null;

/** The wrench for a joint's nut, with its size where one is typical; the hand and a rag for a hose nut. */
export function wrenchFor(a: string, b: string): string {
  const ends = [a, b].map(parseEnd);
  if (ends.some((e) => e.family === 'ght')) return 'pliers with a rag';
  const row = ends.map(rowFor).find((s) => s !== undefined);
  return row ? `wrench, ${writeFraction(row.fromIn)} to ${writeFraction(row.toIn)} in across the flats` : 'wrench to fit';
}
