/** What the shipped catalogue answers, over questions of every sort. */
import fc from 'fast-check';
import { catalogue } from '../../catalog/index.ts';
import { HOUSE_CHOICES } from '../house/choices.table.ts';
import { defaultRules, type HouseRules } from '../house/rules.ts';
import { held, sampled } from '../testing.ts';
import { matchChains } from './chains.ts';
import { stockForCut } from './cut-stock.ts';
import { hangsOn } from './need/hangs-on.ts';
import { askedNeeds, KNOWN_IDS, type KnownFacts, knownNeed, needOfAll, rulesOfAll } from './need/known-need.ts';
import { usualBoreIn } from './need/usual-bore.ts';
import { matchPreferring } from './preferring.ts';
import type { Chain, MatchQuery } from './query.ts';
import { indexParts } from './search/catalogue-index.ts';
import { shoppingList } from './shopping.ts';
import { chainSayings } from './told/sayings.ts';
import { jointSides, sideWords, throughEnds } from './told/sides.ts';
import { tellApart } from './told/tell-apart.ts';
import { whyNot } from './told/why-not.ts';

const { parts, loose, van, appliances } = catalogue();
const index = indexParts(parts);
const names = Object.fromEntries([...parts.map((p) => [p.id, p.name]), ...loose.map((l) => [l.code, l.name])]) as Record<string, string>;

const FROM = [
  'comp-3/8-m',
  'npt-1/2-m',
  'npt-3/8-f',
  'cu-1/2od',
  'cu-5/8od',
  'cu-3/8od',
  'pex-5/8od',
  'pe-1/4od',
  'ght-3/4-m',
  'comp-1/4-m',
  'bc-7/8-f',
];
const TO = [
  'bc-7/8-m',
  'npsm-1/2-m',
  'comp-3/8-m',
  'comp-3/8-f',
  'comp-1/4-m',
  'ght-3/4-m',
  'ght-3/4-f',
  'cu-3/8od',
  'pe-1/4od',
  'npt-3/8-f',
  'npt-1/2-m',
];
const HOUSES: HouseRules[] = [
  defaultRules,
  ...(['push', 'applianceLine', 'toiletLine'] as const).flatMap((key) =>
    HOUSE_CHOICES[key].slice(1).map((value) => ({ ...defaultRules, [key]: value })),
  ),
];
const maybe = <T>(...values: T[]) => fc.constantFrom(undefined, undefined, undefined, ...values);

const anyQuery = fc
  .record({
    from: fc.constantFrom(...FROM),
    to: fc.constantFrom(...TO),
    rejoin: maybe('comp-3/8-f', 'cu-5/8od', 'pex-5/8od'),
    rules: fc.constantFrom(...HOUSES),
    stock: maybe<Record<string, number>>(van, {}),
    need: fc.record({
      water: fc.constantFrom('cold' as const, 'cold' as const, 'hot' as const),
      tempF: maybe(120, 150, 190),
      pressurePsi: maybe(60, 100, 125, 160),
      minLengthIn: maybe(9, 14, 24, 60, 120),
      stop: maybe(true),
      arrestor: maybe(true),
      check: maybe(true),
      leaveOutlet: maybe(true),
      reachable: maybe(false),
      potable: maybe(false),
      minBoreIn: maybe(0.17, 0.28, 0.4),
      avoid: maybe(['copper', 'brass'], ['hose']),
      outOf: maybe('wall' as const, 'floor' as const),
      rejoinFirst: maybe(true),
      stub: maybe(
        { side: 'from' as const, finish: 'chromed' as const },
        { side: 'from' as const, finish: 'pitted' as const },
        { side: 'from' as const, finish: 'unknown' as const, lengthIn: 0.7 },
        { side: 'to' as const, finish: 'bare' as const, lengthIn: 0.5 },
      ),
    }),
  })
  .map((q) => JSON.parse(JSON.stringify(q)) as Omit<MatchQuery, 'parts'>);

const asked = (q: Omit<MatchQuery, 'parts'>, k = 3): MatchQuery => ({ ...q, k, parts: index, loose });
const told = (chain: Chain) => [
  chain.parts.join('+'),
  chain.cost,
  chain.branches,
  chain.loose,
  chain.lengthIn,
  chain.priceCents,
  chain.leakRisk,
  chain.minutes,
  chain.offVan,
  chain.cautions.map((c) => [c.rule, c.text]),
  chain.path,
];

function answer(query: Omit<MatchQuery, 'parts'>) {
  const q = asked(query);
  const { chains, refused, unreachable } = matchChains(q);
  return [chains.map(told), unreachable, refused.length, refused.slice(0, 2)];
}

