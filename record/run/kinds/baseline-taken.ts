import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';
import { text } from '../../shapes.ts';

const NOISE = { quiet: 'quiet', hum: 'hums', bang: 'bangs', whistle: 'whistles', drip: 'drips' } as const;

/** How it was before anything was touched: its noise, and damage that is there already. */
export const baselineTaken = kind({
  name: 'baseline-taken',
  shape: z.strictObject({ noise: z.optional(z.enum(Object.keys(NOISE) as (keyof typeof NOISE)[], 'is no noise')), damage: z.optional(text) }),
  counts: 'by field',
  about: 'run',
  holds: always,
  says: ({ noise, damage }) =>
    `Before the work: ${[noise && NOISE[noise], damage === undefined ? undefined : damage.trim() || 'no damage seen'].filter(Boolean).join('; ') || 'nothing noted'}`,
});
