/** Rates, ages and days of a shop's record. */
import fc from 'fast-check';
import { catalogue } from '../../catalog/index.ts';
import { LINE_KINDS } from '../rows/line-kinds.ts';
import { seals } from '../rows/seals.ts';
import { held, sampled } from '../testing.ts';
import { type AgeGroup, analyseCallbacks, type JointGroup } from './callback-analysis.ts';
import { callbackRate } from './callback-rate.ts';
import { lastBegun, monthsAfter } from './due-day.ts';
import { callbacksOverTime } from './over-time.ts';
import { ratesOf } from './shop-rates.ts';
import { type TaskFacts, taskMonths, tasksOf } from './tasks.ts';
import { weighedRate } from './weighed-rate.ts';

const { duties, look, appliances } = catalogue();
const pick = <T>(...values: T[]) => fc.constantFrom(...values);

const anyGroup: fc.Arbitrary<JointGroup> = fc.record({
  seal: pick(...seals.map((s) => s.id)),
  turns24: pick(0, 3, 6, 12, 18, 24, 36, 48, 72, 96),
  sealant: pick(null, 'tape', 'paste'),
  parts: fc.array(pick('a', 'b', 'c', 'd'), { maxLength: 2 }),
  rules: pick({ threadSealant: 'tape', reuse: 'never' }, { threadSealant: 'paste', reuse: 'when sound' }, {}),
  joints: fc.integer({ min: 1, max: 900 }),
  callbacks: fc.integer({ min: 0, max: 9 }),
}) as never;
const anyAge: fc.Arbitrary<AgeGroup> = fc.record({
  days: pick(0, 1, 6, 7, 8, 29, 30, 31, 89, 90, 364, 365, 366, 800, 3000),
  cameBack: fc.boolean(),
  joints: fc.integer({ min: 1, max: 50 }),
});
const CHOICES = [
  {
    key: 'threadSealant',
    title: 'On taper threads',
    options: [
      { value: 'tape', label: 'PTFE tape' },
      { value: 'paste', label: 'Paste' },
    ],
    seals: ['taper' as const, 'taper-plastic' as const],
  },
  {
    key: 'reuse',
    title: 'Reuse',
    options: [
      { value: 'never', label: 'Never' },
      { value: 'when sound', label: 'When sound' },
    ],
    seals: '*' as const,
  },
];
const anyFacts: fc.Arbitrary<TaskFacts> = fc.record({
  appliance: pick(...appliances.map((a) => a.id)),
  doneMs: pick(1000, 2000),
  lines: fc.array(fc.record({ kind: pick(...LINE_KINDS), name: pick('a hose', 'a tube'), sinceMs: pick(5, 6) }), { maxLength: 2 }),
  stop: pick(null, 'gate stop'),
  insert: pick(null, { sinceMs: 7, spares: 0 }, { sinceMs: 8, spares: 2 }, { sinceMs: 9, spares: null }),
});

held(import.meta.url, [
  ...sampled('analysis', fc.tuple(fc.array(anyGroup, { maxLength: 25 }), fc.array(anyAge, { maxLength: 12 })), 30, ([groups, ages]) => {
    const { all, ...rest } = analyseCallbacks({ groups, ages }, CHOICES, (id) => `part ${id}`);
    return Object.entries({ ...rest, all });
  }),
  ...[
    [0, 0],
    [1, 0],
    [1, 1],
    [300, 0],
    [300, 4],
    [4, 5],
    [-1, 0],
    [5, 2],
  ].map(([joints, callbacks]) => [`rate ${callbacks} of ${joints}`, () => callbackRate({ joints: joints!, callbacks: callbacks! })] as const),
  ...[
    [0, 0],
    [10, 0],
    [10, 3],
    [10, 1.5],
    [-1, 1],
    [2, 200],
  ].map(
    ([jointYears, callbacks]) =>
      [`over time ${callbacks} in ${jointYears}`, () => callbacksOverTime({ jointYears: jointYears!, callbacks: callbacks! })] as const,
  ),
  ...[
    [0.006, 0, 0],
    [0.006, 500, 0],
    [0, 20, 3],
    [1, 5, 5],
    [1.1, 5, 5],
  ].map(
    ([guess, joints, callbacks]) =>
      [`weighed ${guess} ${joints} ${callbacks}`, () => weighedRate({ guess: guess!, joints: joints!, callbacks: callbacks! })] as const,
  ),
  [
    'rates',
    () =>
      ratesOf([
        { seal: 'taper', joints: 300, callbacks: 4 },
        { seal: 'washer', joints: 0, callbacks: 0 },
      ]),
  ],
  ...['2026-01-31', '2026-02-28', '2024-02-29', '2026-12-01', '2026-10-31'].flatMap((day) =>
    [0, 1, 6, 12, 18, 120].map((months) => [`${day} and ${months} months`, () => [monthsAfter(day, months), lastBegun(day, months)]] as const),
  ),
  ...sampled('duties', anyFacts, 60, (facts) => tasksOf(facts, duties)),
  ['months', () => taskMonths(duties, look.ages, {})],
  ['months of the house', () => taskMonths(duties, look.ages, { maxAgeYears: { braided: 5, rubber: 0.01 }, dueMonths: { stop: 3 } })],
]);