function around(query: Omit<MatchQuery, 'parts'>) {
  const q = asked(query);
  const { chains } = matchChains(q);
  const [best] = chains;
  if (!best) return 'no chain';
  return [
    shoppingList(best, parts, loose, query.stock),
    tellApart(chains, parts, names, query.rules ?? defaultRules),
    throughEnds(best),
    jointSides(best, names, sideWords({ from: q.from, rejoin: q.rejoin ?? null }, best.joints.length % 2 === 0, 'faucet (wall)')),
    hangsOn(q, best.parts, ['hidden', 'osmosis']),
  ];
}

/** Good chains spoilt: a part too many, one too few, the wrong order, another need. */
const anySpoilt = fc.record({
  query: anyQuery,
  how: fc.constantFrom('less', 'more', 'turned', 'other need', 'as it is'),
  other: fc.constantFrom(...parts.map((p) => p.id)),
  need: anyQuery,
});
function spoilt({ query, how, other, need }: { query: Omit<MatchQuery, 'parts'>; how: string; other: string; need: Omit<MatchQuery, 'parts'> }) {
  const ids = matchChains(asked(query, 1)).chains[0]?.parts ?? [];
  const row = how === 'less' ? ids.slice(1) : how === 'more' ? [...ids, other] : how === 'turned' ? [...ids].reverse() : ids;
  return [how, row, whyNot(asked(how === 'other need' ? { ...query, need: need.need } : query), row).map((r) => [r.rule, r.text])];
}

const anyFacts = fc
  .record({
    appliance: fc.constantFrom(...appliances),
    from: fc.constantFrom(null, 'comp-3/8-m', 'cu-5/8od', 'cu-1/2od'),
    to: fc.constantFrom(null, 'comp-3/8-m', 'cu-3/8od', 'ght-3/4-f'),
    distanceIn: fc.constantFrom(null, 14, 60.5),
    hasNoStop: fc.boolean(),
    verdicts: maybe({ stop: 'It passes.' }, { arrestor: 'It bangs.' }, { stop: 'It is seized.', arrestor: 'A solenoid.' }),
    place: fc.record({
      hidden: fc.boolean(),
      ownStop: fc.boolean(),
      arrestor: fc.boolean(),
      check: maybe(true),
      leaveOutlet: maybe(true),
      outOf: maybe('wall' as const, 'floor' as const),
      afterOsmosis: maybe(true),
      pressurePsi: maybe(72),
    }),
    stubs: fc.record({ from: maybe({ finish: 'chromed' as const }), to: maybe({ finish: 'bare' as const, lengthIn: 1.5 }) }),
    rules: fc.constantFrom(...HOUSES),
    id: fc.constantFrom(...KNOWN_IDS),
    to2: fc.constantFrom(null, 0.3, 25, 'never', 'riser', 'copper'),
  })
  .map((f) => JSON.parse(JSON.stringify(f)) as KnownFacts & { id: (typeof KNOWN_IDS)[number]; to2: string | number | null });

held(import.meta.url, [
  ...sampled('chains', anyQuery, 130, answer),
  ...sampled('around a chain', anyQuery, 50, around),
  ...sampled('why not', anySpoilt, 90, spoilt),
  ...sampled('rather without', anyQuery, 20, (q) => matchPreferring(asked(q, 1), ['hose', 'brass']).chains.map(told)),
  ...sampled('asked', anyFacts, 70, ({ id, to2, ...facts }) => {
    const known = knownNeed(facts);
    const changed = askedNeeds(known, [{ id, to: to2, because: 'So it is.' }]);
    return [
      known.map((k) => [k.id, k.from, k.text, k.because]),
      needOfAll('cold', changed),
      changed.filter((c) => c.change),
      rulesOfAll(facts.rules, changed),
    ];
  }),
  ...TO.map((end) => [`usual bore ${end}`, () => usualBoreIn(appliances, end)] as const),
  ...[undefined, 10, 100, 500].map(
    (lengthIn) =>
      [
        `van cut for ${lengthIn}`,
        () => {
          const stock = stockForCut(Object.fromEntries(parts.filter((p) => p.cutToLength).map((p, i) => [p.id, 20 * i])), parts, lengthIn);
          return Object.entries(stock).map(([id, n]) => `${id} ${n}`);
        },
      ] as const,
  ),
  ...Object.entries(chainSayings).map(([rule, said]) => [`says ${rule}`, () => said] as const),
]);
