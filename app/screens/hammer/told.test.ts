import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { PLASTIC_TIMES, type SurgeQuestion, saidIn, surge } from '../../../core/index.ts';
import { inUnits } from '../../ui/units/Reasons.tsx';
import { linePipes } from './line-pipes.ts';
import { reasonsOf, verdict } from './reasons.ts';
import { spreadOf } from './spread-of.ts';
import { points } from './time-points.ts';

const QUESTION = {
  pipes: [{ boreIn: 0.5, wallIn: 0.06, lengthFt: 20, modulusGpa: 117, roughnessMm: 0.0015 }],
  gpm: 2,
  staticPsi: 60,
  tempF: 60,
  closeMs: 25,
  seconds: 0.2,
} as unknown as SurgeQuestion;

describe('a transient as it is drawn', () => {
  it('is every reading where there are few', () => {
    assert.deepEqual(points({ t: [0, 0.001], psi: [60, 80] } as never), [
      { x: 0, y: 60 },
      { x: 1, y: 80 },
    ]);
  });

  it('of many keeps the highest and the lowest, in the order of time, and no more than a screen shows', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1601, max: 9000 }), fc.integer({ min: 0, max: 8999 }), (n, spike) => {
        const at = spike % n;
        const psi = Array.from({ length: n }, (_, i) => (i === at ? 500 : i === (at + 7) % n ? -20 : 60 + (i % 5)));
        const drawn = points({ t: psi.map((_, i) => i / 1000), psi } as never);
        assert.ok(drawn.length <= 1602, String(drawn.length));
        assert.ok(drawn.some((p) => p.y === 500 && Math.abs(p.x - at) < 1e-9));
        assert.ok(drawn.some((p) => p.y === -20));
        for (let i = 1; i < drawn.length; i++) assert.ok(drawn[i]!.x > drawn[i - 1]!.x);
      }),
      { numRuns: 30 },
    );
  });
});

describe('what is told of a transient', () => {
  const bare = surge(QUESTION);
  it('puts its figures into the laws that it follows from', () => {
    const reasons = reasonsOf({ bare, question: QUESTION });
    assert.deepEqual(
      reasons.map((r) => [r.rule, r.source]),
      [
        ['wave', 'Korteweg'],
        ['instant', 'Joukowsky'],
        ['slow', 'Michaud'],
        ['whole', 'Wylie and Streeter'],
      ],
    );
    const three = (n: number) => String(Number(n.toPrecision(3)));
    assert.ok(reasons[1]!.text.includes(`would add ${three(bare.joukowskyPsi)} psi`));
    // 20 ft there and back at some 4,000 ft/s is 10 ms: 25 ms is slower.
    assert.ok(bare.roundTripS * 1000 < 25);
    assert.ok(reasons[2]!.text.includes(`it adds about ${three((bare.joukowskyPsi * bare.roundTripS * 1000) / 25)} psi`), reasons[2]!.text);
    const metric = inUnits(reasons).map((r) => saidIn(r, 'metric'));
    assert.ok(
      metric.every((text) => !/\d (psi|ft\/s|gpm|in)\b/.test(text)),
      metric.join('\n'),
    );
    assert.match(metric[1]!, /L\/min would add [\d.]+ bar/);
    const fast = reasonsOf({ bare, question: { ...QUESTION, closeMs: 5 } });
    assert.equal(fast[2]!.text, 'It shuts within one round trip: all of that comes.');
  });

  it('says whether it passes what is borne, how often, and where only', () => {
    const said = (more: object) => verdict({ ...bare, limitPsi: 150, ...more } as never, 'inch');
    assert.equal(said({ peakPsi: 150, worst: { psi: 150 } }), 'stays under 150 psi');
    assert.equal(said({ peakPsi: 149, worst: { psi: 151 } }), 'stays under 150 psi at the valve');
    assert.equal(said({ peakPsi: 151, timesOver: 1, worst: { psi: 151 } }), '▲ passes 150 psi once');
    assert.equal(said({ peakPsi: 151, timesOver: 4, worst: { psi: 151 } }), '▲ passes 150 psi 4 times');
    assert.equal(
      verdict({ ...bare, peakPsi: 151, timesOver: 2, limitPsi: 150, worst: { psi: 151 } } as never, 'metric'),
      '▲ passes 10.3 bar 2 times',
    );
  });

  it('is swept over what nobody measured, a plastic’s give and a cushion’s air where there are such', () => {
    assert.deepEqual(spreadOf(QUESTION, false), { closeMs: [15, 40], staticPsi: [50, 70], gpm: [1.7, 2.2] });
    assert.equal(spreadOf({ ...QUESTION, staticPsi: 6 }, false).staticPsi![0], 1, 'a pressure is never below one');
    const all = spreadOf({ ...QUESTION, cushion: { volumeIn3: 5, prechargePsi: 58 } }, true);
    assert.deepEqual([all.modulusTimes, all.cushionTimes], [PLASTIC_TIMES, [0.5, 1]]);
  });

  it('runs through lengths of tube alone: at a quarter of a foot a fitting ends and a pipe begins', () => {
    const piece = (tube: string | undefined, lengthIn: number) => ({ name: `${tube} ${lengthIn}`, tube, lengthIn }) as never;
    const { pipes, names, isPlastic } = linePipes([piece('cu-5/8od', 2.9), piece('cu-5/8od', 3), piece(undefined, 60), piece('cu-5/8od', 120)]);
    assert.deepEqual([names, isPlastic], [['cu-5/8od 3', 'cu-5/8od 120'], false]);
    assert.equal(pipes[1]!.lengthFt, 10);
    assert.ok(Math.abs(pipes[0]!.boreIn + 2 * pipes[0]!.wallIn - 0.625) < 1e-9);
  });
});
