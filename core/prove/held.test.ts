/** Bounds, waits, rates and remedies over their ranges. */
import fc from 'fast-check';
import { seals } from '../rows/seals.ts';
import { held, sampled } from '../testing.ts';
import { dripRate, dropsAnHour, dryBound, pooledBound, waitFor } from './bounds.ts';
import { fallPerMl } from './decay/give.ts';
import { normalQuantile, twoSided } from './decay/normal.ts';
import { type DecayQuestion, pressureDecay } from './decay/pressure-decay.ts';
import { sigmaAfter, slopeOf } from './decay/slope.ts';
import { Thinned } from './decay/thin.ts';
import { drainRemedy } from './drain-remedy.ts';
import { dropWords } from './drop-words.ts';
import { METER_UNITS, meterCheck } from './meter.ts';
import { METHODS, ROUNDS } from './method.ts';
import { remedy } from './remedy.ts';

const pick = <T>(...values: T[]) => fc.constantFrom(...values);
const anyLook = fc.record({ waitMin: pick(0, 1, 2, 3, 10, 20, 120), dropMl: pick(0.01, 0.1), hiddenMl: pick(0, 0.02, 0.3, 1) });
const anyReadings = fc
  .tuple(
    pick(7, 8, 12, 40),
    pick(1, 5),
    pick(0, 0.0003, 0.004, 0.05, -0.01),
    pick(0, 0.08),
    pick(0, 0.5),
    fc.array(fc.integer({ min: -10, max: 10 }), { minLength: 40, maxLength: 40 }),
  )
  .map(([count, every, slope, noise, warms, off]) =>
    Array.from({ length: count }, (_, i) => ({
      minutes: i * every,
      psi: 60 - slope * i * every + noise * off[i]! * 0.1 + warms * 0.2 * Math.sin(i),
      tempF: 68 + warms * Math.sin(i),
    })),
  );
const anyLetOut = fc.array(fc.record({ ml: pick(20, 50, 100), psiBefore: pick(60, 58), psiAfter: pick(50, 55, 57.9) }), {
  minLength: 0,
  maxLength: 4,
});
const anyDecay: fc.Arbitrary<DecayQuestion> = fc.record(
  {
    readings: anyReadings,
    letOut: anyLetOut,
    gaugeSigmaPsi: pick(0.02, 0.1),
    letOutSigmaPsi: pick(0.3),
    mlSigmaPart: pick(0, 0.1),
    targetMlPerDay: pick(1, 10, 100),
    confidence: pick(0.9, 0.99),
  },
  { requiredKeys: ['readings', 'letOut', 'gaugeSigmaPsi'] },
);
const anyBound = fc.record({ delayMin: pick(0, 2), floorMlPerDay: pick(0, 0.3, 5), confidence: pick(0.9, 0.95, 1) }, { requiredKeys: [] });
const LADDERS = [['nudge 1/8', 'nudge 1/8', 'open and look', 'new washer'], ['a quarter turn on each side', 'new gasket'], ['remake']];

held(import.meta.url, [
  ...sampled('dry', fc.tuple(anyLook, anyBound), 60, ([one, more]) => dryBound({ ...one, ...more })),
  ...sampled('pooled', fc.tuple(fc.array(anyLook, { maxLength: 4 }), anyBound), 80, ([looks, more]) => pooledBound({ looks, ...more })),
  ...sampled('wait', fc.tuple(anyLook, pick(1, 10, 0), pick(0.9, 0.95)), 40, ([{ dropMl, hiddenMl }, targetMlPerDay, confidence]) =>
    waitFor({ targetMlPerDay, dropMl, hiddenMl, confidence, delayMin: 2 }),
  ),
  ...sampled('decay', anyDecay, 120, (q) => pressureDecay(q)),
  ...sampled('slope', fc.tuple(anyReadings, pick(0.02, 0.1)), 30, ([readings, sigma]) => {
    const slope = slopeOf(readings, sigma);
    return [slope, sigmaAfter(slope, 0, sigma), sigmaAfter(slope, 20, sigma)];
  }),
  ...sampled('fall', fc.tuple(anyLetOut, pick(0.02, 0.3), pick(0, 0.1)), 30, ([out, sigma, part]) => fallPerMl(out, sigma, part)),
  ...[0, 1e-6, 0.01, 0.02425, 0.025, 0.3, 0.5, 0.8, 0.97575, 0.999, 1].map(
    (share) => [`quantile ${share}`, () => [normalQuantile(share), twoSided(share)]] as const,
  ),
  ...[1, 2, 5, 12, 13, 30].map(
    (n) =>
      [
        `thinned ${n}`,
        () => {
          const thin = new Thinned(4);
          for (let i = 0; i < n; i++) thin.add({ minutes: i, psi: 60 - i, tempF: 70 + (i % 2) });
          return Object.getOwnPropertyNames(Object.getPrototypeOf(thin))
            .filter((name) => name !== 'constructor' && name !== 'add')
            .map((name) => {
              const value = (thin as unknown as Record<string, unknown>)[name];
              return [name, typeof value === 'function' ? (value as () => unknown).call(thin) : value];
            });
        },
      ] as const,
  ),
  ...LADDERS.flatMap((ladder, l) =>
    [0, 1, 2, 3, 4, 5, -1].map((tried) => [`drain ladder ${l} after ${tried}`, () => drainRemedy(ladder, tried)] as const),
  ),
  ...[0.5, 10, 60, 90, 100, 1600, 3600].map((ml) => [`drops of ${ml}`, () => [dropsAnHour(ml), dropWords(ml)]] as const),
  ...[
    [0, 10],
    [1, 1],
    [3, 10],
    [100, 5],
    [2.6, 4],
    [1, 0],
  ].map(([drops, minutes]) => [`drip ${drops} in ${minutes}`, () => dripRate({ drops: drops!, minutes: minutes! })] as const),
  ...Object.entries(METER_UNITS).flatMap(([unit, { ml }]) =>
    [
      [10, 10, 0.1, 30],
      [10, 10.1, 0.1, 30],
      [10, 10.05, 0.1, 30],
      [10, 12, 1, 60],
      [10, 9, 1, 60],
      [10, 10, 1, 0],
    ].map(
      ([before, after, step, minutes]) =>
        [
          `meter ${unit} ${before} ${after} ${step} ${minutes}`,
          () => meterCheck({ before: before!, after: after!, step: step!, mlPerUnit: ml, minutes: minutes! }),
        ] as const,
    ),
  ),
  ...seals.flatMap((seal) =>
    (['damp', 'drip', 'running'] as const).flatMap((finding) =>
      [0, 1, 2, 3].map(
        (nudges) =>
          [
            `${seal.id} ${finding} after ${nudges}`,
            () =>
              [0, seal.turns?.default ?? 0, seal.turns?.most ?? 0, 9].map((turnsSoFar) =>
                [{}, { isOld: true }, { relieveFirst: true }].map((more) => remedy({ seal: seal.id, turnsSoFar, finding, nudges, ...more })),
              ),
          ] as const,
      ),
    ),
  ),
  ['methods', () => [METHODS, ROUNDS]],
]);
