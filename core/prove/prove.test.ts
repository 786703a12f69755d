import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { callbackRate } from '../log/callback-rate.ts';
import { seals } from '../rows/index.ts';
import { readFraction, writeFraction, writeTurns } from '../units/fraction.ts';
import { dripRate, dryBound, pooledBound, waitAfter, waitFor } from './bounds.ts';
import { DAY_ML_PER_DAY, doorMlPerDay } from './door.ts';
import { remedy } from './remedy.ts';

const near = (value: number | null, wanted: number, within = 0.01) =>
  assert.ok(value !== null && Math.abs(value - wanted) <= within * Math.abs(wanted), `${value} is not ${wanted}`);

describe('what a dry look proves', () => {
  it('two minutes by eye proves under about 110 mL a day with a 0.05 mL drop', () => near(dryBound({ waitMin: 2, dropMl: 0.05 }).mlPerDay, 107.8));
  it('a tissue for 20 minutes proves under about 2 mL a day', () => near(dryBound({ waitMin: 20, dropMl: 0.01 }).mlPerDay, 2.157));
  it('proves nothing within the first-drop delay', () => {
    assert.equal(dryBound({ waitMin: 2, dropMl: 0.1, delayMin: 2 }).mlPerDay, null);
    assert.equal(dryBound({ waitMin: 0, dropMl: 0.1 }).mlPerDay, null);
  });
  it('is never quoted below the floor', () => assert.equal(dryBound({ waitMin: 1440, dropMl: 0.01, floorMlPerDay: 0.3 }).mlPerDay, 0.3));
  it('pools looks, each past its own delay', () => {
    const once = dryBound({ waitMin: 18, dropMl: 0.01 }).mlPerDay;
    const looks = [
      { waitMin: 11, dropMl: 0.01 },
      { waitMin: 11, dropMl: 0.01 },
      { waitMin: 1, dropMl: 0.01 },
    ];
    near(pooledBound({ looks, delayMin: 2 }).mlPerDay, once as number, 1e-9);
  });
  it('counts what can hide in the joint before a drop shows', () => {
    // (0.3 + 3.0 x 0.01) mL in 8 minutes.
    near(dryBound({ waitMin: 10, dropMl: 0.01, hiddenMl: 0.3, delayMin: 2 }).mlPerDay, ((0.3 - Math.log(0.05) * 0.01) * 1440) / 8, 1e-9);
    near(waitFor({ targetMlPerDay: 10, dropMl: 0.01, hiddenMl: 0.3, delayMin: 2 }).minutes, 49.5, 0.001);
  });
  it('pools looks with what hides in each: the smallest leak that would have shown, as bisection finds it', () => {
    const look = fc.record({
      waitMin: fc.double({ min: 0, max: 200, noNaN: true }),
      dropMl: fc.constantFrom(0.01, 0.1),
      hiddenMl: fc.constantFrom(0, 0.02, 0.3, 1),
    });
    fc.assert(
      fc.property(fc.array(look, { minLength: 1, maxLength: 6 }), (looks) => {
        const shown = (mlPerMin: number) =>
          looks.reduce((sum, l) => sum + Math.max(0, mlPerMin * Math.max(0, l.waitMin - 2) - l.hiddenMl) / l.dropMl, 0);
        const bound = pooledBound({ looks, delayMin: 2 }).mlPerDay;
        if (looks.every((l) => l.waitMin <= 2)) return assert.equal(bound, null);
        let [low, high] = [0, 1e18];
        for (let i = 0; i < 300; i++) {
          const mid = (low + high) / 2;
          if (shown(mid) < -Math.log(0.05)) low = mid;
          else high = mid;
        }
        near(bound, high * 1440, 1e-6);
      }),
      { numRuns: 500 },
    );
  });
  it('wait and bound undo each other', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 1000, noNaN: true }),
        fc.constantFrom(0.01, 0.1),
        fc.constantFrom(0, 0.3),
        (targetMlPerDay, dropMl, hiddenMl) => {
          const { minutes } = waitFor({ targetMlPerDay, dropMl, hiddenMl, delayMin: 2 });
          near(dryBound({ waitMin: minutes, dropMl, hiddenMl, delayMin: 2 }).mlPerDay, targetMlPerDay, 1e-6);
        },
      ),
    );
  });
  it('a further look lasts as long as the looks before it leave open', () => {
    const look = fc.record({
      waitMin: fc.double({ min: 0, max: 60, noNaN: true }),
      dropMl: fc.constantFrom(0.01, 0.1),
      hiddenMl: fc.constantFrom(0, 0.3),
    });
    fc.assert(
      fc.property(fc.array(look, { maxLength: 4 }), fc.constantFrom(10, 50), fc.constantFrom(0, 0.3), (looks, targetMlPerDay, hiddenMl) => {
        const { minutes } = waitAfter({ looks, targetMlPerDay, dropMl: 0.01, hiddenMl, delayMin: 2 });
        const all = (waitMin: number) =>
          pooledBound({ looks: [...looks, { waitMin, dropMl: 0.01, hiddenMl }], delayMin: 2 }).mlPerDay ?? Number.POSITIVE_INFINITY;
        if (minutes === 0) assert.ok(all(0) <= targetMlPerDay * (1 + 1e-9));
        else near(all(minutes), targetMlPerDay, 1e-6);
      }),
    );
  });
  it('for the day is about a quarter of an hour with tissue, a little more at a large ferrule', () => {
    assert.deepEqual([doorMlPerDay({ proof: 'day', targetMlPerDay: 10 }), doorMlPerDay({ proof: 'day', targetMlPerDay: 80 })], [50, 80]);
    assert.deepEqual([doorMlPerDay({ proof: 'strict', targetMlPerDay: 10 }), doorMlPerDay({ proof: 'next day', targetMlPerDay: 10 })], [10, null]);
    const minutes = (hiddenMl: number) => waitFor({ targetMlPerDay: DAY_ML_PER_DAY, dropMl: 0.01, hiddenMl, delayMin: 2 }).minutes;
    for (const { id, hiddenMl } of seals) assert.ok(minutes(hiddenMl) <= 18, `${id}: ${minutes(hiddenMl)}`);
  });
  it('refuses figures that are none', () => {
    for (const waitMin of [-1, Number.NaN, Number.POSITIVE_INFINITY]) assert.throws(() => dryBound({ waitMin, dropMl: 0.1 }), /time watched/);
    assert.throws(() => waitFor({ targetMlPerDay: 0, dropMl: 0.1 }), /target/);
  });
});

