import * as z from 'zod/mini';
import { kind } from '../../kind.ts';
import { id } from '../../shapes.ts';
import { wantsChain } from '../rules.ts';

/** A step of the card, done or opened again. */
export const stepDone = kind({
  name: 'step-done',
  shape: z.strictObject({ stepId: id, done: z.boolean() }),
  counts: { lastOf: (b) => b.stepId },
  about: 'run',
  holds: wantsChain,
  describe: (b, w) => `${w.step(b.stepId)}: ${b.done ? 'done' : 'opened again'}`,
});
