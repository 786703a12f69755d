/** What valves that shut do to lines of every make: with cushions, side lines and thin supplies. */
import fc from 'fast-check';
import { held, sampled } from '../testing.ts';
import { airChamber, CHAMBER_STATES, type ChamberState } from './air-chamber.ts';
import { arrestorSize } from './arrestor.ts';
import { surgeEffects } from './effects.ts';
import type { Surge, SurgePipe, SurgeQuestion } from './shape.ts';
import { michaudPsi, surge } from './surge.ts';
import { bandOf, type Spread, sweptQuestion, sweptRun } from './sweep.ts';

const pick = <T>(...values: T[]) => fc.constantFrom(...values);
const maybe = <T>(...values: T[]) => fc.option(pick(...values), { nil: undefined, freq: 2 });

const PIPES: SurgePipe[] = [
  { boreIn: 0.545, wallIn: 0.04, lengthFt: 30, modulusGpa: 117, roughnessMm: 0.0015 },
  { boreIn: 0.475, wallIn: 0.075, lengthFt: 18, modulusGpa: 0.7, roughnessMm: 0.007 },
  { boreIn: 0.375, wallIn: 0.0775, lengthFt: 5, modulusGpa: 0.2, roughnessMm: 0.01 },
  { boreIn: 0.785, wallIn: 0.045, lengthFt: 12, modulusGpa: 117, roughnessMm: 0.0015 },
  { boreIn: 0, wallIn: 0.04, lengthFt: 3, modulusGpa: 117, roughnessMm: 0.0015 },
];
const good = PIPES.slice(0, 4);
const cushion = { volumeIn3: 3, prechargePsi: 60 };
const anyQuestion = fc
  .record({
    pipes: fc.array(pick(...good, ...good, ...good, ...good, ...good, PIPES[4]!), { minLength: 1, maxLength: 3 }),
    staticPsi: pick(20, 60, 95, 400),
    gpm: pick(0.8, 1.5, 2, 2, 3, 4, 6, 0),
    closeMs: pick(0, 15, 40, 120),
    tempF: pick(60, 140),
    law: maybe('flow' as const, 'area' as const, 'late' as const),
    cushion: maybe(cushion, { ...cushion, hasStop: true }, { ...cushion, prechargePsi: 90 }),
    cushionFt: maybe(3, 3, 10, 500),
    branches: maybe(
      [{ after: 0, pipes: [good[2]!] }],
      [{ after: 0, pipes: [good[1]!], cushion }],
      [{ after: 0, pipes: [good[3]!, good[2]!], cushion }],
    ),
    seconds: pick(0.05, 0.15),
    reaches: pick(20, 41, 60),
    limitPsi: maybe(100, 200),
    isFrictionless: maybe(true),
    frames: maybe(3),
  })
  .map((q) => JSON.parse(JSON.stringify(q)) as SurgeQuestion);

const told = ({ t, psi, along, frames, ...rest }: Surge) => [
  rest,
  t.length,
  psi.filter((_, i) => i % Math.ceil(psi.length / 12) === 0),
  along.length,
  along.filter((_, i) => i % Math.ceil(along.length / 6) === 0),
  frames.length,
  frames.at(-1)?.psi.slice(0, 5),
];

const anySpread = fc.record<Spread>(
  { closeMs: pick([15, 40]), staticPsi: pick([55, 70]), gpm: pick([1, 3]), modulusTimes: pick([0.7, 1.6]), cushionTimes: pick([0.5, 1]) },
  { requiredKeys: [] },
);

held(import.meta.url, [
  ...sampled('surge', anyQuestion, 140, (q) => told(surge(q))),
  ...sampled('swept', fc.tuple(anyQuestion, anySpread, fc.nat(60)), 40, ([q, spread, run]) => sweptQuestion(q, spread, run)),
  ...sampled('band', fc.tuple(anyQuestion, anySpread), 8, ([q, spread]) => {
    const { t, low, mid, high, ...rest } = bandOf(
      Array.from({ length: 8 }, (_, i) => sweptRun(surge(sweptQuestion(q, spread, i)), q.seconds)),
      q.seconds,
    );
    return [rest, t.length, ...[t, low, mid, high].map((list) => list.filter((_, i) => i % 40 === 0))];
  }),
  ...sampled(
    'effects',
    anyQuestion.map((q) => ({ ...q, seconds: 0.05, reaches: 20 })),
    10,
    (q) => surgeEffects(q),
  ),
  ...[1, 11, 11.5, 32, 33, 60, 113, 154, 330, 331, 0].flatMap((units) =>
    [
      [60, 10],
      [66, 20],
      [65, 19.9],
      [80, 45],
    ].map(
      ([psi, ft]) =>
        [`arrestor for ${units} at ${psi} over ${ft}`, () => [arrestorSize(units, psi!, ft!), arrestorSize(units, psi!, ft!, true).size]] as const,
    ),
  ),
  ...Object.keys(CHAMBER_STATES).flatMap((state) =>
    [1, 12, 0].map((volume) => [`air chamber of ${volume}, ${state}`, () => airChamber(volume, 60, state as ChamberState)] as const),
  ),
  ...[10, 20, 21, 100].map((ms) => [`Michaud at ${ms}`, () => michaudPsi(100, 0.02, ms)] as const),
]);
