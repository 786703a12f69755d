import assert from 'node:assert/strict';
import { it } from 'node:test';
import { inTwo, points, roundUp } from './chart-lines.ts';

it('a name too long for a line is cut at a word, and of what is too long for two its end is kept', () => {
  assert.deepEqual(inTwo('hammer arrestor', 20), ['hammer arrestor']);
  assert.deepEqual(inTwo('braided connector, 60 in', 18), ['braided connector,', '60 in']);
  assert.deepEqual(inTwo('unbreakable', 5), ['unbre', 'akable'.length > 5 ? `… ${'akable'.slice(-3)}` : 'akable']);
  const [first, second] = inTwo('braided connector, 1/4 compression nut x 3/8 compression nut, 60 in', 24);
  assert.equal(first, 'braided connector, 1/4');
  assert.ok(second!.startsWith('… ') && second!.endsWith('nut, 60 in') && second!.length <= 24);
});

it('an axis ends at a figure of one digit that is not below the largest', () => {
  assert.deepEqual([0, -3, 1, 1.1, 9.2, 10, 214, 0.021].map(roundUp), [1, 1, 1, 2, 10, 10, 300, 0.03]);
});

it('each row has its point', () =>
  assert.deepEqual(points([3, 5]), [
    { x: 3, y: 0 },
    { x: 5, y: 1 },
  ]));
