import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { surge } from './surge.ts';
import { bandOf, sweptQuestion, sweptRun } from './sweep.ts';
import { SNAPPED as LINE } from './testing.ts';

describe('a sweep', () => {
  const spread = { closeMs: [15, 40], staticPsi: [55, 70], modulusTimes: [0.7, 1.6] } as const;
  it('fills its ranges evenly, and is the same every time', () => {
    const all = Array.from({ length: 100 }, (_, i) => sweptQuestion(LINE, { ...spread } as never, i));
    for (const [key, [low, high]] of [
      ['closeMs', spread.closeMs],
      ['staticPsi', spread.staticPsi],
    ] as const) {
      const places = all.map((q) => (q[key] - low) / (high - low)).sort((a, b) => a - b);
      assert.ok(
        places.every((p, i) => Math.abs(p - (i + 0.5) / 100) < 0.04),
        `${key} has gaps`,
      );
    }
    assert.deepEqual(sweptQuestion(LINE, { ...spread } as never, 42), all[42]);
    assert.ok(
      all.every((q) => q.pipes[0]!.modulusGpa >= 117 * 0.7 && q.pipes[0]!.modulusGpa <= 117 * 1.6),
      'a modulus out of its range',
    );
  });
  it('makes a band that holds its runs, wide where little is known and nothing where all is', () => {
    const band = (ranges: object) =>
      bandOf(
        Array.from({ length: 60 }, (_, i) => sweptRun(surge(sweptQuestion(LINE, ranges, i)), LINE.seconds)),
        LINE.seconds,
      );
    const wide = band(spread);
    assert.ok(wide.peak.low < wide.peak.mid && wide.peak.mid < wide.peak.high, JSON.stringify(wide.peak));
    assert.ok(
      wide.t.every((_, k) => wide.low[k]! <= wide.mid[k]! && wide.mid[k]! <= wide.high[k]!),
      'the band crosses itself',
    );
    const sure = band({});
    const alone = surge(LINE).peakPsi;
    assert.ok(Math.abs(sure.peak.low - alone) < 1e-9 && Math.abs(sure.peak.high - alone) < 1e-9, 'what is known has a width');
    assert.equal(wide.runs, 60);
    assert.ok(wide.over > 0 && wide.over <= 1, String(wide.over));
  });
  it('on a coarse grid makes the band of a fine one, where the column parts in two pipes too', () => {
    const pipes = [
      { ...LINE.pipes[0]!, lengthFt: 25 },
      { boreIn: 0.375, wallIn: 0.0775, lengthFt: 5, modulusGpa: 0.2, roughnessMm: 0.01 },
    ];
    const base = { ...LINE, pipes, gpm: 4, seconds: 0.4 };
    const band = (reaches: number) =>
      bandOf(
        Array.from({ length: 50 }, (_, i) => sweptRun(surge({ ...sweptQuestion(base, { ...spread } as never, i), reaches }), base.seconds)),
        base.seconds,
      );
    const [coarse, fine] = [band(28), band(90)];
    assert.equal(fine.parted, 1, 'nothing parts');
    for (const key of ['low', 'mid', 'high'] as const)
      assert.ok(Math.abs(coarse.peak[key] / fine.peak[key] - 1) < 0.05, `${key}: ${coarse.peak[key]} and ${fine.peak[key]}`);
  });
});
