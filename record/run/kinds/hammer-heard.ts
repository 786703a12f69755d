import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';

const WHAT = { none: 'no arrestor', arrestor: 'an arrestor', 'air-chamber': 'an air chamber' } as const;

/** What is there against hammer, and whether it bangs when the appliance shuts; left out where nobody listened. */
export const hammerHeard = kind({
  name: 'hammer-heard',
  shape: z.strictObject({
    there: z.optional(z.enum(Object.keys(WHAT) as (keyof typeof WHAT)[], 'is nothing against hammer')),
    bangs: z.optional(z.boolean()),
  }),
  counts: 'by field',
  about: 'run',
  holds: always,
  describe: ({ there, bangs }) =>
    `Hammer: ${[there && WHAT[there], bangs === undefined ? undefined : bangs ? 'it bangs' : 'quiet'].filter(Boolean).join(', ') || 'nothing noted'}`,
});
