import * as z from 'zod/mini';
import { kind } from '../../kind.ts';
import { id, text } from '../../shapes.ts';
import { wantsChain } from '../rules.ts';

/** A question of the card that must be answered yes before the work goes on. */
export const gateAnswered = kind({
  name: 'gate-answered',
  shape: z.strictObject({ stepId: id, answer: z.enum(['yes', 'no']), note: text }),
  counts: { lastOf: (b) => b.stepId },
  about: 'run',
  holds: wantsChain,
  says: (b, w) => `${w.step(b.stepId)}: answered ${b.answer}${b.note ? `. ${b.note}` : ''}`,
});
