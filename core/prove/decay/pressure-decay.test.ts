import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { InputError } from '../../errors.ts';
import { normalQuantile, twoSided } from './normal.ts';
import { type DecayQuestion, pressureDecay } from './pressure-decay.ts';

/** The same row of numbers every time. */
function chance(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let x = state;
    x = Math.imul(x ^ (x >>> 15), x | 1);
    x ^= x + Math.imul(x ^ (x >>> 7), x | 61);
    return ((x ^ (x >>> 14)) >>> 0) / 2 ** 32;
  };
}

interface Line {
  leakMlPerDay: number;
  giveMlPerPsi: number;
  gaugeSigmaPsi: number;
  driftFPerHour: number;
  swingF: number;
  psiPerF: number;
  minutes: number;
  count: number;
}

/** A shut line as the world would have it. */
function simulated(line: Line, next: () => number): DecayQuestion {
  const normal = () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());
  const noise = () => normal() * line.gaugeSigmaPsi;
  const readings = Array.from({ length: line.count }, (_, i) => {
    const minutes = (i * line.minutes) / (line.count - 1);
    const warmer = (line.driftFPerHour * minutes) / 60 + line.swingF * Math.sin((2 * Math.PI * minutes) / 41);
    const psi = 60 - ((line.leakMlPerDay / 1440) * minutes) / line.giveMlPerPsi + line.psiPerF * warmer + noise();
    return { minutes, psi, tempF: 65 + warmer };
  });
  const letOut = [5, 5, 5].map((ml) => {
    const out = ml * (1 + 0.03 * normal());
    return { ml, psiBefore: 60 + noise(), psiAfter: 60 - out / line.giveMlPerPsi + noise() };
  });
  return { readings, letOut, gaugeSigmaPsi: line.gaugeSigmaPsi };
}

const drawn = (next: () => number): Line => ({
  leakMlPerDay: 200 * next(),
  giveMlPerPsi: 0.05 * 40 ** next(),
  gaugeSigmaPsi: 0.02 + 0.1 * next(),
  driftFPerHour: 2 * next() - 1,
  swingF: 0.1 + 0.4 * next(),
  psiPerF: -2 + 8 * next(),
  minutes: 20 + 100 * next(),
  count: 60,
});

describe('quantiles of the normal distribution', () => {
  it('are those of the tables', () => {
    for (const [share, z] of [
      [0.5, 0],
      [0.975, 1.959963985],
      [0.995, 2.575829304],
      [0.01, -2.326347874],
      [0.0001, -3.719016485],
    ] as const)
      assert.ok(Math.abs(normalQuantile(share) - z) < 1e-7, `${share}: ${normalQuantile(share)}`);
    assert.ok(Math.abs(twoSided(0.95) - 1.959963985) < 1e-7, 'two-sided');
    assert.throws(() => normalQuantile(0), InputError);
    assert.throws(() => twoSided(1), InputError);
  });
});

