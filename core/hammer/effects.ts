/** What would soften a bang, and how much: each change tried as a transient of its own. */

import { type Tube, tubes, widerTube } from '../ends/index.ts';
import { InputError } from '../errors.ts';
import type { SurgePipe, SurgeQuestion } from './shape.ts';
import { surge } from './surge.ts';

export interface Effect {
  words: string;
  /** At the valve. */
  peakPsi: number;
  isUnderLimit: boolean;
}

/** A small arrestor as it is tried where none stands. @source typical of one for a single appliance */
const SMALL = { volumeIn3: 3, prechargePsi: 60 } as const;
/** Where an arrestor is tried, ft from the valve. */
const PLACES_FT = [0, 3, 6, 12] as const;

/** The tube that a pipe is of, by its bore and its wall's give. */
const tubeOf = (p: SurgePipe): Tube | undefined => tubes.find((t) => Math.abs(t.idIn - p.boreIn) < 1e-6 && t.youngsModulusGpa === p.modulusGpa);

function wider(pipe: SurgePipe): { pipe: SurgePipe; name: string } | null {
  const own = tubeOf(pipe);
  const next = own && widerTube(own);
  return next
    ? { name: next.tradeName, pipe: { ...pipe, boreIn: next.idIn, wallIn: (next.odIn - next.idIn) / 2, roughnessMm: next.roughnessMm } }
    : null;
}

/** Changes of a question, each with its words. */
function changes(q: SurgeQuestion): { words: string; question: SurgeQuestion }[] {
  const longest = q.pipes.reduce((best, p, i) => (p.lengthFt > q.pipes[best]!.lengthFt ? i : best), 0);
  const wide = wider(q.pipes[longest]!);
  const cushion = q.cushion ?? SMALL;
  const whole = q.pipes.reduce((sum, p) => sum + p.lengthFt, 0);
  return [
    { words: 'it shuts twice as slowly', question: { ...q, closeMs: q.closeMs * 2 } },
    { words: 'half as much runs', question: { ...q, gpm: q.gpm / 2 } },
    { words: '20 psi less standing', question: { ...q, staticPsi: Math.max(1, q.staticPsi - 20) } },
    ...(wide
      ? [
          {
            words: `${wide.name}, the next size, for the longest pipe`,
            question: { ...q, pipes: q.pipes.map((p, i) => (i === longest ? wide.pipe : p)) },
          },
        ]
      : []),
    ...PLACES_FT.filter((ft) => ft < whole - 0.5).map((cushionFt) => ({
      words: `${q.cushion ? 'the cushion' : `an arrestor of ${SMALL.volumeIn3} cu in`} ${cushionFt === 0 ? 'at the valve' : `${cushionFt} ft from it`}`,
      question: { ...q, cushion, cushionFt },
    })),
  ];
}

/** A change that cannot be, as less pressure than the flow wants, is none. */
function tried(words: string, question: SurgeQuestion): Effect[] {
  try {
    const { peakPsi, limitPsi } = surge(question);
    return [{ words, peakPsi, isUnderLimit: peakPsi <= limitPsi }];
  } catch (fault) {
    if (fault instanceof InputError) return [];
    throw fault;
  }
}

/**
 * What each of the usual changes brings the peak at the valve to, the lowest first.
 *
 * @returns of the changes that can be; none of them where the question itself cannot be asked
 */
export const surgeEffects = (q: SurgeQuestion): Effect[] =>
  changes({ ...q, frames: 0 })
    .flatMap(({ words, question }) => tried(words, question))
    .sort((a, b) => a.peakPsi - b.peakPsi);
