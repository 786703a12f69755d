import type { LineKindId, SealId, TaskId } from '../rows/index.ts';
import { HOUSE_CHOICES, type HouseChoices } from './choices.table.ts';

/** The shop's choices where good plumbers disagree. */
export interface HouseRules extends HouseChoices {
  /** Turns past hand-tight that replace the default of a seal; never more than the seal's `most`. */
  turns: Partial<Record<SealId, number>>;
  /** Age at which a line found in place is renewed, years, where it is not the catalogue's. */
  maxAgeYears?: Partial<Record<LineKindId, number>>;
  /** Months until something is due again, where they are not the catalogue's. */
  dueMonths?: Partial<Record<TaskId, number>>;
  targetMlPerDay: number;
  recheckHours: number;
  weights: { callbackDollars: number; minuteDollars: number; tripDollars: number; notPreferredDollars: number };
}

/** The first option of each choice is the usual one. */
const usual = Object.fromEntries(Object.entries(HOUSE_CHOICES).map(([key, options]) => [key, options[0]])) as unknown as HouseChoices;

export const defaultRules: HouseRules = {
  ...usual,
  turns: {},
  targetMlPerDay: 10,
  recheckHours: 24,
  weights: { callbackDollars: 1000, minuteDollars: 1.5, tripDollars: 45, notPreferredDollars: 20 },
};

/** What the house chose; the usual where its rules are older than the question. */
export const chosen = <K extends keyof HouseChoices>(rules: HouseRules, key: K): HouseChoices[K] => rules[key] ?? usual[key];
