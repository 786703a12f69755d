import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { drainRemedy } from './drain-remedy.ts';

describe('a joint of the drain that weeps', () => {
  const ladder = ['nudge 1/8', 'turn the washer round', 'new washer'];

  it('gets the least first, then the next rung, and its last again', () => {
    assert.deepEqual(
      [0, 1, 2, 3, 9].map((tried) => drainRemedy(ladder, tried).what),
      ['nudge 1/8', 'turn the washer round', 'new washer', 'new washer', 'new washer'],
    );
  });

  it('is turned only where its ladder says so', () => {
    assert.deepEqual(
      [0, 1].map((tried) => drainRemedy(ladder, tried).turns),
      [0.125, null],
    );
    assert.equal(drainRemedy(['a quarter turn on each side', 'new washers'], 0).turns, 0.25);
    assert.equal(drainRemedy(['new wax: never pressed twice'], 0).turns, null, 'wax is never pressed again');
  });

  it('says what was tried, and refuses a ladder without a rung', () => {
    assert.match(drainRemedy(ladder, 1).because[0]!.text, /tried before: nudge 1\/8/);
    assert.throws(() => drainRemedy([], 0), /ladder/);
    assert.throws(() => drainRemedy(ladder, -1), /tried/);
  });
});
