import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { type RiserQuestion, riserMarks } from './riser.ts';
import { walkBent } from './testing.ts';

const basin: RiserQuestion = {
  riseIn: 14,
  offsetIn: 1.5,
  insertBelowIn: 0.375,
  insertAboveIn: 0.75,
  straightBelowIn: 1,
  straightAboveIn: 1,
  bendRadiusIn: 1.125,
};

test('a straight riser is the rise and what goes in at both ends', () => {
  assert.deepEqual(
    { ...riserMarks({ ...basin, offsetIn: 0 })!, because: [] },
    { bendDeg: 0, firstBend: null, secondBend: null, cutIn: 15.125, because: [] },
  );
});

test('a tube bent at the marks ends over the shank, in line with it, with its straight ends kept', () => {
  const inches = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  let made = 0;
  fc.assert(
    fc.property(inches(4, 24), inches(0.1, 8), inches(0.5, 3), (riseIn, offsetIn, bendRadiusIn) => {
      const q = { ...basin, riseIn, offsetIn, bendRadiusIn };
      const marks = riserMarks(q);
      if (!marks) {
        // Not even a square bend lies in it, or the rise is used up.
        const meet = offsetIn < 2 * bendRadiusIn ? Math.acos(1 - offsetIn / (2 * bendRadiusIn)) : Math.PI / 2;
        assert.ok(2 * bendRadiusIn * Math.sin(meet) > riseIn - 2);
        return;
      }
      made++;
      const [first, second] = [marks.firstBend!, marks.secondBend!];
      const end = walkBent(marks.cutIn, [
        { ...first, radiusIn: bendRadiusIn },
        { ...second, radiusIn: -bendRadiusIn },
      ]);
      const off = [end.turned, end.y - offsetIn, end.x - q.insertBelowIn - (riseIn + q.insertAboveIn)];
      assert.ok(Math.hypot(...off) < 1e-9, `${off}`);
      assert.ok(first.fromIn >= q.insertBelowIn + q.straightBelowIn - 1e-6);
      assert.ok(marks.cutIn - second.toIn >= q.straightAboveIn + q.insertAboveIn - 1e-6);
    }),
    { numRuns: 300, seed: 9, endOnFailure: true },
  );
  assert.ok(made > 100, `${made} made`);
});

test('an offset too wide for its rise has no marks: a flexible line is wanted', () => {
  assert.equal(riserMarks({ ...basin, riseIn: 3 }), null);
  assert.equal(riserMarks({ ...basin, riseIn: 1 }), null);
});
