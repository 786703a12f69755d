import { threadsTable } from './threads.table.ts';

export type ThreadFamily = 'comp' | 'flare' | 'npt' | 'npsm' | 'bc' | 'ght' | 'aer' | 'g' | 'm';

/** One standard thread; lengths in inches, angles in degrees. */
export interface Thread {
  id: string;
  family: ThreadFamily;
  familyName: string;
  sizeName: string;
  /** Nominal major diameter of the male thread, and so the root diameter of its female. */
  externalMajorIn: number;
  /** Smallest crest diameter a good male thread has; for a taper thread its small end. */
  externalCrestMinIn: number;
  threadsPerIn: number;
  includedAngleDeg: number;
  tapered: boolean;
  /** Smallest diameter at the crests of the female thread. */
  internalCrestIn: number;
  /** How often it is met in this work, relative. */
  priorWeight: number;
  source: string;
  typicalUse: string;
}

export const threads: readonly Thread[] = threadsTable;

const byId = new Map(threads.map((t) => [t.id, t]));

export function threadById(id: string): Thread | undefined {
  return byId.get(id);
}
