import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { InputError } from '../errors.ts';
import { meterCheck } from './meter.ts';

const GALLON = 3785.411784;

describe('a leak by the water meter', () => {
  it('that moved no step is bounded by one: a tenth of a gallon in an hour is 9 L a day', () => {
    const { mlPerDay, surelySeenMlPerDay, verdict } = meterCheck({ before: 1204.3, after: 1204.3, step: 0.1, mlPerUnit: GALLON, minutes: 60 });
    assert.equal(verdict, 'nothing seen');
    assert.ok(Math.abs(surelySeenMlPerDay - 9085) < 1, `${surelySeenMlPerDay}`);
    assert.deepEqual([mlPerDay.low, Math.round(mlPerDay.high)], [0, 9085]);
  });

  it('flows from the first step on, by nothing at least and two steps at most', () => {
    const { mlPerDay, verdict } = meterCheck({ before: 10, after: 11, step: 1, mlPerUnit: 1, minutes: 1440 });
    assert.deepEqual([verdict, mlPerDay.low, mlPerDay.high], ['flows', 0, 2]);
  });

  it('holds what truly ran, wherever the dial stood between its steps', () => {
    for (let i = 0; i < 500; i++) {
      const [start, ran] = [(i * 0.37) % 5, (i * 0.113) % 3];
      const shown = (x: number) => Math.floor(x / 0.1) * 0.1;
      const { mlPerDay } = meterCheck({ before: shown(start), after: shown(start + ran), step: 0.1, mlPerUnit: 1, minutes: 1440 });
      assert.ok(mlPerDay.low <= ran + 1e-9 && ran <= mlPerDay.high + 1e-9, `${start} ${ran}: ${JSON.stringify(mlPerDay)}`);
    }
  });

  it('is refused where it runs backward or no time went by', () => {
    for (const more of [{ after: 9 }, { minutes: 0 }, { step: 0 }, { before: Number.NaN }])
      assert.throws(() => meterCheck({ before: 10, after: 10, step: 1, mlPerUnit: 1, minutes: 5, ...more }), InputError);
  });
});
