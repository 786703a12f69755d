import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { ATM_PA, PA_PER_PSI } from '../../units/si.ts';
import { GAS_POWER, type Gas, gasAt, givingPa, landingFlow, liftsOff, tookUp } from './cushion.ts';
import { SHUT } from './outlet.ts';

const PSI = PA_PER_PSI;
const IN3 = 0.0254 ** 3;
const law = ({ volumeM3 }: Gas, pa: number) => (pa + ATM_PA) * volumeM3 ** GAS_POWER;
/** What comes at no pressure, and less for every Pa: half-inch copper. */
const [C, Y, DT] = [2e-4, 1 / 9e9, 5e-5];

describe('gas that takes a bang up', () => {
  it('at its precharge is as large as it is said, by its law at any other pressure', () => {
    assert.ok(Math.abs(gasAt({ volumeIn3: 3, prechargePsi: 60 }, 60 * PSI).volumeM3 / (3 * IN3) - 1) < 1e-12, 'at its precharge');
    for (const psi of [10, 45, 100, 400]) {
      const gas = gasAt({ volumeIn3: 3, prechargePsi: 60 }, psi * PSI);
      assert.ok(Math.abs(Math.log(law(gas, psi * PSI)) - gas.logLaw) < 1e-12, `${psi} psi`);
      assert.equal(gas.volumeM3 > 3 * IN3, psi < 60, `${psi} psi`);
    }
  });
  it('keeps its law over a step, with the volume that flowed', () => {
    const gas = gasAt({ volumeIn3: 3, prechargePsi: 60 }, 60 * PSI);
    let pa = 60 * PSI;
    for (let step = 0; step < 200; step++) {
      pa = givingPa(gas, C, Y, SHUT, pa, DT)!;
      tookUp(gas, C - Y * pa, DT);
      assert.ok(Math.abs(Math.log(law(gas, pa)) - gas.logLaw) < 1e-7, `step ${step}`);
    }
    assert.ok(pa > 60 * PSI && gas.volumeM3 < 3 * IN3, 'nothing was squeezed');
    // In the end nothing flows: what comes at that pressure goes back.
    assert.ok(gas.flow < C, String(gas.flow));
  });
  it('with a stop rests under its precharge, is lifted over it, and lands where it was', () => {
    const gas = gasAt({ volumeIn3: 3, prechargePsi: 60, hasStop: true }, 45 * PSI);
    assert.deepEqual([gas.state, gas.volumeM3], ['rests', 3 * IN3]);
    assert.equal(liftsOff(gas, 59 * PSI), false);
    assert.equal(liftsOff(gas, 61 * PSI), true);
    let pa = givingPa(gas, C, Y, SHUT, 61 * PSI, DT)!;
    tookUp(gas, C - Y * pa, DT);
    assert.ok(gas.volumeM3 < 3 * IN3, 'it gives');
    // Now the line draws: it comes back, and what brings it there is told for two halves.
    let steps = 0;
    for (let next: number | null = pa; next !== null && steps < 10_000; steps++) {
      next = givingPa(gas, -C, Y, SHUT, pa, DT);
      if (next === null) break;
      pa = next;
      tookUp(gas, -C - Y * pa, DT);
    }
    assert.equal(gas.state, 'lands');
    tookUp(gas, landingFlow(gas, DT), DT);
    assert.equal(liftsOff(gas, 500 * PSI), false, 'it rests a step');
    tookUp(gas, 0, DT);
    assert.ok(Math.abs(gas.volumeM3 / (3 * IN3) - 1) < 1e-12, String(gas.volumeM3 / (3 * IN3)));
    assert.equal(liftsOff(gas, 500 * PSI), true, 'and is lifted by the next');
  });
});