describe('a shut line by its gauge', () => {
  const next = chance(20_260_310);

  it('has its leak in the interval 93 to 97 times in 100, whatever its give, its leak and its temperature', () => {
    let held = 0;
    for (let i = 0; i < 4000; i++) {
      const line = drawn(next);
      const { mlPerDay } = pressureDecay(simulated(line, next));
      if (mlPerDay.low <= line.leakMlPerDay && line.leakMlPerDay <= mlPerDay.high) held += 1;
    }
    assert.ok(held >= 3720 && held <= 3880, `${held} of 4000`);
  });

  it('that is tight is called leaking at most 5 times in 100, and never tight while it leaks twice the target more often than that', () => {
    const verdicts = (leakMlPerDay: number) =>
      Array.from({ length: 2000 }, () => pressureDecay(simulated({ ...drawn(next), leakMlPerDay }, next)).verdict);
    const leaking = verdicts(0).filter((v) => v === 'leaking').length;
    assert.ok(leaking <= 100, `${leaking} of 2000 tight lines called leaking`);
    const tight = verdicts(20).filter((v) => v === 'tight').length;
    assert.ok(tight <= 100, `${tight} of 2000 leaking lines called tight`);
  });

  it('without any noise has the leak and the give it has', () => {
    const exact = { ...drawn(next), leakMlPerDay: 72, giveMlPerPsi: 0.4, gaugeSigmaPsi: 1e-9 };
    const { readings } = simulated(exact, next);
    const d = pressureDecay({ readings, letOut: [{ ml: 5, psiBefore: 60, psiAfter: 60 - 5 / 0.4 }], gaugeSigmaPsi: 1e-6, mlSigmaPart: 0 });
    assert.ok(Math.abs(d.mlPerDay.mid - 72) < 0.01, `${d.mlPerDay.mid}`);
    assert.ok(Math.abs(d.giveMlPerPsi.mid - 0.4) < 1e-9, `${d.giveMlPerPsi.mid}`);
    assert.equal(d.verdict, 'leaking');
  });

  it('whose temperature moves in step with time is undecided, and no wait decides it', () => {
    const line = { ...drawn(next), leakMlPerDay: 0, swingF: 0, driftFPerHour: 3, psiPerF: 24, gaugeSigmaPsi: 0.05 };
    const d = pressureDecay(simulated(line, next));
    assert.deepEqual([d.verdict, d.minutesMore], ['undecided', null]);
    assert.match(d.because.at(-1)!.text, /temperature/);
    assert.ok(Number.isFinite(d.mlPerDay.low) && Number.isFinite(d.mlPerDay.high), 'figures all the same');
    assert.deepEqual(JSON.parse(JSON.stringify(d)), d);
  });

  it('says how much longer decides: after that wait it is decided, mostly', () => {
    let [decided, asked] = [0, 0];
    for (let i = 0; i < 400; i++) {
      const line = { ...drawn(next), swingF: 0, driftFPerHour: 0, giveMlPerPsi: 0.5, leakMlPerDay: next() < 0.5 ? 0 : 40, minutes: 4 };
      const d = pressureDecay(simulated(line, next));
      if (d.minutesMore === null) continue;
      asked += 1;
      const minutes = 4 + d.minutesMore * 1.5;
      const longer = pressureDecay(simulated({ ...line, minutes, count: Math.round(60 * (minutes / 4)) }, next));
      if (longer.verdict !== 'undecided') decided += 1;
    }
    assert.ok(asked > 50 && decided / asked > 0.6, `${decided} of ${asked}`);
  });

  it('takes for the shortest wait the first that would decide, counted one reading at a time', () => {
    let counted = 0;
    for (let i = 0; i < 60; i++) {
      const line = { ...drawn(next), leakMlPerDay: 30 * next(), swingF: 0, driftFPerHour: 0, giveMlPerPsi: 0.5, gaugeSigmaPsi: 0.1, minutes: 3 };
      const d = pressureDecay(simulated(line, next));
      if (d.minutesMore === null) continue;
      counted += 1;
      const every = 3 / 59;
      const z = 1.959963985;
      const fall = 1 / d.giveMlPerPsi.mid;
      const fallError = 1 / d.giveMlPerPsi.low - fall;
      const slope = (d.mlPerDay.mid / 1440) * fall;
      const decides = (n: number) => {
        const error = (z * 0.1) / (every * Math.sqrt((n * (n * n - 1)) / 12));
        const a = fall ** 2 - fallError ** 2;
        const root = Math.sqrt((slope * fall) ** 2 - a * (slope ** 2 - error ** 2));
        return slope * fall - root > 0 || (slope * fall + root) / a <= 10 / 1440;
      };
      let more = 1;
      while (!decides(60 + more)) more += 1;
      assert.ok(Math.abs(d.minutesMore - more * every) < every * 0.01, `${d.minutesMore} against ${more * every}`);
    }
    assert.ok(counted > 20, `${counted}`);
  });

  it('that is fed shows it: the pressure rises', () => {
    const d = pressureDecay(simulated({ ...drawn(next), leakMlPerDay: -300, giveMlPerPsi: 0.1 }, next));
    assert.ok(d.mlPerDay.high < 0 && d.because.some((r) => r.rule === 'rises'), JSON.stringify(d.mlPerDay));
  });

  it('that scatters more than its gauge is told, and not trusted as if it did not', () => {
    const question = simulated({ ...drawn(next), gaugeSigmaPsi: 0.5 }, next);
    const [calm, wild] = [0.5, 0.05].map((gaugeSigmaPsi) => pressureDecay({ ...question, gaugeSigmaPsi }));
    assert.ok(!calm!.because.some((r) => r.rule === 'scatter') && wild!.because.some((r) => r.rule === 'scatter'), 'told');
  });
});

describe('what cannot be answered is refused in words', () => {
  const good = simulated(drawn(chance(7)), chance(8));
  const refused = (more: Partial<DecayQuestion>, field: RegExp) =>
    assert.throws(
      () => pressureDecay({ ...good, ...more }),
      (e: unknown) => e instanceof InputError && field.test(e.field),
    );

  it('too little, out of order, without an error, without a give', () => {
    refused({ readings: good.readings.slice(0, 7) }, /readings/);
    refused({ readings: [...good.readings].reverse() }, /minutes/);
    refused({ readings: good.readings.map((r) => ({ ...r, psi: Number.NaN })) }, /psi/);
    refused({ letOut: [] }, /letOut/);
    refused({ letOut: [{ ml: 0, psiBefore: 60, psiAfter: 50 }] }, /letOut/);
    refused({ letOut: [{ ml: 5, psiBefore: 50, psiAfter: 60 }] }, /letOut/);
    refused({ letOut: [{ ml: 5, psiBefore: 50, psiAfter: 49.99 }], gaugeSigmaPsi: 0.5 }, /letOut/);
    refused({ gaugeSigmaPsi: 0 }, /gaugeSigmaPsi/);
    refused({ targetMlPerDay: 0 }, /target/);
    refused({ confidence: 1 }, /confidence/);
  });

  it('and nothing else is ever thrown, whatever is read', () => {
    const figure = fc.double({ noDefaultInfinity: true, noNaN: false });
    const question = fc.record({
      readings: fc.array(fc.record({ minutes: figure, psi: figure, tempF: figure }), { maxLength: 12 }),
      letOut: fc.array(fc.record({ ml: figure, psiBefore: figure, psiAfter: figure }), { maxLength: 3 }),
      gaugeSigmaPsi: figure,
    });
    fc.assert(
      fc.property(question, (q) => {
        try {
          pressureDecay(q);
        } catch (e) {
          assert.ok(e instanceof InputError, String(e));
        }
      }),
    );
  });
});
