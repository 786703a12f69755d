import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { placesFor } from './places.ts';

describe('places of rows', () => {
  it('number a new file from 1', () => assert.deepEqual(placesFor([null, null, null]), [1, 2, 3]));
  it('leave all as they are where nothing moved', () => assert.deepEqual(placesFor([1, 2, 3]), [1, 2, 3]));
  it('put a new row between its neighbours', () => assert.deepEqual(placesFor([1, null, 2]), [1, 1.5, 2]));
  it('put new rows before the first and after the last', () => assert.deepEqual(placesFor([null, null, 5, null]), [3, 4, 5, 6]));
  it('move as few as can be', () => assert.deepEqual(placesFor([3, 1, 2]), [0, 1, 2]));
  it('number anew where there is no more room', () => assert.deepEqual(placesFor([1, null, 1.000001]), [1, 2, 3]));
  it('rise, whatever rows had', () => {
    const rows = fc.array(fc.option(fc.double({ min: -1e6, max: 1e6, noNaN: true }), { nil: null }), { maxLength: 40 });
    fc.assert(
      fc.property(rows, (kept) => {
        const places = placesFor(kept);
        assert.equal(places.length, kept.length);
        for (let i = 1; i < places.length; i++) assert.ok(places[i]! > places[i - 1]!, `${places}`);
      }),
    );
  });
});
