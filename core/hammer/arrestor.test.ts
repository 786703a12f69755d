import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { InputError } from '../errors.ts';
import { arrestorSize } from './arrestor.ts';

describe('an arrestor by the table', () => {
  it('has the size of its fixture units', () => {
    const sizes = [1, 11, 12, 32, 33, 60, 61, 113, 114, 154, 155, 330].map((units) => arrestorSize(units, 50, 10).size);
    assert.deepEqual(sizes, ['A', 'A', 'B', 'B', 'C', 'C', 'D', 'D', 'E', 'E', 'F', 'F']);
    assert.equal(arrestorSize(2, 50, 10, true).size, 'AA');
  });
  it('is one larger above 65 psi flowing, and has a second over 20 ft of branch', () => {
    assert.deepEqual(
      [arrestorSize(11, 65, 20), arrestorSize(11, 66, 20), arrestorSize(11, 66, 21)].map((c) => [c.size, c.count]),
      [
        ['A', 1],
        ['B', 1],
        ['B', 2],
      ],
    );
    assert.equal(arrestorSize(1, 70, 5, true).size, 'A');
    assert.deepEqual(
      arrestorSize(11, 66, 21).because.map((r) => r.rule),
      ['arrestor-units', 'arrestor-pressure', 'arrestor-long'],
    );
  });
  it('of more than the largest takes are several; above 65 psi one more where no larger is', () => {
    assert.deepEqual(
      [arrestorSize(331, 50, 10), arrestorSize(330, 70, 10)].map((c) => [c.size, c.count]),
      [
        ['F', 2],
        ['F', 2],
      ],
    );
  });
  it('refuses what is none', () => {
    for (const bad of [
      [0, 50, 10],
      [-1, 50, 10],
      [5, Number.NaN, 10],
      [5, 50, -2],
    ] as [number, number, number][])
      assert.throws(() => arrestorSize(...bad), InputError, bad.join());
  });
});
