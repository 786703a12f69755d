import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { callbacksOverTime } from './over-time.ts';
import { GUESS_JOINTS, weighedRate } from './weighed-rate.ts';

const near = (a: number, b: number, within = 1e-9) => assert.ok(Math.abs(a - b) <= within, `${a} is not ${b}`);

describe('a first guess weighed with what the shop has seen', () => {
  it('stands where nothing was made, and gives way as joints are made', () => {
    assert.equal(weighedRate({ guess: 0.004, joints: 0, callbacks: 0 }).weighed, 0.004);
    // 500 guessed joints with 2 callbacks and 500 made with 8: 10 in 1,000.
    near(weighedRate({ guess: 0.004, joints: GUESS_JOINTS, callbacks: 8 }).weighed, 0.01);
    near(weighedRate({ guess: 0.004, joints: 100_000, callbacks: 1000 }).weighed, 0.01, 5e-5);
  });
  it("lies between the guess and the shop, and says both with the shop's interval", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        fc.integer({ min: 1, max: 20_000 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (guess, joints, part) => {
          const callbacks = Math.floor(part * joints);
          const r = weighedRate({ guess, joints, callbacks });
          assert.ok(r.weighed >= Math.min(guess, r.own.mean) - 1e-12 && r.weighed <= Math.max(guess, r.own.mean) + 1e-12);
          assert.ok(r.own.low <= r.own.mean && r.own.mean <= r.own.high);
        },
      ),
      { seed: 3 },
    );
  });
});

describe('callbacks by age', () => {
  it('have the exact interval of a Poisson count, also where there is none', () => {
    // Garwood: 0 events 0 to 3.689; 3 events 0.6187 to 8.767; 10 events 4.795 to 18.39.
    const none = callbacksOverTime({ jointYears: 1000, callbacks: 0 })!;
    near(none.mean, 0);
    near(none.low, 0);
    near(none.high, 3.6889, 1e-3);
    const three = callbacksOverTime({ jointYears: 500, callbacks: 3 })!;
    near(three.mean, 6);
    near(three.low, 2 * 0.61867, 1e-3);
    near(three.high, 2 * 8.76727, 1e-3);
    near(callbacksOverTime({ jointYears: 1000, callbacks: 10 })!.high, 18.3904, 1e-3);
  });
  it('are not known at an age that no joint has', () => {
    assert.equal(callbacksOverTime({ jointYears: 0, callbacks: 0 }), null);
    assert.throws(() => callbacksOverTime({ jointYears: -1, callbacks: 0 }), /joint-years/);
    assert.throws(() => callbacksOverTime({ jointYears: 10, callbacks: 0.5 }), /callbacks/);
  });
  it('hold the rate in at least 95 of 100 made-up shops', () => {
    let state = 7;
    const next = () => {
      state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
      return (state + 0.5) / 4294967296;
    };
    const poisson = (mean: number) => {
      let n = 0;
      for (let p = next(); p > Math.exp(-mean); p *= next()) n++;
      return n;
    };
    let holds = 0;
    for (let i = 0; i < 2000; i++) {
      const rate = 20 * next();
      const years = 100 + 900 * next();
      const r = callbacksOverTime({ jointYears: years, callbacks: poisson((rate * years) / 1000) })!;
      if (r.low <= rate && rate <= r.high) holds++;
    }
    assert.ok(holds >= 0.95 * 2000, `held in ${holds} of 2000`);
  });
});
