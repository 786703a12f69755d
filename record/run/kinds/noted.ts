import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';
import { reasonWords } from '../../reasons.ts';
import { id, text } from '../../shapes.ts';
import type { Words } from '../now.ts';

const shape = z
  .strictObject({
    text: z.optional(text.check(z.minLength(1, 'wants a text'))),
    /** The step of the card where it was. */
    stepId: z.optional(id),
    /** What went wrong there, by its id, where it is known. */
    wayId: z.optional(id),
  })
  .check(z.refine((b) => b.text !== undefined || (b.stepId !== undefined && b.wayId !== undefined), 'wants a text'));

/** What nothing else has a place for. */
export const noted = kind({
  name: 'noted',
  shape,
  counts: 'all',
  about: 'anything',
  onSigned: () => true,
  holds: always,
  describe: noteWords,
});

export function noteWords({ text: typed, stepId, wayId }: z.output<typeof shape>, words: Pick<Words, 'step' | 'way'>): string {
  const what = typed === undefined ? words.way(stepId ?? '', wayId ?? '') : reasonWords(typed);
  return stepId === undefined ? what : `At "${words.step(stepId)}": ${what}`;
}
