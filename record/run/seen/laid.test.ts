import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as z from 'zod/mini';
import { pickLength } from '../../../core/index.ts';
import { distanceMeasured } from '../kinds/distance-measured.ts';
import { type Laid, laidShape, questionOf } from './laid.ts';

const laid: Laid = {
  stop: { out: '3 1/2', up: '165 mm', faces: 'up' },
  inlet: { out: '5', up: '1 ft 5', faces: 'down' },
  side: '4',
  line: { od: '1/2', bend: '3', straight: '1 1/2' },
};

test('what was measured is kept as typed, in whichever unit, and read in inches', () => {
  const read = z.parse(laidShape, { ...laid, inlet: { ...laid.inlet, up: "1' 5" } });
  const q = questionOf(read, [12, 16]);
  assert.ok(Math.abs(q.from.y - 165 / 25.4) < 1e-9 && q.to.y === 17);
  assert.equal(pickLength(q)[0]!.lengthIn, 12);
  for (const spoilt of [
    { ...laid, side: 'far' },
    { ...laid, stop: { ...laid.stop, faces: 'sideways' } },
    { ...laid, more: 1 },
  ]) {
    assert.equal(z.safeParse(laidShape, spoilt).success, false);
  }
});

test('a length that is corrected is not the one that was drawn; the same one keeps its drawing', () => {
  const before = { text: '12 in', inches: 12, laid: { ...laid, inlet: { ...laid.inlet, up: '17' } } };
  const agreed = distanceMeasured.agreed!;
  assert.deepEqual(agreed({ ...before, text: '16' }, before), { text: '16', inches: 16 });
  assert.deepEqual(agreed(before, before), before);
});
