import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { InputError } from '../errors.ts';
import { airChamber } from './air-chamber.ts';
import { arrestorSize } from './arrestor.ts';
import type { SurgeQuestion } from './shape.ts';
import { surge } from './surge.ts';
import { bandOf, sweptQuestion, sweptRun } from './sweep.ts';

describe('an arrestor by the table', () => {
  it('has the size of its fixture units', () => {
    const sizes = [1, 11, 12, 32, 33, 60, 61, 113, 114, 154, 155, 330].map((units) => arrestorSize(units, 50, 10).size);
    assert.deepEqual(sizes, ['A', 'A', 'B', 'B', 'C', 'C', 'D', 'D', 'E', 'E', 'F', 'F']);
    assert.equal(arrestorSize(2, 50, 10, true).size, 'AA');
  });
  it('is one larger above 65 psi flowing, and has a second over 20 ft of branch', () => {
    assert.deepEqual([arrestorSize(11, 65, 20), arrestorSize(11, 66, 20), arrestorSize(11, 66, 21)].map((c) => [c.size, c.count]), [['A', 1], ['B', 1], ['B', 2]]); // biome-ignore format: one table
    assert.equal(arrestorSize(1, 70, 5, true).size, 'A');
    assert.deepEqual(arrestorSize(11, 66, 21).because.map((r) => r.rule), ['arrestor-units', 'arrestor-pressure', 'arrestor-long']); // biome-ignore format: one line
  });
  it('of more than the largest takes are several; above 65 psi one more where no larger is', () => {
    assert.deepEqual([arrestorSize(331, 50, 10), arrestorSize(330, 70, 10)].map((c) => [c.size, c.count]), [['F', 2], ['F', 2]]); // biome-ignore format: one table
  });
  it('refuses what is none', () => {
    for (const bad of [[0, 50, 10], [-1, 50, 10], [5, Number.NaN, 10], [5, 50, -2]] as [number, number, number][]) assert.throws(() => arrestorSize(...bad), InputError, bad.join()); // biome-ignore format: one line
  });
});

const LINE: SurgeQuestion = { pipes: [{ boreIn: 0.545, wallIn: 0.04, lengthFt: 30, modulusGpa: 117, roughnessMm: 0.0015 }], staticPsi: 60, gpm: 2, closeMs: 20, law: 'late', tempF: 68, seconds: 0.2 }; // biome-ignore format: one question

describe('an air chamber', () => {
  it('was squeezed by the line, and fades as its air dissolves', () => {
    const fresh = airChamber(6, 60, 'fresh')!;
    assert.ok(Math.abs(fresh.volumeIn3 - (6 * 14.696) / 74.696) < 1e-3, String(fresh.volumeIn3));
    assert.equal(airChamber(6, 60, 'half absorbed')!.volumeIn3, fresh.volumeIn3 / 2);
    assert.equal(airChamber(6, 60, 'waterlogged'), null);
    const peak = (cushion: SurgeQuestion['cushion']) => surge({ ...LINE, ...(cushion ? { cushion } : {}) }).peakPsi;
    const [none, half, full] = [peak(undefined), peak(airChamber(6, 60, 'half absorbed')!), peak(fresh)];
    assert.ok(full < half && half < none, `${full}, ${half}, ${none}`);
  });
});

describe('a sweep', () => {
  const spread = { closeMs: [15, 40], staticPsi: [55, 70], modulusTimes: [0.7, 1.6] } as const;
  it('fills its ranges evenly, and is the same every time', () => {
    const all = Array.from({ length: 100 }, (_, i) => sweptQuestion(LINE, { ...spread } as never, i));
    for (const [key, [low, high]] of [
      ['closeMs', spread.closeMs],
      ['staticPsi', spread.staticPsi],
    ] as const) {
      const places = all.map((q) => (q[key] - low) / (high - low)).sort((a, b) => a - b);
      assert.ok(places.every((p, i) => Math.abs(p - (i + 0.5) / 100) < 0.04), `${key} has gaps`); // biome-ignore format: one line
    }
    assert.deepEqual(sweptQuestion(LINE, { ...spread } as never, 42), all[42]);
    assert.ok(
      all.every((q) => q.pipes[0]!.modulusGpa >= 117 * 0.7 && q.pipes[0]!.modulusGpa <= 117 * 1.6),
      'a modulus out of its range',
    );
  });
  it('makes a band that holds its runs, wide where little is known and nothing where all is', () => {
    const band = (ranges: object) => bandOf(Array.from({ length: 60 }, (_, i) => sweptRun(surge(sweptQuestion(LINE, ranges, i)), LINE.seconds)), LINE.seconds); // biome-ignore format: one line
    const wide = band(spread);
    assert.ok(wide.peak.low < wide.peak.mid && wide.peak.mid < wide.peak.high, JSON.stringify(wide.peak));
    assert.ok(wide.t.every((_, k) => wide.low[k]! <= wide.mid[k]! && wide.mid[k]! <= wide.high[k]!), 'the band crosses itself'); // biome-ignore format: one line
    const sure = band({});
    const alone = surge(LINE).peakPsi;
    assert.ok(Math.abs(sure.peak.low - alone) < 1e-9 && Math.abs(sure.peak.high - alone) < 1e-9, 'what is known has a width');
    assert.equal(wide.runs, 60);
    assert.ok(wide.over > 0 && wide.over <= 1, String(wide.over));
  });
});
