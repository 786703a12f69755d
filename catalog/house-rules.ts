/** Where good plumbers disagree: each choice with both sides' reasons, checked on reading. The first option is the usual one. */
import { z } from 'zod';
import { type SealId, seals } from '../core/index.ts';
import choices from './data/house-rules.json' with { type: 'json' };

const shape = z.array(
  z.strictObject({
    key: z.string().regex(/^[a-z][A-Za-z]*$/),
    title: z.string().min(1),
    changes: z.string().min(1),
    /** Seals whose joints it bears on: there its callbacks are compared. */
    seals: z.optional(z.union([z.literal('*'), z.array(z.enum(seals.map((s) => s.id) as [SealId, ...SealId[]]))])),
    options: z.array(z.strictObject({ value: z.string().min(1), label: z.string().min(1), reason: z.string().min(1) })).min(2),
  }),
);

export type HouseChoice = z.infer<typeof shape>[number];

/** Every disagreement, in the order in which they are shown. */
export const houseChoices = (): HouseChoice[] => shape.parse(choices);
