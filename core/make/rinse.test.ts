import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { lineCups, rinseOf } from './rinse.ts';

describe('the first water through a new line', () => {
  it('is reckoned from what the line holds: 0.0408 gal a foot and square inch of bore', () => {
    assert.ok(Math.abs(lineCups([{ boreIn: 1, lengthIn: 12 }]) - 16 * 0.0408) < 0.001);
    assert.ok(Math.abs(lineCups([{ boreIn: 0.17, lengthIn: 300 }]) - 0.4716) < 0.002, `${lineCups([{ boreIn: 0.17, lengthIn: 300 }])}`);
  });

  it('is three of its volumes, and never less than the house says', () => {
    assert.deepEqual(rinseOf([{ boreIn: 0.17, lengthIn: 60 }], 2, 0.5), { cups: 2, seconds: 15 });
    // 50 ft of 1/2 in bore: 8.16 cups, three times.
    assert.deepEqual(rinseOf([{ boreIn: 0.5, lengthIn: 600 }], 2, 1), { cups: 24.5, seconds: 92 });
  });

  it('wants a flow', () => assert.throws(() => rinseOf([], 2, 0), /gpm/));
});
