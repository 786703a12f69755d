import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { decreasingRoot } from './root.ts';

describe('the root of a falling function', () => {
  it('is found to the last digits, of any shape a line has', () => {
    const shapes: [string, (root: number) => (x: number) => number][] = [
      ['straight', (root) => (x) => root - x],
      ['square', (root) => (x) => root * root - x * x],
      ['as friction', (root) => (x) => root ** 1.75 - x ** 1.75],
      ['steep', (root) => (x) => Math.exp(-40 * x) - Math.exp(-40 * root)],
      ['flat, then steep', (root) => (x) => root ** 15 - x ** 15],
      ['with a corner', (root) => (x) => (x < root ? root - x : 1000 * (root - x))],
    ];
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.99, noNaN: true }), fc.constantFrom(...shapes), (root, [name, of]) => {
        const found = decreasingRoot(of(root), 0, 1);
        assert.ok(Math.abs(found - root) < 1e-9, `${name}: ${found} for ${root}`);
      }),
    );
  });
  it('is an end of the bracket where the function does not cross in it', () => {
    assert.equal(
      decreasingRoot((x) => -1 - x, 0, 1),
      0,
    );
    assert.equal(
      decreasingRoot((x) => 5 - x, 0, 1),
      1,
    );
  });
  it('takes few turns', () => {
    let asked = 0;
    decreasingRoot(
      (x) => {
        asked++;
        return 0.3 ** 1.9 - x ** 1.9;
      },
      0,
      1,
    );
    assert.ok(asked < 30, String(asked));
  });
});
