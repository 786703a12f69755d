/** The house rules as they are changed: only the fields that become others, each with the reason. */
import * as z from 'zod/mini';
import { defaultRules, type HouseRules } from '../../core/index.ts';
import { change, type Subject } from '../book/subject.ts';
import { happenedAt } from '../entry.ts';
import { reasonWords } from '../reasons.ts';
import { givenReason } from '../shapes.ts';
import { houseRules, upcastRules } from './house-rules.ts';
import type { RulesNow } from './state.ts';

/** Fields that may be left out of the rules: null has them as they usually are. */
const OPTIONAL = ['maxAgeYears', 'dueMonths'] as const;
type Optional = (typeof OPTIONAL)[number];

export type RulesChange = Partial<Omit<HouseRules, Optional>> & { [K in Optional]?: HouseRules[K] | null };

const { maxAgeYears, dueMonths, ...others } = houseRules.shape;
const changed = z.strictObject({
  rules: z.partial(z.strictObject({ ...others, maxAgeYears: z.nullable(maxAgeYears), dueMonths: z.nullable(dueMonths) })),
  reason: givenReason,
});
type Changed = z.output<typeof changed>;

/** The rules after a change; what an older program said and this one does not know is as the house usually has it. */
export function rulesAfter(before: HouseRules, said: object): HouseRules {
  const merged = Object.entries({ ...before, ...said }).filter(([, value]) => value !== null);
  return upcastRules(Object.fromEntries(merged) as Partial<HouseRules>);
}

/** The fields in which two sets of rules differ, as a change says them. */
export function rulesChanged(before: HouseRules, now: HouseRules): RulesChange {
  const fields = new Set([...Object.keys(before), ...Object.keys(now)]) as Set<keyof HouseRules>;
  const other = [...fields].filter((f) => JSON.stringify(before[f]) !== JSON.stringify(now[f]));
  return Object.fromEntries(other.map((f) => [f, now[f] ?? null])) as RulesChange;
}

/** Every rule in a few words. */
const SAID: Record<keyof HouseRules, string> = {
  threadSealant: 'thread sealant',
  ferrule: 'ferrule',
  connector: 'connector',
  push: 'push',
  applianceLine: 'appliance line',
  toiletLine: 'toilet line',
  firstEnd: 'first end',
  airGap: 'air gap',
  reuse: 'reuse',
  oldLineEnd: 'old line end',
  workingLook: 'working look',
  dishwasherLines: 'dishwasher lines',
  drainFlange: 'drain flange',
  fillerHammer: 'filler hammer',
  dishwasherCycle: 'dishwasher cycle',
  porcelainTools: 'porcelain tools',
  toiletLift: 'toilet lift',
  floorSeal: 'floor seal',
  proof: 'proof before leaving',
  oldFerrule: 'old ferrule',
  turns: 'turns past hand-tight',
  maxAgeYears: 'ages at which lines are renewed',
  dueMonths: 'months until something is due again',
  targetMlPerDay: 'leak that a proof bounds, mL a day',
  recheckHours: 'hours until the recheck',
  weights: 'what a callback, a minute and a trip weigh',
};

/** A rule in words, with what it is now where that is a word or a figure. */
export function ruleWords(field: string, value: unknown): string {
  // A rule of another program has its name alone.
  const called = Object.hasOwn(SAID, field) ? SAID[field as keyof HouseRules] : field;
  return typeof value === 'object' ? called : `${called}: ${value}`;
}

export const rules: Subject<'rules', RulesNow> = {
  name: 'rules',
  called: 'set of house rules',
  making: null,
  nameOf: () => 'house rules',
  begins: (id) => ({ id, version: 0, rules: defaultRules, reason: '', changedMs: null }),
  changes: {
    changed: change<RulesNow>()<Changed>({
      shape: changed as never,
      sets: (b) => b.rules,
      holds: ({ body }) => (Object.keys(body.rules).length === 0 ? { rule: 'says-nothing', why: 'body.rules: says nothing.' } : null),
      apply: (now, b, entry) => ({
        ...now,
        version: now.version + 1,
        rules: rulesAfter(now.rules, b.rules),
        reason: reasonWords(b.reason),
        changedMs: happenedAt(entry),
      }),
      says: (b) =>
        `${Object.entries(b.rules)
          .map(([field, value]) => ruleWords(field, value))
          .join('; ')}, because ${reasonWords(b.reason)}`,
    }),
  },
};
