import assert from 'node:assert/strict';
import { test } from 'node:test';
import { readDegF, readGallons } from './read-water.ts';

test('a bucket is read as it is typed, bare in the device’s own unit', () => {
  const near = (text: string, isMetric: boolean, gallons: number) => assert.ok(Math.abs(readGallons(text, isMetric)! - gallons) < 1e-3, text);
  near('1', false, 1);
  near('2 qt', false, 0.5);
  near('5', true, 1.3209);
  near('5 L', false, 1.3209);
  near('500 mL', true, 0.1321);
  near('1.5 gallons', true, 1.5);
  for (const none of ['', '0', 'full', '-1', '2 cups of it']) assert.equal(readGallons(none, false), null, none);
});

test('hot water in F or C, from freezing to boiling', () => {
  assert.deepEqual([readDegF('120', false), readDegF('120 F', true), readDegF('50', true), readDegF('50 C', false)], [120, 120, 122, 122]);
  for (const none of ['', 'hot', '31', '213', '101 C', '120 K']) assert.equal(readDegF(none, false), null, none);
});
