import * as z from 'zod/mini';
import { asTyped, pressure, readPressurePsi } from '../../../core/index.ts';
import { always, kind } from '../../kind.ts';
import { shortText } from '../../shapes.ts';

const ASKS = {
  hidden: ['joints will be hidden', 'joints stay in sight'],
  ownStop: ['needs its own stop', 'needs no stop of its own'],
  arrestor: ['needs a hammer arrestor', 'needs no hammer arrestor'],
  leaveOutlet: ['leaves an outlet for another run', 'leaves no outlet for another run'],
  check: ['needs a vented backflow preventer', 'needs no vented backflow preventer'],
  stopLeak: ['needs a stop-leak device', 'needs no stop-leak device'],
  afterOsmosis: ['comes after a reverse-osmosis unit', 'does not come after a reverse-osmosis unit'],
} as const;

/** What the place asks of the chain: each entry says what it was made for; what it leaves out stays as it was said before. */
export const placeSeen = kind({
  name: 'place-seen',
  shape: z.strictObject({
    hidden: z.optional(z.boolean()),
    /** Somebody said whether: older programs say not hidden of what nobody has said yet. */
    hiddenKnown: z.optional(z.boolean()),
    ownStop: z.optional(z.boolean()),
    arrestor: z.optional(z.boolean()),
    leaveOutlet: z.optional(z.boolean()),
    check: z.optional(z.boolean()),
    stopLeak: z.optional(z.boolean()),
    afterOsmosis: z.optional(z.boolean()),
    /** What the water side comes out of. */
    outOf: z.optional(z.enum(['wall', 'floor'])),
    /** Static, by a gauge; null: not known any more. */
    pressurePsi: z.optional(z.nullable(z.number('wants a number').check(z.gt(0, 'must be more than 0'), z.lte(1000, 'is more than 1000 psi')))),
    /** The same as it was typed. */
    pressureText: z.optional(z.nullable(shortText)),
  }),
  counts: 'by field',
  about: 'run',
  holds: always,
  // A pressure is read from what was typed, where something was.
  agreed: ({ pressureText, ...b }) => {
    return typeof pressureText === 'string' ? { ...b, pressureText, pressurePsi: readPressurePsi(pressureText) } : b;
  },
  describe: (b, { units }) => {
    const told = (Object.keys(ASKS) as (keyof typeof ASKS)[]).filter((key) => b[key] !== undefined);
    // One thing said is said either way; of many at once, as older programs sent them, a no may be what nobody asked.
    const asks: string[] = told.length === 1 ? [ASKS[told[0]!][b[told[0]!] ? 0 : 1]] : told.filter((key) => b[key]).map((key) => ASKS[key][0]);
    if (told.length > 1 && b.hiddenKnown && b.hidden === false) asks.push(ASKS.hidden[1]);
    if (b.outOf) asks.push(`out of the ${b.outOf}`);
    if (b.pressurePsi === null) asks.push('pressure not known');
    else if (b.pressurePsi !== undefined) asks.push(asTyped(b.pressureText ?? undefined, pressure(b.pressurePsi), units));
    return `Place: ${asks.length > 0 ? asks.join(', ') : 'nothing special'}`;
  },
});
