import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { waterAt } from '../../flow/water.ts';
import { aboveVapour, CAVITY_OPENS_PA, FREE_GAS, openCavities, PARTED_TIMES, stepCavities } from './cavity.ts';
import { plainKernel } from './kernel.ts';
import { networkOf } from './network.ts';

const ATM = 101_325;
const net = () =>
  networkOf(
    {
      pipes: [{ boreIn: 0.545, wallIn: 0.04, lengthFt: 30, modulusGpa: 117, roughnessMm: 0.0015 }],
      staticPsi: 60,
      gpm: 3,
      closeMs: 0,
      tempF: 68,
      seconds: 1,
      reaches: 20,
    },
    () => plainKernel,
  );

describe('free gas about a node', () => {
  it('comes to the pressure at which its law and the flow agree, whatever they are', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e-6, noNaN: true }),
        fc.double({ min: 1e-11, max: 1e-8, noNaN: true }),
        fc.double({ min: -1e-3, max: 1e-3, noNaN: true }),
        fc.double({ min: 1e-12, max: 1e-6, noNaN: true }),
        (held, y, excess, gas) => {
          const dtS = 1e-4;
          const u = aboveVapour(held, y, excess, gas, dtS);
          assert.ok(u > 0, `${u} is not above vapour`);
          // Its volume by its law, and by what flowed: the same.
          const [byLaw, byFlow] = [gas / u, held + dtS * (y * u - excess)];
          const scale = Math.abs(held) + dtS * (y * u + Math.abs(excess)) + byLaw;
          assert.ok(Math.abs(byLaw - byFlow) <= 1e-9 * scale, `${byLaw} and ${byFlow}`);
        },
      ),
    );
  });
  it('where more water comes is smaller, its pressure higher', () => {
    const at = (excess: number) => aboveVapour(1e-9, 1e-9, excess, 1e-8, 1e-4);
    for (const excess of [-1e-4, -1e-5, 0, 1e-5, 1e-4]) assert.ok(at(excess + 1e-5) > at(excess), String(excess));
  });
  it('wakes as large as the pressure leaves it, and is booked as it woke', () => {
    const { main, vapourPa } = net();
    const pipe = main[0]!;
    openCavities(pipe, vapourPa);
    assert.equal(pipe.isCavityOpen, true);
    let sum = 0;
    for (let i = 1; i < pipe.n; i++) {
      const pa = (pipe.right[i]! + pipe.left[i]!) / 2;
      assert.ok(Math.abs((pipe.gas[i]! * (pa - vapourPa)) / pipe.freeGas - 1) < 1e-9, `node ${i}`);
      sum += pipe.gas[i]!;
    }
    assert.ok(Math.abs(sum / pipe.openedWith - 1) < 1e-12);
    // A ten-millionth of the water, at one atmosphere.
    const reachM3 = (Math.PI / 4) * (0.545 * 0.0254) ** 2 * ((30 * 0.3048) / pipe.n);
    assert.ok(Math.abs(pipe.freeGas / (FREE_GAS * ATM * reachM3) - 1) < 1e-9);
  });
  it('in a line that runs steadily stays as it is', () => {
    const { main, vapourPa, dtS, kernel } = net();
    const pipe = main[0]!;
    openCavities(pipe, vapourPa);
    const before = [...pipe.gas];
    kernel.advance(pipe, false);
    const most = stepCavities(kernel, pipe, vapourPa, dtS);
    for (let i = 2; i < pipe.n - 1; i++) assert.ok(Math.abs(pipe.nextGas[i]! / before[i]! - 1) < 1e-6, `node ${i}`);
    assert.ok(most < PARTED_TIMES / 1000, String(most));
  });
  it('is nothing beside the water until the pressure is nearly the vapour’s', () => {
    const { vapourPa } = waterAt(68);
    assert.ok(FREE_GAS * (ATM / CAVITY_OPENS_PA) < 1e-6, 'it would matter before it wakes');
    assert.ok(CAVITY_OPENS_PA > vapourPa, 'it would wake too late');
  });
});
