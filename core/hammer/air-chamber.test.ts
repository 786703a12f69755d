import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { airChamber } from './air-chamber.ts';
import type { SurgeQuestion } from './shape.ts';
import { surge } from './surge.ts';
import { SNAPPED as LINE } from './testing.ts';

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
