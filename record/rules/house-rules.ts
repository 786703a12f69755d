/** The house rules as they cross a border; older ones are brought up by the defaults. */
import * as z from 'zod/mini';
import { defaultRules, HOUSE_CHOICES, type HouseChoices, type HouseRules, LINE_KINDS, TASK_IDS } from '../../core/index.ts';
import type { Same } from '../same.ts';
import { notNegative, positive, recheckHoursShape, turnsShape } from '../shapes.ts';

/** One shape for each row of the table of choices. */
const choices = Object.fromEntries(Object.entries(HOUSE_CHOICES).map(([key, options]) => [key, z.enum(options)])) as unknown as {
  [K in keyof HouseChoices]: z.ZodMiniType<HouseChoices[K], HouseChoices[K]>;
};

const years = z.number('wants years').check(z.gt(0, 'must be more than 0'), z.lte(100, 'is more than 100 years'));

const months = z.int('wants whole months').check(z.gte(1, 'must be 1 at least'), z.lte(600, 'is more than 600 months'));

export const houseRules = z.object({
  ...choices,
  turns: z.record(z.string().check(z.maxLength(60)), turnsShape),
  maxAgeYears: z.optional(z.partialRecord(z.enum(LINE_KINDS), years)),
  dueMonths: z.optional(z.partialRecord(z.enum(TASK_IDS), months)),
  targetMlPerDay: positive,
  recheckHours: recheckHoursShape,
  weights: z.object({
    callbackDollars: notNegative,
    minuteDollars: notNegative,
    tripDollars: notNegative,
    notPreferredDollars: notNegative,
  }),
});

const agrees: Same<z.output<typeof houseRules>, HouseRules> = true;
void agrees;

/** Rules that were stored by an older program: what it did not know yet, or what is no choice any more, is as the house usually has it. */
export function upcastRules(stored: Partial<HouseRules> | null | undefined): HouseRules {
  const known = Object.entries(HOUSE_CHOICES).filter(([key, options]) =>
    (options as readonly unknown[]).includes(stored?.[key as keyof HouseChoices]),
  );
  const { turns, maxAgeYears, dueMonths, targetMlPerDay, recheckHours, weights } = { ...defaultRules, ...stored };
  return {
    ...defaultRules,
    ...Object.fromEntries(known.map(([key]) => [key, stored?.[key as keyof HouseChoices]])),
    turns,
    ...(maxAgeYears === undefined ? {} : { maxAgeYears }),
    ...(dueMonths === undefined ? {} : { dueMonths }),
    targetMlPerDay,
    recheckHours,
    weights: { ...defaultRules.weights, ...weights },
  };
}

/** Rules that a run keeps: one begun before the house was asked how it proves goes on by the figure alone, as it began. */
export const keptRules = (stored: Partial<HouseRules>): HouseRules => upcastRules({ proof: 'strict', ...stored });
