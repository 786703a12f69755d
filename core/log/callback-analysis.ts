/** What keeps leaking: callbacks by seal, part, turns, sealant, house rule and age, each with an interval that is sensible at small counts. */
import { type SealId, seals } from '../rows/index.ts';
import { callbackRate } from './callback-rate.ts';
import { callbacksOverTime } from './over-time.ts';
import { type WeighedRate, weighedRate } from './weighed-rate.ts';

/** Joints that are alike in all that is counted by. */
export interface JointGroup {
  seal: SealId;
  turns24: number;
  sealant: string | null;
  parts: string[];
  /** The house's choices they were made under. */
  rules: Record<string, string | undefined>;
  joints: number;
  callbacks: number;
}

/** Joints that stood, or stood until they came back, for the same number of whole days. */
export interface AgeGroup {
  days: number;
  cameBack: boolean;
  joints: number;
}

/** A choice of the house that bears on joints of some seals. */
export interface ChoiceAsked {
  key: string;
  title: string;
  options: { value: string; label: string }[];
  seals: readonly SealId[] | '*';
}

export interface CallbackBar {
  id: string;
  name: string;
  joints: number;
  callbacks: number;
  /** Shares of joints, with the 95 % interval. */
  mean: number;
  low: number;
  high: number;
}

export interface AgeBar {
  /** Days; `toDays` null: and older. */
  fromDays: number;
  toDays: number | null;
  name: string;
  jointYears: number;
  callbacks: number;
  /** Callbacks in 1,000 joint-years, with the 95 % interval; null where no joint was ever that old. */
  rate: { mean: number; low: number; high: number } | null;
}

export interface CallbackAnalysis {
  all: CallbackBar;
  bySeal: (CallbackBar & { weighed: WeighedRate })[];
  /** Parts a joint sits on; those with most callbacks first, then those most used. */
  byPart: CallbackBar[];
  /** Of screwed seals: under the usual range of turns, within it, over it. */
  byTurns: CallbackBar[];
  bySealant: CallbackBar[];
  /** Choices under which joints were made both ways. */
  byChoice: { key: string; title: string; bars: CallbackBar[] }[];
  byAge: AgeBar[];
}

const AGES: [toDays: number | null, name: string][] = [
  [1, 'first day'],
  [7, 'first week'],
  [30, 'first month'],
  [182, 'to half a year'],
  [365, 'to a year'],
  [730, 'second year'],
  [1826, 'to 5 years'],
  [null, 'older'],
];
const DAYS_A_YEAR = 365.25;

/**
 * Counts what keeps leaking.
 *
 * A joint counts once for what it is, whatever was reported of it; with two parts it counts at both.
 *
 * @param counted.groups  joints that are alike, with how many of them came back
 * @param counted.ages    the same joints by how long they stood
 */
export function analyseCallbacks(
  counted: { groups: readonly JointGroup[]; ages: readonly AgeGroup[] },
  choices: readonly ChoiceAsked[],
  partName: (id: string) => string,
): CallbackAnalysis {
  const { groups } = counted;
  const known = new Map(seals.map((s) => [s.id, s]));
  return {
    all:
      tally(
        groups,
        () => ['all'],
        () => 'All joints',
      )[0] ?? bar('all', 'All joints', 0, 0),
    bySeal: tally(
      groups,
      (g) => [g.seal],
      (id) => known.get(id as SealId)!.name,
    ).map((b) => ({
      ...b,
      weighed: weighedRate({ guess: known.get(b.id as SealId)!.callbacksPer1000 / 1000, joints: b.joints, callbacks: b.callbacks }),
    })),
    byPart: tally(groups, (g) => [...new Set(g.parts)], partName),
    byTurns: tally(
      groups,
      (g) => [turnsClass(g)].filter((c) => c !== null),
      (id) => TURNS[id as TurnsClass],
    ),
    bySealant: tally(
      groups,
      (g) => (g.sealant === null ? [] : [g.sealant]),
      (id) => (id === 'none' ? 'nothing on it' : id),
    ),
    byChoice: choices.flatMap((choice) => {
      const own = groups.filter((g) => choice.seals === '*' || choice.seals.includes(g.seal));
      const bars = tally(
        own,
        (g) => [g.rules[choice.key]].filter((v) => v !== undefined),
        (value) => choice.options.find((o) => o.value === value)?.label ?? value,
      );
      return bars.length > 1 ? [{ key: choice.key, title: choice.title, bars }] : [];
    }),
    byAge: byAge(counted.ages),
  };
}

const TURNS = { under: 'under the usual turns', within: 'within the usual turns', over: 'over the usual turns' } as const;
type TurnsClass = keyof typeof TURNS;

/** Null where nothing is screwed. */
function turnsClass({ seal, turns24 }: JointGroup): TurnsClass | null {
  const range = seals.find((s) => s.id === seal)?.turns;
  if (!range) return null;
  const turns = turns24 / 24;
  return turns < range.from - 1e-9 ? 'under' : turns > range.to + 1e-9 ? 'over' : 'within';
}

/** Sums by what a group is counted at; most callbacks first, then most joints. */
function tally(groups: readonly JointGroup[], at: (g: JointGroup) => string[], nameOf: (id: string) => string): CallbackBar[] {
  const sums = new Map<string, { joints: number; callbacks: number }>();
  for (const g of groups) {
    for (const id of at(g)) {
      const sum = sums.get(id) ?? { joints: 0, callbacks: 0 };
      sum.joints += g.joints;
      sum.callbacks += g.callbacks;
      sums.set(id, sum);
    }
  }
  return [...sums]
    .map(([id, { joints, callbacks }]) => bar(id, nameOf(id), joints, callbacks))
    .sort((a, b) => b.callbacks - a.callbacks || b.joints - a.joints || (a.id < b.id ? -1 : 1));
}

const bar = (id: string, name: string, joints: number, callbacks: number): CallbackBar => ({
  id,
  name,
  joints,
  callbacks,
  ...callbackRate({ joints, callbacks }),
});

function byAge(ages: readonly AgeGroup[]): AgeBar[] {
  let fromDays = 0;
  return AGES.map(([toDays, name]) => {
    const from = fromDays;
    const to = toDays ?? Number.POSITIVE_INFINITY;
    fromDays = to;
    let days = 0;
    let callbacks = 0;
    for (const g of ages) {
      // A whole number of days is, on average, half a day more.
      days += g.joints * Math.max(0, Math.min(g.days + 0.5, to) - from);
      if (g.cameBack && g.days >= from && g.days < to) callbacks += g.joints;
    }
    const jointYears = days / DAYS_A_YEAR;
    return { fromDays: from, toDays, name, jointYears, callbacks, rate: callbacksOverTime({ jointYears, callbacks }) };
  });
}
