import * as z from 'zod/mini';
import { writeTurns } from '../../../core/index.ts';
import { kind } from '../../kind.ts';
import { id, turns24 } from '../../shapes.ts';
import { wantsTarget } from '../rules.ts';

/** A joint, made with so many turns past hand-tight. */
export const jointMade = kind({
  name: 'joint-made',
  shape: z.strictObject({
    turns24,
    /** The step of the card that it was made by. */
    stepId: z.optional(id),
  }),
  counts: 'all',
  about: 'joint',
  holds: wantsTarget,
  describe: (b) => `made, ${writeTurns(b.turns24)}`,
});
