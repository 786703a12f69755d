import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { readFraction, turns24, writeFraction, writeTurns } from './fraction.ts';

describe('lengths as the trade types them', () => {
  const cases: [string, number | null][] = [
    ['3/8', 0.375],
    ['1 1/4', 1.25],
    ['1-1/4', 1.25],
    ['0.375', 0.375],
    ['.5', 0.5],
    ['12', 12],
    ['3/8"', 0.375],
    ['14 1/2 in', 14.5],
    ['14 inches', 14],
    ['  7/8  ', 0.875],
    ['1/0', null],
    ['-3', null],
    ['3//8', null],
    ['3/8/2', null],
    ['one', null],
    ['', null],
    ['1e3', null],
    ['1,5', null],
  ];
  for (const [text, value] of cases) it(`"${text}"`, () => assert.equal(readFraction(text), value));
});

describe('numbers as the trade writes them', () => {
  const cases: [number, number, string][] = [
    [0.375, 64, '3/8'],
    [1.25, 64, '1 1/4'],
    [0.5625, 64, '9/16'],
    [11.5, 2, '11 1/2'],
    [24, 2, '24'],
    [25.4, 2, '25.4'],
    [0, 64, '0'],
    [-0.5, 64, '-1/2'],
    [0.823, 64, '0.823'],
    [1 / 3, 24, '1/3'],
  ];
  for (const [value, denominator, text] of cases) it(text, () => assert.equal(writeFraction(value, denominator), text));

  it('reads back what it writes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 6400 }), (n) => {
        assert.equal(readFraction(writeFraction(n / 64)), n / 64);
      }),
    );
  });
});

describe('turns', () => {
  it('are whole 24ths, said as a plumber says them', () => {
    assert.equal(turns24(0.16667), 4);
    assert.deepEqual([0, 3, 12, 24, 30, 54].map(writeTurns), ['by hand only', '1/8 turn', '1/2 turn', '1 turn', '1 1/4 turns', '2 1/4 turns']);
  });
});
