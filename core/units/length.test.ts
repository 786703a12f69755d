import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { isMetric, readLengthIn, readThreadsPerIn } from './length.ts';

describe('lengths in either unit', () => {
  const cases: [string, number | null][] = [
    ['14 1/2', 14.5],
    ['3/8 in', 0.375],
    ['25.4 mm', 1],
    ['12.7mm', 0.5],
    ['127 cm', 50],
    ['1.27 M', 50],
    ['6 ft', 72],
    ["6'", 72],
    ['6\' 2"', 74],
    ['6’ 2”', 74],
    ['6 feet 2 in', 74],
    ['1 foot', 12],
    ['6ft-2 1/2', 74.5],
    ['1.5 ft', 18],
    ['20 inches', 20],
    ['188 cm', 1880 / 25.4],
    ['1.5 m', 1500 / 25.4],
    ['6 ft 12', null],
    ['ft', null],
    ['6 ft long', null],
    ['mm', null],
    ['3/8 mm', null],
    ['-4 mm', null],
    ['4 km', null],
    ['', null],
  ];
  for (const [text, inches] of cases) it(`"${text}"`, () => assert.equal(readLengthIn(text), inches));
});

describe('pitches in either unit', () => {
  const cases: [string, number | null][] = [
    ['14', 14],
    ['11 1/2', 11.5],
    ['1.27 mm', 20],
    ['2.54mm', 10],
    ['0 mm', null],
    ['fine', null],
  ];
  for (const [text, perIn] of cases) it(`"${text}"`, () => assert.equal(readThreadsPerIn(text), perIn));

  it('knows which unit was typed', () => assert.deepEqual(['1.5 mm', '14', '3/8 in'].map(isMetric), [true, false, false]));
});
