import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';
import { end, id, uuid } from '../../shapes.ts';

/** An outlet of a part in another run's chain. */
const outlet = z.strictObject({ runId: uuid, part: id, end: id });
export type OutletRef = z.infer<typeof outlet>;

const SIDES = { from: 'Water side', to: 'Inlet', rejoin: 'Old line' } as const;
const HOW = { seen: 'seen', measured: 'measured', told: 'as told' } as const;

/** An end that was found: of the water side, the appliance, or the old line. `null` takes it back. */
export const endSeen = kind({
  name: 'end-seen',
  shape: z.strictObject({
    side: z.enum(['from', 'to', 'rejoin']),
    end: z.nullable(end),
    how: z.enum(['seen', 'measured', 'told']),
    /** A water side that another run of the visit leaves free. */
    outlet: z.optional(outlet),
  }),
  counts: { lastOf: (b) => b.side },
  about: 'run',
  holds: always,
  // Another end is not the outlet that it was said to be.
  agreed: ({ outlet, ...b }, before) => (outlet && b.end === before.end ? { ...b, outlet } : b),
  says: (b, w) => (b.end === null ? `${SIDES[b.side]}: taken back` : `${SIDES[b.side]}: ${w.end(b.end)}, ${HOW[b.how]}`),
});
