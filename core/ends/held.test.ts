/** Readings of words and of calipers, joints of pairs, drawings of ends: over all codes and samples of the rest. */
import fc from 'fast-check';
import { HOUSE_CHOICES } from '../house/choices.table.ts';
import { defaultRules, type HouseRules } from '../house/rules.ts';
import { seals } from '../rows/seals.ts';
import { held, sampled } from '../testing.ts';
import { allEndCodes, parseEnd, type ThreadEnd } from './code.ts';
import { boreIn } from './drawn/bore.ts';
import { nutOutline } from './drawn/nut-profile.ts';
import { endProfile } from './drawn/profile.ts';
import { silhouette } from './drawn/silhouette.ts';
import { engagedIn } from './drawn/thread-profile.ts';
import { isHoseNut, isOpenPipe } from './hose-or-pipe.ts';
import { identifyThread } from './identify/identify.ts';
import type { ThreadReading } from './identify/reading.ts';
import { endLabel, endName, threadSpec } from './label.ts';
import { mate } from './mate/mate.ts';
import { endSeat } from './mate/seat.ts';
import { readEnd, readEndNotes, speaksOfAppliance, unusedWords } from './read/read.ts';
import { knownAppliances, usualInlets } from './tables/inlets.ts';
import { freeLengthIn, tubeHold, tubeJoints } from './tables/tube-joints.ts';
import { tubeMaxFOf, tubes, widerTube } from './tables/tubes.ts';

const pick = <T>(...values: T[]) => fc.constantFrom(...values);

const SIZES = [
  '1/4',
  '3/8',
  '1/2',
  'half inch',
  '5/8 od',
  '3/4',
  '7/8',
  '1',
  'three eighths',
  '3/8ths',
  '.5',
  '12 mm',
  '10x1',
  '1 1/2',
  '1/8',
  '13/16',
  '15/16-27',
  '',
];
const NAMES = [
  'comp',
  'compression',
  'fip',
  'mip',
  'ips',
  'npt',
  'ght',
  'hose',
  'bc',
  'ballcock',
  'copper',
  'pex',
  'pe',
  'poly',
  'cpvc',
  'cup',
  'sweat',
  'crimp',
  'push',
  'flare',
  'riser',
  'nipple',
  'stop',
  'black iron',
  'galvanized',
  'lead',
  'toilet',
  'fridge',
  'aerator',
  'bsp',
  'gas',
  'tube',
  'pipe',
  'nose',
  'washer',
  '',
];
const MORE = ['', '', '', 'm', 'f', 'male', 'female', 'nut', 'plastic', 'brass', 'od', 'nominal', 'outlet', 'swivel', 'please?', '...', "'old'", 'x'];
const anySaid = fc
  .tuple(pick(...MORE), pick(...SIZES), pick(...NAMES), pick(...MORE), pick(...NAMES, '', '', ''))
  .map((words) => words.filter(Boolean).join(' '));

const maybe = <T>(...values: T[]) => fc.option(pick(...values), { nil: undefined, freq: 2 });
const anyReading = fc
  .record({
    gender: pick('m' as const, 'f' as const),
    diameterIn: maybe(0.43, 0.56, 0.6, 0.79, 0.84, 0.87, 0.92, 1.03, 1.06, 0.3, 5),
    diameterSigmaIn: maybe(0.005, 0.02),
    threadsPerIn: maybe(11.5, 14, 18, 20, 24, 27, 18.5, 3),
    threadsSigma: maybe(1, 0.3),
    tapered: maybe('yes' as const, 'no' as const, 'unsure' as const),
    flankDeg: maybe(55 as const, 60 as const),
    seat: maybe('flat' as const, 'cone' as const, 'flare' as const, 'none' as const, 'unsure' as const),
    seenOn: maybe(...knownAppliances, 'no such thing'),
  })
  .map((r) => JSON.parse(JSON.stringify(r)) as ThreadReading);

const HOUSES: HouseRules[] = [
  defaultRules,
  ...(['threadSealant', 'ferrule'] as const).map((key) => ({ ...defaultRules, [key]: HOUSE_CHOICES[key][1] })),
  { ...defaultRules, turns: { washer: 0.5, ferrule: 0.75, taper: 9 } },
];

/** Codes of the same size meet most of all: what is near is what is mistaken. */
const anyPair = fc.tuple(pick(...allEndCodes), pick(...allEndCodes), pick(...HOUSES));
const male = allEndCodes.filter((code) => /^(comp|flare|npt|npsm|bc|ght|aer|g|m)-.*-m/.test(code));
const female = allEndCodes.filter((code) => /^(comp|flare|npt|npsm|bc|ght|aer|g|m)-.*-f/.test(code));
const tube = allEndCodes.filter((code) => parseEnd(code).kind === 'tube');
const taker = allEndCodes.filter((code) => parseEnd(code).kind === 'socket' || /^(comp|flare)-/.test(code));
const joint = ([a, b, rules]: readonly [string, string, HouseRules?]) => {
  const m = mate(a, b, rules);
  return [a, b, m.verdict, m.seal, m.sealant, m.loose, m.turns, m.bindsAfterTurns, m.nearMiss, m.because.map((r) => [r.rule, r.text, r.figures])];
};

held(import.meta.url, [
  ...allEndCodes.map(
    (code) =>
      [
        code,
        () => {
          const end = parseEnd(code);
          return [
            endName(code),
            endLabel(code),
            endSeat(code),
            isHoseNut(code),
            isOpenPipe(code),
            boreIn(code),
            endProfile(end),
            endProfile(end, 0.15),
            silhouette(code),
            ...(end.kind === 'thread' ? [threadSpec(end), engagedIn(end), nutOutline(end, 0.1, 0.2)] : []),
          ];
        },
      ] as const,
  ),
  ...sampled('said', anySaid, 400, (text) => [
    text,
    readEnd(text).map((r) => [r.end, ...Object.values(r).filter((v) => typeof v !== 'object')]),
    readEndNotes(text).map((n) => n.text),
    unusedWords(text),
    speaksOfAppliance(text),
  ]),
  ...sampled('reading', anyReading, 160, (r) => {
    const { candidates, ...rest } = identifyThread(r);
    return [r, candidates.slice(0, 5), candidates.length, rest];
  }),
  ...sampled('pair', anyPair, 60, joint),
  ...sampled('threads', fc.tuple(pick(...male), pick(...female), pick(...HOUSES)), 160, joint),
  ...sampled('tube', fc.tuple(pick(...tube), pick(...taker), pick(...HOUSES)), 160, joint),
  ...male.flatMap((m) =>
    female
      .filter((f) => (parseEnd(f) as ThreadEnd).size === (parseEnd(m) as ThreadEnd).size)
      .map((f) => [`${m} in ${f}`, () => joint([m, f])] as const),
  ),
  ...tubes.map((t) => [`tube ${t.id}`, () => [tubeMaxFOf(t.id), widerTube(t)?.id]] as const),
  ['no tube', () => tubeMaxFOf('npt-1/2-m')],
  ...seals.map((s) => [`held by ${s.id}`, () => [tubeHold(s.id), tubeJoints.map(({ od }) => freeLengthIn(s.id, od))]] as const),
  ...knownAppliances.map((a) => [`inlets of ${a}`, () => usualInlets(a)] as const),
]);
