/** What is judged of surveys of every sort, what causes what, and from where the water is taken. */
import fc from 'fast-check';
import { catalogue } from '../../catalog/index.ts';
import { defaultRules, type HouseRules } from '../house/rules.ts';
import { LINE_KINDS } from '../rows/line-kinds.ts';
import { held, sampled } from '../testing.ts';
import { causesOf } from './causes.ts';
import { judgeSurvey } from './judge.ts';
import { mayReuse } from './reuse.ts';
import { compareSources, type SourceCandidate } from './sources.ts';
import type { Survey } from './survey.ts';
import { bucketGpm } from './water.ts';

const { look, appliances, parts, loose, van } = catalogue();
const pick = <T>(...values: T[]) => fc.constantFrom(...values);
const maybe = <T>(...values: T[]) => fc.option(pick(...values), { nil: undefined, freq: 2 });
const seenOn = (...on: string[]) => look.findings.filter((f) => on.includes(f.on)).map((f) => f.id);
const RULES: HouseRules[] = [
  defaultRules,
  { ...defaultRules, connector: 'reuse if sound' },
  { ...defaultRules, connector: 'reuse if sound', maxAgeYears: { braided: 5, rubber: 2 } },
];

const anySurvey = fc
  .record(
    {
      appliance: pick(...appliances),
      water: pick('cold' as const, 'hot' as const),
      line: fc.record(
        {
          kind: pick(...LINE_KINDS, 'none' as const),
          ageYears: pick(0, 4, 5, 6, 7, 8, 10, 11, 30),
          seen: fc.subarray(seenOn('line'), { maxLength: 2 }),
        },
        { requiredKeys: [] },
      ),
      stop: fc.record(
        {
          kind: pick('quarter-turn' as const, 'multi-turn' as const, 'gate' as const, 'saddle' as const, 'none' as const),
          condition: pick(...look.stops.map((s) => s.condition)),
          seen: fc.subarray(seenOn('stop'), { maxLength: 2 }),
        },
        { requiredKeys: ['kind', 'condition'] },
      ),
      arrestor: fc.record({ kind: pick('none' as const, 'arrestor' as const, 'air-chamber' as const), bangs: maybe(true, false) }),
      seen: fc.subarray([...seenOn('screen', 'washer', 'place'), 'no such finding'], { maxLength: 2 }),
      staticPsi: pick(5, 20, 60, 79, 80, 81, 95, 100, 120, 125, 126),
      runningPsi: pick(5, 8, 20, 40),
      bucket: fc.record({ gallons: pick(1, 2), seconds: pick(20, 60, 200) }),
      hotF: pick(90, 105, 119, 120, 121, 140),
      afterOsmosis: fc.boolean(),
      hidden: fc.boolean(),
      power: pick('none' as const, 'plug' as const, 'wired' as const),
      wayOutKnown: fc.boolean(),
      movesWithLine: fc.boolean(),
      endsKnown: fc.boolean(),
      endsDoubted: fc.boolean(),
      symptoms: fc.subarray([...new Set(look.symptoms.map((s) => s.symptom))], { maxLength: 3 }),
      pairReplaced: pick('the hot line'),
    },
    { requiredKeys: ['appliance', 'water'] },
  )
  .map((s) => JSON.parse(JSON.stringify(s)) as Survey);

const anyCandidate: fc.Arbitrary<SourceCandidate> = fc
  .record({
    kind: pick('idle-line' as const, 'stop' as const, 'pipe' as const, 'manifold' as const, 'tank' as const, 'saddle' as const),
    ends: pick(['comp-3/8-m', 'comp-3/8-f'], ['cu-5/8od', 'cu-5/8od'], ['comp-1/4-m'], ['pex-5/8od', 'pex-5/8od'], ['npt-1/2-m']),
    lengthIn: pick(20, 60, 96, 240),
    holes: fc.array(fc.record({ through: pick('cabinet' as const, 'floor' as const, 'wall' as const), inTheWay: maybe('a stud') }), { maxLength: 2 }),
    shut: pick('nothing' as const, 'stop' as const, 'branch' as const, 'main' as const),
    dry: pick('yes' as const, 'no' as const, 'unknown' as const),
    holds: maybe('cold' as const, 'hot' as const, 'unproved' as const, 'no water' as const),
    afterOsmosis: maybe(true),
    stub: maybe({ finish: 'chromed' as const }, { finish: 'bare' as const, lengthIn: 2 }),
  })
  .map(({ ends: [end, rejoin], ...c }) => JSON.parse(JSON.stringify({ id: '', name: '', ...c, end, rejoin })) as SourceCandidate);

held(import.meta.url, [
  ...sampled('survey', fc.tuple(anySurvey, pick(...RULES)), 260, ([survey, rules]) => {
    const judged = judgeSurvey(survey, look, rules);
    return [
      judged.judgements.map((j) => [j.of, j.verdict, j.because.map((b) => [b.rule, b.text])]),
      judged.needs,
      judged.blocked,
      judged.unknowns.map((u) => u.fact),
      causesOf(survey, judged, look),
    ];
  }),
  ...sampled(
    'sources',
    fc.tuple(fc.array(anyCandidate, { minLength: 1, maxLength: 4 }), pick('comp-1/4-m', 'comp-3/8-m'), pick(undefined, van), fc.boolean()),
    40,
    ([candidates, to, stock, hot]) => {
      const named = candidates.map((c, i) => ({ ...c, id: `way ${i}`, name: `way ${i}` }));
      const { ranked, refused } = compareSources({
        candidates: named,
        to,
        parts,
        loose,
        work: look.sourceWork,
        need: { water: hot ? 'hot' : 'cold' },
        ...(stock ? { stock } : {}),
      });
      return [ranked.map(({ chain, ...o }) => [chain.parts, o]), refused];
    },
  ),
  ...look.reuse.flatMap((row) =>
    [[], row.asks.slice(0, 1), row.asks].map(
      (yes, i) =>
        [
          `reuse of ${row.what}, ${i}`,
          () =>
            RULES.slice(0, 2).map((rules) =>
              mayReuse(
                row.what,
                Object.fromEntries([...yes.map((a) => [a, true]), ...row.asks.slice(yes.length, yes.length + i).map((a) => [a, false])]),
                look,
                rules,
              ),
            ),
        ] as const,
    ),
  ),
  ['reuse of nothing', () => mayReuse('nothing', {}, look, defaultRules)],
  ...[0, 30, 60].map((seconds) => [`bucket in ${seconds}`, () => bucketGpm({ gallons: 2, seconds })] as const),
]);
