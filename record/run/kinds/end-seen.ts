import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';
import { end, id, uuid } from '../../shapes.ts';

/** An outlet of a part in another run's chain. */
const outlet = z.strictObject({ runId: uuid, part: id, end: id });
export type OutletRef = z.infer<typeof outlet>;

/** What else it may be, and how likely it is the one that is named, of 1, where a gauge says so. */
const doubt = z.strictObject({
  share: z.optional(z.number('wants a number').check(z.gte(0, 'must be 0 or more'), z.lte(1, 'is more than 1'))),
  others: z.array(end).check(z.maxLength(8, 'names more than 8 ends')),
});
export type Doubt = z.infer<typeof doubt>;

const SIDES = { from: 'Water side', to: 'Inlet', rejoin: 'Old line' } as const;
const HOW = { seen: 'seen', measured: 'measured', told: 'as told' } as const;

const unsure = ({ share, others }: Doubt, nameOf: (end: string) => string): string =>
  `, not sure${share === undefined ? '' : ` (${Math.round(share * 100)} %)`}${others.length > 0 ? `: or ${others.map(nameOf).join(', ')}` : ''}`;

/** An end that was found: of the water side, the appliance, or the old line. `null` takes it back. */
export const endSeen = kind({
  name: 'end-seen',
  shape: z.strictObject({
    side: z.enum(['from', 'to', 'rejoin']),
    end: z.nullable(end),
    how: z.enum(['seen', 'measured', 'told']),
    /** A water side that another run of the visit leaves free. */
    outlet: z.optional(outlet),
    /** Left out where one is sure of it. */
    doubt: z.optional(doubt),
  }),
  counts: { lastOf: (b) => b.side },
  about: 'run',
  holds: always,
  // Another end is not the outlet that it was said to be.
  agreed: ({ outlet, ...b }, before) => (outlet && b.end === before.end ? { ...b, outlet } : b),
  describe: (b, w) =>
    b.end === null ? `${SIDES[b.side]}: taken back` : `${SIDES[b.side]}: ${w.end(b.end)}, ${HOW[b.how]}${b.doubt ? unsure(b.doubt, w.end) : ''}`,
});
