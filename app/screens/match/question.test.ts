import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { defaultRules } from '../../../core/index.ts';
import { addressOf, inchesOf, psiOf, questionOf, readQuestion } from './question.ts';

describe('a question typed', () => {
  const cases: [string, string | null, string | null][] = [
    ['from 3/8 comp m to 7/8 bc', 'comp-3/8-m', 'bc-7/8-m'],
    ['3/8 comp m to ght f', 'comp-3/8-m', 'ght-3/4-f'],
    ['1/2 mip -> 3/8 comp m', 'npt-1/2-m', 'comp-3/8-m'],
    ['1/2 copper → 1/4 push', 'cu-5/8od', 'ptc-1/4od'],
    ['M10x1 f > 3/8 comp m', 'm-10x1-f', 'comp-3/8-m'],
    ['3/8 comp m', 'comp-3/8-m', null],
    ['', null, null],
    ['zebra to giraffe', null, null],
  ];
  for (const [text, from, to] of cases) it(`"${text}"`, () => assert.deepEqual(readQuestion(text), { from, to }));
});

describe('a question as an address', () => {
  const plain = questionOf({}, defaultRules);
  it('begins with the house rules and nothing asked', () => {
    assert.deepEqual([plain.from, plain.push, plain.applianceLine, plain.vanOnly], [null, 'where reachable', 'braided', false]);
  });
  it('comes back from its own address the same', () => {
    const asked = { ...plain, from: 'comp-3/8-m', to: 'ght-3/4-m:plastic', water: 'hot' as const, length: '52 1/2', arrestor: true, afterRo: true, psi: '95', rejoin: 'comp-3/8-f', vanOnly: true, push: 'never' as const, toiletLine: 'riser' as const }; // biome-ignore format: one question
    const address = Object.fromEntries(new URLSearchParams(addressOf(asked).split('?')[1]));
    assert.deepEqual(questionOf(address, defaultRules), asked);
  });
  it('takes no end that is none, and no rule that is none', () => {
    const q = questionOf({ from: 'comp-9/9-m', to: '<script>', push: 'always', line: 'lead', water: 'steam' }, defaultRules);
    assert.deepEqual([q.from, q.to, q.push, q.applianceLine, q.water], [null, null, 'where reachable', 'braided', 'cold']);
  });
});

describe('a length typed', () => {
  for (const [text, inches] of [['', undefined], ['52', 52], ['14 1/2', 14.5], ['0', Number.NaN], ['-3', Number.NaN], ['far', Number.NaN], ['99999', Number.NaN]] as const) {
    it(`"${text}"`, () => assert.deepEqual(inchesOf(text), inches));
  } // biome-ignore format: a table
});

describe('a pressure typed', () => {
  it('is nothing, a figure, or none', () => {
    assert.deepEqual(['', '95', '0', '-1', '2000', 'much'].map(psiOf), [undefined, 95, Number.NaN, Number.NaN, Number.NaN, Number.NaN]);
  });
});
