import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { kernelFor, plainKernel } from './kernel.ts';
import { networkOf } from './network.ts';
import { swap } from './pipe.ts';
import type { SurgeQuestion } from './shape.ts';

const LINE: SurgeQuestion = { pipes: [{ boreIn: 0.545, wallIn: 0.04, lengthFt: 30, modulusGpa: 117, roughnessMm: 0.0015 }], staticPsi: 400, gpm: 2, closeMs: 0, tempF: 68, seconds: 0.3, reaches: 37 }; // biome-ignore format: one question

describe('the compiled loop', () => {
  it('is the plain one to the last digit, over many steps, marks and friction too', () => {
    const nets = [networkOf(LINE), networkOf(LINE, () => plainKernel)] as const;
    assert.notEqual(nets[0].kernel, plainKernel, 'nothing is compiled here');
    for (let step = 0; step < 2000; step++) {
      const least = nets.map((net) => {
        const pipe = net.main[0]!;
        if (step % 4 === 0) net.kernel.renew(pipe);
        const low = net.kernel.advance(pipe, pipe.high, pipe.low);
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
  it('has room for what it was asked for', () => {
    const kernel = kernelFor(100_000);
    const [a, b] = [kernel.take(60_000), kernel.take(40_000)];
    a.fill(1);
    b.fill(2);
    assert.equal(a.at(-1), 1);
    assert.equal(b[0], 2);
  });
});
