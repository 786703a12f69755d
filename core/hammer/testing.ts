/** A line for tests. */
import type { SurgeQuestion } from './shape.ts';

/** Thirty feet of half-inch copper before a valve that snaps shut. */
export const SNAPPED: SurgeQuestion = {
  pipes: [{ boreIn: 0.545, wallIn: 0.04, lengthFt: 30, modulusGpa: 117, roughnessMm: 0.0015 }],
  staticPsi: 60,
  gpm: 2,
  closeMs: 20,
  law: 'late',
  tempF: 68,
  seconds: 0.2,
};
