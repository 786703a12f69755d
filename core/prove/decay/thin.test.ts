import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { slopeOf } from './slope.ts';
import { Thinned } from './thin.ts';

describe('readings of hours', () => {
  const reading = (i: number) => ({ minutes: i / 3000, psi: 60 - i / 30_000 + Math.sin(i * 12.9898) * 0.05, tempF: 66 + Math.sin(i / 9000) * 0.3 });

  it('are never more than asked, and blocks of equal size', () => {
    const thinned = new Thinned(400);
    for (let i = 0; i < 180_000; i++) {
      thinned.add(reading(i));
      assert.ok(thinned.readings.length < 400, `${thinned.readings.length}`);
    }
    const { readings, blockSize } = thinned;
    assert.ok(
      readings.length >= 200 && readings.length * blockSize <= 180_000 && (readings.length + 1) * blockSize > 180_000,
      `${readings.length} of ${blockSize}`,
    );
    assert.ok(Math.log2(blockSize) % 1 === 0, `${blockSize}`);
  });

  it('fall as the readings themselves fall: the same slope, to what is left of the last block', () => {
    const thinned = new Thinned(64);
    const all = Array.from({ length: 64 * 32 }, (_, i) => reading(i * 40));
    for (const r of all) thinned.add(r);
    const whole = slopeOf(all, 0.05);
    const means = slopeOf(thinned.readings, 0.05 / Math.sqrt(thinned.blockSize));
    assert.ok(Math.abs(means.psiPerMin - whole.psiPerMin) < 2 * whole.sigma, `${means.psiPerMin} ${whole.psiPerMin}`);
    assert.ok(Math.abs(means.sigma / whole.sigma - 1) < 0.01, `${means.sigma} ${whole.sigma}`);
  });

  it('are each itself while they are few', () => {
    const thinned = new Thinned(10);
    for (let i = 0; i < 9; i++) thinned.add(reading(i));
    assert.deepEqual(
      thinned.readings,
      Array.from({ length: 9 }, (_, i) => reading(i)),
    );
  });
});
