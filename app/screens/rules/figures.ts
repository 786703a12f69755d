/** The house rules that are figures: where each stands in the rules, and what it changes. */
import type { AgeRow, HouseRules, TaskRow } from '../../../core/index.ts';

export interface Figure {
  title: string;
  unit: string;
  changes: string;
  /** The largest that is taken. */
  most: number;
  whole?: true;
  read: (r: HouseRules) => number;
  write: (r: HouseRules, n: number) => HouseRules;
}

const LARGE = 100_000;
/** Sixty days: a joint that is not seen for longer is no recheck any more. */
const MOST_RECHECK_HOURS = 24 * 60;

const PROOF: Figure[] = [
  {
    title: 'Leak that a joint must be proven under',
    unit: 'mL a day',
    changes: 'how long a strict look lasts, and what the look a day later comes to',
    most: LARGE,
    read: (r) => r.targetMlPerDay,
    write: (r, n) => ({ ...r, targetMlPerDay: n }),
  },
  {
    title: 'Recheck after',
    unit: 'hours',
    changes: 'when a signed-off run is due again',
    most: MOST_RECHECK_HOURS,
    read: (r) => r.recheckHours,
    write: (r, n) => ({ ...r, recheckHours: n }),
  },
];

const weightsIn = (currency: string): Figure[] =>
  (
    [
      ['callbackDollars', 'A callback costs', 'how much a dry joint is worth beside price and time'],
      ['minuteDollars', 'A minute costs', 'how much time weighs beside price'],
      ['tripDollars', 'A trip for a missing part costs', 'how much the van comes first'],
      ['notPreferredDollars', 'A line that is not preferred costs', 'how strongly the preferences above weigh'],
    ] as const
  ).map(
    ([key, title, changes]): Figure => ({
      title,
      unit: currency,
      changes: `${changes}, in the cost of a chain`,
      most: LARGE,
      read: (r) => r.weights[key],
      write: (r, n) => ({ ...r, weights: { ...r.weights, [key]: n } }),
    }),
  );

/** The figures a shop may set: those of lines and duties are rows of the catalogue. */
export function figuresOf(duties: TaskRow[], ages: AgeRow[], currency: string): Figure[] {
  const lines = ages.flatMap(({ kind, name, replaceYears }): Figure[] =>
    replaceYears === null
      ? []
      : [
          {
            title: `A ${name} is renewed after`,
            unit: 'years',
            changes: 'what Look makes of a line that is there, and when it falls due',
            most: 100,
            read: (r) => r.maxAgeYears?.[kind] ?? replaceYears,
            write: (r, n) => ({ ...r, maxAgeYears: { ...r.maxAgeYears, [kind]: n } }),
          },
        ],
  );
  const again = duties.flatMap(({ id, rule, months }): Figure[] =>
    months === null
      ? []
      : [
          {
            title: rule,
            unit: 'whole months',
            changes: 'when it falls due again, also of what was done before',
            most: 600,
            whole: true,
            read: (r) => r.dueMonths?.[id] ?? months,
            write: (r, n) => ({ ...r, dueMonths: { ...r.dueMonths, [id]: n } }),
          },
        ],
  );
  return [...PROOF, ...lines, ...again, ...weightsIn(currency)];
}
