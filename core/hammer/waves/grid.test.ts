import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { InputError } from '../../errors.ts';
import { checkedCut, cutPipes } from './grid.ts';

describe('pipes cut into reaches', () => {
  it('one alone is cut as it is asked, and its wave speed stays', () => {
    assert.deepEqual(cutPipes([0.012], 120), { dtS: 0.012 / 120, reaches: [120], fit: 0 });
  });
  it('whose times are whole shares of one another are not moved', () => {
    const { reaches, fit } = cutPipes([0.006, 0.012, 0.018], 60);
    assert.ok(fit < 1e-9, String(fit));
    assert.deepEqual(
      reaches.map((n) => n / reaches[0]!),
      [1, 2, 3],
    );
  });
  it('any pipes: a step is as fine as asked and not a third finer, each pipe has a reach at least, none is moved by more than is told', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1e-4, max: 0.1, noNaN: true }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 8, max: 500 }),
        (seconds, wanted) => {
          const { dtS, reaches, fit } = cutPipes(seconds, wanted);
          const asked = seconds.reduce((a, b) => a + b, 0) / wanted;
          assert.ok(dtS <= asked * (1 + 1e-12) && dtS >= asked / 1.31, `${dtS} of ${asked}`);
          seconds.forEach((s, k) => {
            assert.ok(reaches[k]! >= 1 && Number.isInteger(reaches[k]), `pipe ${k}`);
            assert.ok(Math.abs(s / (reaches[k]! * dtS) - 1) <= fit + 1e-12, `pipe ${k} is moved by more`);
          });
        },
      ),
    );
  });
  it('of which one is short get a finer grid until it fits; one far too short is refused', () => {
    const cut = checkedCut([0.01, 0.00004], 50, 20_000);
    assert.ok(cut.fit <= 0.15 && cut.reaches[0]! > 100, JSON.stringify(cut));
    assert.throws(() => checkedCut([0.01, 1e-9], 50, 20_000), InputError);
  });
});
