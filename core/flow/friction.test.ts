import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { frictionFactor } from './friction.ts';

/** Colebrook and White's factor by trying it again and again. */
function byTrying(reynolds: number, roughness: number): number {
  let f = 0.02;
  for (let i = 0; i < 400; i++) f = (-2 * Math.log10(roughness / 3.7 + 2.51 / (reynolds * Math.sqrt(f)))) ** -2;
  return f;
}

describe('the friction factor', () => {
  it('is Colebrook and White’s, from 4,000 to 1e8 and from smooth to 0.05', () => {
    for (let e = Math.log10(4000); e <= 8; e += 0.05) {
      for (const roughness of [0, 1e-7, 1e-6, 1e-5, 1e-4, 1e-3, 5e-3, 0.01, 0.03, 0.05]) {
        const [f, wanted] = [frictionFactor(10 ** e, roughness), byTrying(10 ** e, roughness)];
        assert.ok(Math.abs(f / wanted - 1) < 1e-9, `Re ${10 ** e}, roughness ${roughness}: ${f}, not ${wanted}`);
      }
    }
  });
  it('has the usual figures of the charts', () => {
    for (const [reynolds, roughness, f] of [
      [1e5, 0, 0.018],
      [1e5, 1e-3, 0.0222],
      [1e6, 1e-4, 0.0134],
      [1e7, 0.05, 0.0716],
    ] as const) {
      assert.ok(Math.abs(frictionFactor(reynolds, roughness) / f - 1) < 0.01, `${reynolds}, ${roughness}: ${frictionFactor(reynolds, roughness)}`);
    }
  });
  it('is 64 over Re where it is laminar, and comes to the other side without a step or a corner', () => {
    assert.equal(frictionFactor(1000, 0.01), 0.064);
    for (const at of [2300, 4000]) {
      for (const roughness of [0, 1e-3, 0.05]) {
        const [before, here, after] = [at - 1e-3, at, at + 1e-3].map((re) => frictionFactor(re, roughness)) as [number, number, number];
        assert.ok(Math.abs(after - before) < 1e-7, `a step at ${at}`);
        assert.ok(Math.abs((after - here - (here - before)) / 1e-3) < 1e-6, `a corner at ${at}`);
      }
    }
  });
  it('never makes more flow lose less', () => {
    fc.assert(
      fc.property(fc.double({ min: 100, max: 1e7, noNaN: true }), fc.double({ min: 0, max: 0.05, noNaN: true }), (reynolds, roughness) => {
        assert.ok(frictionFactor(reynolds * 1.01, roughness) * 1.01 ** 2 > frictionFactor(reynolds, roughness), `${reynolds}, ${roughness}`);
      }),
    );
  });
});
