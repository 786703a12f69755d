/** Where good plumbers disagree: each choice with both sides' reasons, checked on reading. */
import { z } from 'zod';
import { defaultRules } from '../core/house/rules.ts';
import choices from './data/house-rules.json' with { type: 'json' };

const keys = ['threadSealant', 'ferrule', 'connector', 'push', 'applianceLine', 'toiletLine', 'firstEnd', 'airGap'] as const;
export type ChoiceKey = (typeof keys)[number];

export interface HouseChoice {
  key: ChoiceKey;
  title: string;
  changes: string;
  options: { value: string; label: string; reason: string }[];
}

const shape: z.ZodType<HouseChoice[]> = z.array(
  z.strictObject({
    key: z.enum(keys),
    title: z.string().min(1),
    changes: z.string().min(1),
    options: z.array(z.strictObject({ value: z.string().min(1), label: z.string().min(1), reason: z.string().min(1) })).min(2),
  }),
);

/** Every disagreement, its default among its options. */
export function houseChoices(): HouseChoice[] {
  const read = shape.parse(choices);
  for (const c of read)
    if (!c.options.some((o) => o.value === defaultRules[c.key])) throw new Error(`The house rule ${c.key} has no option for its default.`);
  return read;
}
