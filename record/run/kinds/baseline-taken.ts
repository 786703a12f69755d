import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';
import { text } from '../../shapes.ts';
import { NOISES, type Noise } from '../told/noises.ts';

/** How it was before anything was touched: its noise, and damage that is there already. */
export const baselineTaken = kind({
  name: 'baseline-taken',
  shape: z.strictObject({ noise: z.optional(z.enum(Object.keys(NOISES) as Noise[], 'is no noise')), damage: z.optional(text) }),
  counts: 'by field',
  about: 'run',
  holds: always,
  describe: ({ noise, damage }) =>
    `Before the work: ${[noise && NOISES[noise], damage === undefined ? undefined : damage.trim() || 'no damage seen'].filter(Boolean).join('; ') || 'nothing noted'}`,
});
