import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { SurgeQuestion } from '../shape.ts';
import { aboveVapour, openCavities } from './cavity.ts';
import { kernelFor, plainKernel } from './kernel.ts';
import { networkOf } from './network.ts';
import { swap } from './pipe.ts';

const LINE: SurgeQuestion = {
  pipes: [{ boreIn: 0.545, wallIn: 0.04, lengthFt: 30, modulusGpa: 117, roughnessMm: 0.0015 }],
  staticPsi: 400,
  gpm: 2,
  closeMs: 0,
  tempF: 68,
  seconds: 0.3,
  reaches: 37,
};

describe('the compiled loop', () => {
  it('is the plain one to the last digit, over many steps, marks and friction too', () => {
    const nets = [networkOf(LINE), networkOf(LINE, () => plainKernel)] as const;
    assert.notEqual(nets[0].kernel, plainKernel, 'nothing is compiled here');
    for (let step = 0; step < 2000; step++) {
      const least = nets.map((net) => {
        const pipe = net.main[0]!;
        if (step % 4 === 0) net.kernel.renew(pipe);
        const low = net.kernel.advance(pipe, true);
        pipe.nextRight[0] = 2 * net.nodes[0]!.supplyPa! - pipe.nextLeft[0]!;
        pipe.nextLeft[pipe.n] = pipe.nextRight[pipe.n]!;
        swap(pipe);
        return low;
      });
      assert.equal(least[0], least[1], `step ${step}`);
    }
    const [one, other] = nets.map((net) => net.main[0]!);
    for (const part of ['right', 'left', 'high', 'low', 'resist'] as const) assert.deepEqual([...one![part]], [...other![part]], part);
  });
  it('lets free gas move as the plain one does, until the column has parted and closed again', () => {
    const nets = [networkOf({ ...LINE, staticPsi: 30 }), networkOf({ ...LINE, staticPsi: 30 }, () => plainKernel)] as const;
    let most = 0;
    for (const net of nets) openCavities(net.main[0]!, net.vapourPa);
    for (let step = 0; step < 2000; step++) {
      const largest = nets.map((net) => {
        const pipe = net.main[0]!;
        net.kernel.advance(pipe, false);
        const of = net.kernel.breathe(pipe, net.vapourPa, net.dtS);
        pipe.nextRight[0] = 2 * net.nodes[0]!.supplyPa! - pipe.nextLeft[0]!;
        pipe.nextLeft[pipe.n] = pipe.nextRight[pipe.n]!;
        swap(pipe);
        return of;
      });
      assert.equal(largest[0], largest[1], `step ${step}`);
      most = Math.max(most, largest[0]!);
    }
    const [one, other] = nets.map((net) => net.main[0]!);
    assert.ok(most > 1000 * one!.freeGas * 1e-5, 'the column parted');
    for (const part of ['right', 'left', 'high', 'low', 'gas'] as const) assert.deepEqual([...one![part]], [...other![part]], part);
  });
  it('keeps gas at the volume whose pressure answers the two waves', () => {
    // One node: `aboveVapour` says the same of it, written otherwise.
    const { main, vapourPa, dtS } = networkOf({ ...LINE, reaches: 4 }, () => plainKernel);
    const pipe = main[0]!;
    for (const drop of [0, 1e5, 2.7e6, 3e6, 4e6]) {
      openCavities(pipe, vapourPa);
      pipe.nextRight.fill(3e6 - drop);
      pipe.nextLeft.fill(2e6 - drop);
      const held = pipe.nextGas[1]!;
      const wanted = aboveVapour(held, 2 / pipe.z, (5e6 - 2 * drop - 2 * vapourPa) / pipe.z, pipe.freeGas, dtS);
      plainKernel.breathe(pipe, vapourPa, dtS);
      assert.ok(Math.abs(pipe.freeGas / pipe.nextGas[1]! / wanted - 1) < 1e-9, `${drop} Pa lower`);
      assert.ok(Math.abs((pipe.nextRight[1]! + 2e6 - drop) / 2 - wanted - vapourPa) < 0.1, `${drop} Pa lower: its waves`);
    }
  });
  it('is used again once it is free, and then holds noughts', () => {
    const kernel = kernelFor(5000);
    kernel.take(5000).fill(7);
    kernel.free();
    kernel.free();
    const again = kernelFor(4000);
    assert.equal(again, kernel, 'the same room');
    assert.notEqual(kernelFor(4000), again, 'not twice at once');
    assert.ok(
      again.take(4000).every((x) => x === 0),
      'nothing of before is left',
    );
  });
  it('has room for what it was asked for', () => {
    const kernel = kernelFor(100_000);
    const [a, b] = [kernel.take(60_000), kernel.take(40_000)];
    a.fill(1);
    b.fill(2);
    assert.equal(a.at(-1), 1);
    assert.equal(b[0], 2);
  });
});