describe('counted drips', () => {
  /** Exact Poisson limits from published tables (Garwood 1936): 0 -> 0..3.689, 1 -> 0.0253..5.572, 10 -> 4.795..18.39. */
  const table: [number, number, number][] = [
    [0, 0, 3.689],
    [1, 0.0253, 5.572],
    [10, 4.795, 18.39],
    [100, 81.36, 121.6],
  ];
  for (const [drops, low, high] of table) {
    it(`${drops} drops in a minute`, () => {
      const { perMin } = dripRate({ drops, minutes: 1 });
      if (low === 0) assert.equal(perMin[0], 0);
      else near(perMin[0], low, 0.002);
      assert.equal(perMin[1], drops);
      near(perMin[2], high, 0.002);
    });
  }
});

describe('remedies', () => {
  const joint = { seal: 'washer', turnsSoFar: 0.5, finding: 'damp', nudges: 0 } as const;
  it('nudges once within the most', () => assert.deepEqual([remedy(joint).action, remedy(joint).turns], ['nudge', 0.125]));
  it('nudges up to the most exactly', () => assert.equal(remedy({ ...joint, turnsSoFar: 0.625 }).action, 'nudge'));
  it('opens past it', () => assert.equal(remedy({ ...joint, turnsSoFar: 0.65 }).action, 'open-and-look'));
  it('opens after a nudge', () => assert.equal(remedy({ ...joint, nudges: 1 }).action, 'open-and-look'));
  it('shuts a running leak, whatever it is', () => assert.equal(remedy({ ...joint, seal: 'push', finding: 'running' }).action, 'shut'));
  for (const seal of ['push', 'crimp', 'solder', 'taper-plastic'] as const) {
    it(`remakes ${seal}`, () => assert.equal(remedy({ ...joint, seal }).action, 'remake'));
  }
});

describe('callback rates', () => {
  it('agrees with the published Wilson interval: 1 in 10 is 0.018 to 0.404', () => {
    const r = callbackRate({ joints: 10, callbacks: 1 });
    near(r.low, 0.0179, 0.01);
    near(r.high, 0.4042, 0.01);
  });
  it('is sensible at zero', () => {
    assert.deepEqual(callbackRate({ joints: 0, callbacks: 0 }), { mean: 0, low: 0, high: 1 });
    const r = callbackRate({ joints: 300, callbacks: 0 });
    assert.equal(r.low, 0);
    assert.ok(r.high > 0.005 && r.high < 0.02);
  });
  it('refuses more callbacks than joints', () => assert.throws(() => callbackRate({ joints: 1, callbacks: 2 }), /only 1/));
});

describe('fractions', () => {
  it('reads what the trade writes', () => {
    assert.deepEqual(['3/8', '1 1/4', '1-1/4', '0.375', '14"', '.5 in', '1/0', '-3', 'x', ''].map(readFraction), [
      0.375,
      1.25,
      1.25,
      0.375,
      14,
      0.5,
      null,
      null,
      null,
      null,
    ]);
  });
  it('writes it back', () => {
    fc.assert(fc.property(fc.integer({ min: 0, max: 6400 }), (n) => assert.equal(readFraction(writeFraction(n / 64)), n / 64)));
    assert.equal(writeFraction(0.823), '0.823');
  });
  it('says turns as a plumber does', () => {
    assert.deepEqual([0, 3, 8, 12, 24, 30].map(writeTurns), ['by hand only', '1/8 turn', '1/3 turn', '1/2 turn', '1 turn', '1 1/4 turns']);
  });
});
