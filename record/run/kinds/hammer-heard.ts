import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';

const WHAT = { none: 'no arrestor', arrestor: 'an arrestor', 'air-chamber': 'an air chamber' } as const;

/** What is there against hammer, and whether it bangs when the appliance shuts; left out where nobody listened. */
export const hammerHeard = kind({
  name: 'hammer-heard',
  shape: z.strictObject({ there: z.enum(Object.keys(WHAT) as (keyof typeof WHAT)[], 'is nothing against hammer'), bangs: z.optional(z.boolean()) }),
  counts: 'last',
  about: 'run',
  holds: always,
  says: ({ there, bangs }) => `Hammer: ${WHAT[there]}${bangs === undefined ? '' : bangs ? ', it bangs' : ', quiet'}`,
});
