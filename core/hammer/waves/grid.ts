/** Pipes cut into reaches that a wave runs through in one step of time, all in the same. */
import { InputError } from '../../errors.ts';

/** Seconds a wave takes through each pipe. */
export interface Cut {
  dtS: number;
  reaches: number[];
  /** The most by which a pipe's wave speed has to be changed, as a part. */
  fit: number;
}

/** A step may be shorter than asked by this factor, to fit better. */
const FINER = 1.3;
const TRIES = 400;

/**
 * Whole reaches for every pipe.
 *
 * A wave is to cross a reach in exactly one step (Courant number 1: nothing is smeared), so a pipe's time must be a whole number of steps; its wave
 * speed is moved a little where it is not. Among steps a little finer than asked, the one that moves them least.
 *
 * @param seconds of a wave through each pipe
 * @param wanted  reaches of all together
 */
export function cutPipes(seconds: readonly number[], wanted: number): Cut {
  const whole = seconds.reduce((a, b) => a + b, 0);
  const asked = whole / wanted;
  let best: Cut | null = null;
  for (let i = 0; i < TRIES; i++) {
    const dtS = asked / (1 + ((FINER - 1) * i) / TRIES);
    const reaches = seconds.map((s) => Math.max(1, Math.round(s / dtS)));
    const fit = Math.max(...seconds.map((s, k) => Math.abs(s / (reaches[k]! * dtS) - 1)));
    if (!best || fit < best.fit * 0.999) best = { dtS, reaches, fit };
    if (seconds.length === 1) break;
  }
  return best!;
}

/** Beyond so much a pipe's wave speed is no longer its own. */
const MOST_FIT = 0.15;

/** @throws InputError where a pipe is too short beside the others to be told apart at this many reaches */
export function checkedCut(seconds: readonly number[], wanted: number, most: number): Cut {
  let reaches = wanted;
  let cut = cutPipes(seconds, reaches);
  while (cut.fit > MOST_FIT && reaches * 2 <= most) {
    reaches *= 2;
    cut = cutPipes(seconds, reaches);
  }
  if (cut.fit > MOST_FIT)
    throw new InputError(
      'pipes',
      `${seconds.length} pipes`,
      'One is so short beside the others that no grid fits them: leave it out, or join it to its neighbour.',
    );
  return cut;
}
