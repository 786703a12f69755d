import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { threadById, threads } from '../tables/threads.ts';
import { logDiameter, logUpperTail } from './evidence.ts';
import { identifyThread } from './identify.ts';
import type { ThreadReading } from './reading.ts';

const probability = (r: ThreadReading, thread: string) => identifyThread(r).candidates.find((c) => c.thread === thread)?.probability ?? 0;

describe('the normal upper tail', () => {
  /** Published values: Abramowitz & Stegun, table 26.1 and 26.2. */
  const table: [number, number][] = [
    [0, 0.5],
    [1, 0.158655253931457],
    [2, 0.022750131948179],
    [3, 0.001349898031630095],
    [5, 2.866515718791939e-7],
    [-2, 0.977249868051821],
  ];
  for (const [z, tail] of table) it(`at ${z}`, () => assert.ok(Math.abs(Math.exp(logUpperTail(z)) / tail - 1) < 1e-9));
  it('at 20 by its logarithm: -203.917', () => assert.ok(Math.abs(logUpperTail(20) + 203.917155) < 1e-5));
  it('joins up where its two forms meet', () => assert.ok(Math.abs(logUpperTail(2.5 - 1e-9) - logUpperTail(2.5)) < 1e-6));
});

describe('which thread is it', () => {
  it('with the gender alone the answer is the prior', () => {
    const { candidates } = identifyThread({ gender: 'm' });
    const sum = threads.reduce((n, t) => n + t.priorWeight, 0);
    for (const c of candidates) assert.ok(Math.abs(c.probability - threadById(c.thread)!.priorWeight / sum) < 1e-12);
  });

  it('takes usual inlets for four times as likely', () => {
    const plain = probability({ gender: 'm' }, 'bc-7/8') / probability({ gender: 'm' }, 'npt-1/2');
    const seen = probability({ gender: 'm', seenOn: 'toilet' }, 'bc-7/8') / probability({ gender: 'm', seenOn: 'toilet' }, 'npt-1/2');
    assert.ok(Math.abs(seen / plain - 4) < 1e-9);
  });

  it('weighs a reading as the integral of an even crest over a normal error does', () => {
    const thread = threadById('npsm-1/2')!;
    for (const read of [0.8, 0.815, 0.83]) {
      let sum = 0;
      const steps = 20_000;
      for (let i = 0; i < steps; i++) {
        const crest = 0.812 + ((i + 0.5) / steps) * 0.011;
        sum += Math.exp(-0.5 * ((read - crest) / 0.005) ** 2) / (0.005 * Math.sqrt(2 * Math.PI) * steps);
      }
      assert.ok(Math.abs(Math.exp(logDiameter(thread, 'm', read, 0.005)) / sum - 1) < 1e-6);
    }
  });

  it('never names one of 1/2 NPSM and G 1/2 by caliper and count', () => {
    for (const diameterIn of [0.812, 0.816, 0.82, 0.824]) {
      const { answer, next } = identifyThread({ gender: 'm', diameterIn, threadsPerIn: 14, tapered: 'no' });
      assert.ok(answer.includes('npsm-1/2') && answer.includes('g-1/2'), answer.join());
      assert.equal(next?.measure, 'flank');
    }
  });

  it('cannot tell 24 from 25.4 from 27 by a count, and asks for the pitch gauge', () => {
    const counted = identifyThread({ gender: 'm', diameterIn: 0.864, threadsPerIn: 26 });
    assert.deepEqual([...counted.answer].sort(), ['aer-55/64', 'm-22x1']);
    assert.equal(counted.next?.measure, 'pitch');
    assert.deepEqual(identifyThread({ gender: 'm', diameterIn: 0.864, threadsPerIn: 27, threadsSigma: 0.2 }).answer, ['aer-55/64']);
  });

  it('tells threads of one geometry by their seat', () => {
    const base = { gender: 'm', diameterIn: 0.37, threadsPerIn: 24 } as const;
    assert.deepEqual([...identifyThread(base).answer].sort(), ['comp-3/16', 'flare-3/16']);
    assert.equal(identifyThread(base).next?.measure, 'seat');
    assert.equal(identifyThread({ ...base, seat: 'flare' }).candidates[0]?.thread, 'flare-3/16');
  });

  for (const [thread, gender, diameterIn, threadsPerIn] of [
    ['comp-3/8', 'm', 0.56, 24],
    ['ght-3/4', 'm', 1.055, 11.5],
    ['ght-3/4', 'f', 0.972, 11.5],
    ['npt-3/8', 'f', 0.586, 18],
    ['bc-7/8', 'm', 0.868, 14],
  ] as const) {
    it(`puts ${thread} ${gender} first for ${diameterIn} in and ${threadsPerIn} an inch`, () =>
      assert.equal(identifyThread({ gender, diameterIn, threadsPerIn }).candidates[0]?.thread, thread));
  }

  it('says "unlike anything known" past 4 sigma, and not before', () => {
    assert.equal(identifyThread({ gender: 'm', diameterIn: 2.2 }).unlike, true);
    assert.equal(identifyThread({ gender: 'm', diameterIn: 0.5625 + 3.9 * 0.005, threadsPerIn: 24 }).unlike, false);
    assert.equal(identifyThread({ gender: 'm', diameterIn: 0.47, threadsPerIn: 40, threadsSigma: 0.5 }).unlike, true);
  });

  it('refuses readings that are none', () => {
    for (const bad of [
      { diameterIn: -1 },
      { diameterIn: 0 },
      { diameterIn: Number.NaN },
      { diameterIn: 40 },
      { threadsPerIn: 300 },
      { seenOn: 'kettle' },
    ]) {
      assert.throws(() => identifyThread({ gender: 'm', ...bad }), /InputError/);
    }
  });

  it('adds up to 1, sorted, and the answer is the smallest set that holds 95 %', () => {
    const reading = fc.record(
      {
        gender: fc.constantFrom('m' as const, 'f' as const),
        diameterIn: fc.double({ min: 0.1, max: 3, noNaN: true }),
        threadsPerIn: fc.double({ min: 4, max: 60, noNaN: true }),
        tapered: fc.constantFrom('yes' as const, 'no' as const, 'unsure' as const),
        flankDeg: fc.constantFrom(55 as const, 60 as const),
      },
      { requiredKeys: ['gender'] },
    );
    fc.assert(
      fc.property(reading, (r) => {
        const { candidates, answer, next } = identifyThread(r);
        const p = candidates.map((c) => c.probability);
        assert.ok(Math.abs(p.reduce((a, b) => a + b, 0) - 1) < 1e-9);
        for (let i = 1; i < p.length; i++) assert.ok(p[i]! <= p[i - 1]!);
        const held = (n: number) => p.slice(0, n).reduce((a, b) => a + b, 0);
        assert.ok(held(answer.length) >= 0.95 - 1e-9 && held(answer.length - 1) < 0.95);
        assert.ok(next === null || (next.gainBits > 0 && next.gainBits < 6));
      }),
    );
  });
});
