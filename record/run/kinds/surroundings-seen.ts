import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';
import { text } from '../../shapes.ts';

const POWER = { none: 'no power', plug: 'a plug', wired: 'wired in' } as const;

/** What is about the run that its work depends on: power, drain, floor and way out, whether it moves with its line on. */
export const surroundingsSeen = kind({
  name: 'surroundings-seen',
  shape: z.strictObject({
    power: z.optional(z.enum(Object.keys(POWER) as (keyof typeof POWER)[], 'is no kind of power')),
    /** Where the outlet is, how high, and what shares its circuit. */
    powerAt: z.optional(text),
    drain: z.optional(text),
    wayOut: z.optional(text),
    movesWithLine: z.optional(z.boolean()),
  }),
  counts: 'by field',
  about: 'run',
  holds: always,
  describe: ({ power, powerAt, drain, wayOut, movesWithLine }) => {
    const told = [
      power && POWER[power],
      powerAt,
      drain && `drain: ${drain}`,
      wayOut && `way out: ${wayOut}`,
      movesWithLine === undefined ? undefined : movesWithLine ? 'moves with its line on' : 'does not move with its line on',
    ].filter(Boolean);
    return `About it: ${told.length > 0 ? told.join(', ') : 'nothing known'}`;
  },
});
