/** Limits of what is said of a flow: just under, at and just over each. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { type FlowLine, operatingPoint } from './operating-point.ts';

const tube = (boreIn: number, lengthIn = 240) => ({ boreIn, lengthIn, roughnessMm: 0.0015, name: 'tube' });
const line = (more: Partial<FlowLine>): FlowLine => ({
  sourcePsi: 60,
  riseFt: 0,
  tempF: 60,
  pieces: [tube(0.43)],
  appliance: { designGpm: 2, designPsi: 20 },
  ...more,
});
const rules = (l: FlowLine) => operatingPoint(l).because.map((b) => b.rule);

/** The bore at which water runs at a speed in a line, in, by halving. */
function boreAt(ftS: number, more: Partial<FlowLine>): number {
  let [narrow, wide] = [0.1, 1.2];
  for (let i = 0; i < 80; i++) {
    const bore = (narrow + wide) / 2;
    if (operatingPoint(line({ ...more, pieces: [tube(bore)] })).speedFtS[0]! > ftS) narrow = bore;
    else wide = bore;
  }
  return (narrow + wide) / 2;
}

describe('a flow', () => {
  it('is heard over 8 ft/s cold, over 5 ft/s from 140 F, and not at it', () => {
    for (const [tempF, limit] of [
      [60, 8],
      [139.9, 8],
      [140, 5],
      [160, 5],
    ] as const) {
      const bore = boreAt(limit, { tempF });
      const heard = (b: number) => rules(line({ tempF, pieces: [tube(b)] })).includes('flow-noise');
      assert.deepEqual([heard(bore * 0.995), heard(bore * 1.005)], [true, false], `${tempF} F`);
    }
  });
  it('is heard in a run of tube of 24 in and more, not in the foot of a connector', () => {
    const fast = (lengthIn: number) => rules(line({ pieces: [tube(0.25, lengthIn), tube(0.8)] })).includes('flow-noise');
    assert.deepEqual([23.9, 24, 24.1].map(fast), [false, true, true]);
  });
  it('over 80 psi standing wants a reducing valve; an appliance that bears less wants it sooner', () => {
    const over = (sourcePsi: number, maxPsi?: number) =>
      rules(line({ sourcePsi, appliance: { designGpm: 2, designPsi: 20, ...(maxPsi === undefined ? {} : { maxPsi }) } })).includes('flow-over');
    assert.deepEqual(
      [79.9, 80.1].map((psi) => over(psi)),
      [false, true],
    );
    assert.deepEqual(
      [59.9, 60.1].map((psi) => over(psi, 60)),
      [false, true],
    );
  });
  it('is weak under what its maker asks, good at it, none where the water does not rise', () => {
    // A line that loses nothing brings what the source has.
    const at = (sourcePsi: number, riseFt = 0) => operatingPoint(line({ sourcePsi, riseFt, pieces: [] })).verdict;
    assert.deepEqual([at(19.9), at(20.1)], ['weak', 'enough']);
    const FT_OF_A_PSI = 2.3094;
    assert.deepEqual([at(10, 10 * FT_OF_A_PSI * 1.01), at(10, 10 * FT_OF_A_PSI * 0.5)], ['none', 'weak']);
  });
  it('says what stands at the inlet: the source less the height, at 0.433 psi a foot', () => {
    const { staticPsi, risePsi } = operatingPoint(line({ riseFt: 30 }));
    assert.ok(Math.abs(risePsi - 30 * 0.4332) < 0.02, String(risePsi));
    assert.ok(Math.abs(staticPsi - (60 - risePsi)) < 1e-6, String(staticPsi));
  });
});
