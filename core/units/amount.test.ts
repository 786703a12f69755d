import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { readCents, readPercent } from './amount.ts';

describe('an amount of money', () => {
  for (const [text, cents] of [
    ['89', 8900],
    ['$89', 8900],
    ['$ 89.5', 8950],
    ['89.50', 8950],
    ['12,50', 1250],
    ['1,234.50', 123_450],
    ['1,234', 123_400],
    ['€12', 1200],
    ['12 EUR', 1200],
    ['USD 45', 4500],
    ['0', 0],
    [' 1.05 ', 105],
  ] as const) {
    it(`reads "${text}"`, () => assert.equal(readCents(text), cents));
  }
  for (const text of ['', '$', 'free', '-5', '1.234.5', '12.345', '1,23,4', '99999999999', '5 $ 5'])
    it(`does not read "${text}"`, () => assert.equal(readCents(text), null));
});

describe('a share in percent', () => {
  for (const [text, percent] of [
    ['8.25', 8.25],
    ['7.5%', 7.5],
    ['7,5 %', 7.5],
    ['0', 0],
    ['100%', 100],
  ] as const)
    it(`reads "${text}"`, () => assert.equal(readPercent(text), percent));
  for (const text of ['', '%', '-1', '100.1', 'some', '5 per cent']) it(`does not read "${text}"`, () => assert.equal(readPercent(text), null));
});
