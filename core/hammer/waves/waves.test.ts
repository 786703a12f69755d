import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { Waves } from './waves.ts';

const ROUND_S = 0.01;
const STEP_S = 0.0001;

/** Counted over a pressure given in time, psi for Pa: limit 150, supply 60, 55 while it runs. */
function counted(seconds: number, psi: (t: number) => number): number {
  const waves = new Waves(150, 60, 55, ROUND_S);
  for (let t = STEP_S; t <= seconds; t += STEP_S) waves.add(t, psi(t));
  return waves.count;
}
/** A square wave of the line's own period: high for a round trip, low for one. */
const square = (swing: number) => (t: number) => 60 + (Math.floor(t / ROUND_S) % 2 === 0 ? swing : -swing);
/** Every step another sign. */
const tremble = (t: number, by: number) => (Math.round(t / STEP_S) % 2 === 0 ? by : -by);

describe('waves over a limit', () => {
  it('are none where none comes over it', () => {
    assert.equal(
      counted(1, () => 60),
      0,
    );
    assert.equal(counted(1, square(80)), 0);
  });
  it('are one for each period of a bare line', () => {
    for (const periods of [1, 4, 25]) assert.equal(counted(periods * 2 * ROUND_S - STEP_S / 2, square(200)), periods, `${periods} periods`);
  });
  it('are one however the top of it trembles about the limit', () => {
    const trembling = (t: number) => square(90)(t) + (square(90)(t) > 60 ? tremble(t, 40) : 0);
    assert.equal(counted(10 * 2 * ROUND_S - STEP_S / 2, trembling), 10);
  });
  it('are one where the pressure comes over it and stays', () => {
    assert.equal(
      counted(1, (t) => (t < 0.1 ? 60 : 180)),
      1,
    );
  });
  it('that grow less are counted until they stay under it', () => {
    const fading = (t: number) => 60 + (square(1)(t) - 60) * 300 * 0.8 ** Math.floor(t / (2 * ROUND_S));
    // 300, 240, 192, 153.6, 122.9, 98.3 over 60; the seventh is under 90.
    assert.equal(counted(20 * 2 * ROUND_S, fading), 6);
  });
});
