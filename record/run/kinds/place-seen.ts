import * as z from 'zod/mini';
import { asTyped, pressure, readPressurePsi } from '../../../core/units/quantity.ts';
import { always, kind } from '../../kind.ts';
import { shortText } from '../../shapes.ts';

const ASKS = {
  ownStop: 'needs its own stop',
  arrestor: 'needs a hammer arrestor',
  leaveOutlet: 'leaves an outlet for another run',
  hidden: 'joints will be hidden',
  check: 'needs a vented backflow preventer',
  afterOsmosis: 'comes after a reverse-osmosis unit',
} as const;

/** What the place asks of the chain. */
export const placeSeen = kind({
  name: 'place-seen',
  shape: z.strictObject({
    hidden: z.boolean(),
    /** Somebody said whether: without it, not hidden is what nobody has said yet. */
    hiddenKnown: z.optional(z.boolean()),
    ownStop: z.boolean(),
    arrestor: z.boolean(),
    leaveOutlet: z.optional(z.boolean()),
    check: z.optional(z.boolean()),
    afterOsmosis: z.optional(z.boolean()),
    /** What the water side comes out of. */
    outOf: z.optional(z.enum(['wall', 'floor'])),
    /** Static, by a gauge. */
    pressurePsi: z.optional(z.number('wants a number').check(z.gt(0, 'must be more than 0'), z.lte(1000, 'is more than 1000 psi'))),
    /** The same as it was typed. */
    pressureText: z.optional(shortText),
  }),
  counts: 'last',
  about: 'run',
  holds: always,
  // A pressure is read from what was typed, where something was.
  agreed: ({ pressureText, ...b }) => {
    return pressureText === undefined ? b : { ...b, pressureText, pressurePsi: readPressurePsi(pressureText) };
  },
  says: (b, { units }) => {
    const asks: string[] = (Object.keys(ASKS) as (keyof typeof ASKS)[]).filter((key) => b[key]).map((key) => ASKS[key]);
    if (b.hiddenKnown && !b.hidden) asks.push('joints stay in sight');
    if (b.outOf) asks.push(`out of the ${b.outOf}`);
    if (b.pressurePsi !== undefined) asks.push(asTyped(b.pressureText, pressure(b.pressurePsi), units));
    return `Place: ${asks.length > 0 ? asks.join(', ') : 'nothing special'}`;
  },
});
