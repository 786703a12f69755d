import { finite } from '../errors.ts';
import { type Reason, reason } from '../reason.ts';

export interface DrainRemedy {
  /** The rung that is next, from 0. */
  rung: number;
  /** 'nudge 1/8' */
  what: string;
  /** A turn more, in turns; null where it is taken apart. */
  turns: number | null;
  because: Reason[];
}

/** What a nudge gives, where the ladder says so: 'nudge 1/8', 'a quarter turn on each side'. */
const NUDGES: [RegExp, number][] = [
  [/^nudge/, 0.125],
  [/^a quarter turn/, 0.25],
];

/**
 * What to do about a joint of the drain that weeps: the next rung of its own ladder, and its last again when all were tried.
 *
 * @param ladder from the least to the most, at least one
 * @param tried  how many remedies it has had
 * @source       drain-seals table
 */
export function drainRemedy(ladder: readonly string[], tried: number): DrainRemedy {
  finite('ladder', ladder.length, { atLeast: 1 });
  const rung = Math.min(finite('tried', tried, { atLeast: 0 }), ladder.length - 1);
  const what = ladder[rung] as string;
  const turns = NUDGES.find(([words]) => words.test(what))?.[1] ?? null;
  const before = tried === 0 ? 'the least first' : `tried before: ${ladder.slice(0, Math.min(tried, ladder.length)).join(', ')}`;
  const text = `Rung ${rung + 1} of ${ladder.length} for this joint: ${what}; ${before}.`;
  return { rung, what, turns, because: [reason('drain-ladder', text, { source: 'drain seals table' })] };
}
