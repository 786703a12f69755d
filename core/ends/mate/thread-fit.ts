import type { ThreadEnd } from '../code.ts';

/** How far two threads of opposite gender belong together, seats left aside. */
export type ThreadFit =
  | { fit: 'too big' }
  | { fit: 'slides in'; overlap: number }
  | { fit: 'mates'; overlap: number }
  | { fit: 'other flanks'; overlap: number }
  | { fit: 'false start'; overlap: number; bindsAfterTurns?: number };

/** Axial play of a thread by its make, inches (trade practice: a machined thread, and the loose hose thread). */
const PLAY_MACHINED_IN = 0.004;
const PLAY_HOSE_IN = 0.012;

/** Turns a nut holds unless known; a thread that would bind later than that runs on, loose. */
const TURNS_HELD = 6;

/** Overlap of the crests, as a share of a full thread's 1.08 pitches: below the first it slides in, from the second on it mates. */
const CATCHES = 0.15;
const MATES = 0.8;

/**
 * Judges two threads by their geometry, the male one entering.
 *
 * Enters when the male's smallest crest passes the female's root; catches by the overlap `1 - (D_f - D_m) / (1.08 p_f)`; mates with the same
 * flanks, the same pitch and an overlap of 0.8 or more; anything else that catches is a false start, which by unequal pitch binds after
 * `axial play / pitch difference` turns.
 *
 * @source thread standards: ASME B1.20.1 and B1.20.7, SAE J512, ISO 228-1; thread forms from ASME B1.20.1, B1.20.7, SAE J512, ISO 228-1, ISO 261
 */
export function threadFit(male: ThreadEnd, female: ThreadEnd): ThreadFit {
  const m = male.thread;
  const f = female.thread;
  const femaleDiameterIn = f.externalMajorIn;
  if (m.externalCrestMinIn > femaleDiameterIn + 1e-9) return { fit: 'too big' };
  const maleDiameterIn = m.tapered ? m.externalMajorIn : (m.externalMajorIn + m.externalCrestMinIn) / 2;
  const gapIn = femaleDiameterIn - maleDiameterIn;
  const overlap = 1 - (gapIn * f.threadsPerIn) / 1.08;
  if (overlap < CATCHES) return { fit: 'slides in', overlap };
  const samePitch = m.threadsPerIn === f.threadsPerIn;
  if (samePitch && overlap >= MATES) {
    return { fit: m.includedAngleDeg === f.includedAngleDeg ? 'mates' : 'other flanks', overlap };
  }
  if (samePitch) return { fit: 'false start', overlap };
  const halfAngle = ((f.includedAngleDeg / 2) * Math.PI) / 180;
  const playIn = Math.max(play(male), play(female)) + Math.max(0, gapIn) * Math.tan(halfAngle);
  const turns = playIn / Math.abs(1 / m.threadsPerIn - 1 / f.threadsPerIn);
  return turns > TURNS_HELD ? { fit: 'false start', overlap } : { fit: 'false start', overlap, bindsAfterTurns: turns };
}

function play(end: ThreadEnd): number {
  return end.family === 'ght' ? PLAY_HOSE_IN : PLAY_MACHINED_IN;
}
