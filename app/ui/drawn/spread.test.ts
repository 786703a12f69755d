import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { spread } from './spread.ts';

describe('places along a row', () => {
  const places = fc.array(fc.double({ min: 0, max: 900, noNaN: true }), { minLength: 1, maxLength: 8 });
  const spaced = (xs: number[], gap: number, width: number) => {
    const out = spread(new Map(xs.map((x, i) => [i, x])), gap, width);
    return xs.map((_, i) => out.get(i)!);
  };

  it('stay where they are when there is room', () => assert.deepEqual(spaced([40, 300, 120], 34, 900), [40, 300, 120]));

  it('move apart, and no further than they must', () => assert.deepEqual(spaced([100, 100, 110], 34, 900), [100, 134, 168]));

  it('come back from the edge', () => assert.deepEqual(spaced([850, 890], 34, 900), [849, 883]));

  it('are never nearer than the gap, keep their order, and do not leave at the far side', () => {
    fc.assert(
      fc.property(places, (xs) => {
        const out = spaced(xs, 34, 900);
        const order = xs.map((_, i) => i).sort((a, b) => xs[a]! - xs[b]!);
        for (let k = 1; k < order.length; k++) assert.ok(out[order[k]!]! - out[order[k - 1]!]! >= 34 - 1e-9);
        assert.ok(Math.max(...out) <= 883 + 1e-9);
      }),
      { numRuns: 500 },
    );
  });
});
