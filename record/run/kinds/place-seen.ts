import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';

const ASKS = {
  ownStop: 'needs its own stop',
  arrestor: 'needs a hammer arrestor',
  leaveOutlet: 'leaves an outlet for another run',
  hidden: 'joints will be hidden',
} as const;

/** What the place asks of the chain. */
export const placeSeen = kind({
  name: 'place-seen',
  shape: z.strictObject({
    hidden: z.boolean(),
    ownStop: z.boolean(),
    arrestor: z.boolean(),
    leaveOutlet: z.optional(z.boolean()),
  }),
  counts: 'last',
  about: 'run',
  holds: always,
  says: (b) => {
    const asks = (Object.keys(ASKS) as (keyof typeof ASKS)[]).filter((key) => b[key]).map((key) => ASKS[key]);
    return `Place: ${asks.length > 0 ? asks.join(', ') : 'nothing special'}`;
  },
});
