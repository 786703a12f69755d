import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { defaultRules } from '../../../core/index.ts';
import { addressOf, inchesOf, isStopUsual, needOf, psiOf, questionOf, questionTyped, readAgain } from './question.ts';

describe('a question typed', () => {
  it('fills the form with what was said, the house rules besides', () => {
    const q = questionTyped('hot 1/2 copper to brewer with a check valve at 60 psi, 6 ft, no push, no plastic, hidden', defaultRules);
    assert.deepEqual(
      [q.from, q.to, q.water, q.length, q.check, q.psi, q.push, q.avoid, q.hidden],
      ['cu-5/8od', 'ptc-1/4od', 'hot', '72', true, '60', 'never', ['plastic'], true],
    );
    assert.equal(q.applianceLine, defaultRules.applianceLine);
  });
  it('asks for a stop where the water comes from an open pipe to an appliance, unless it is said otherwise', () => {
    assert.equal(questionTyped('1/2 copper to toilet', defaultRules).stop, true);
    assert.equal(isStopUsual('1/2 copper to toilet'), true);
    for (const text of ['3/8 comp to toilet', '1/2 copper to 3/8 comp', '1/2 copper to toilet without a stop'])
      assert.equal(questionTyped(text, defaultRules).stop, false, text);
    assert.equal(isStopUsual('1/2 copper to toilet with a stop'), false);
  });
  it('takes copper and brass together as reverse osmosis, and keeps what is avoided besides', () => {
    const q = questionTyped('1/4 poly to fridge after ro, no stainless', defaultRules);
    assert.deepEqual([q.afterRo, q.avoid], [true, ['stainless']]);
    assert.deepEqual(needOf(q, 0.12)?.avoid, ['copper', 'brass', 'stainless']);
  });
  it('is never shorter than it was said', () => {
    const q = questionTyped('3/8 comp to fridge, 1.5 m', defaultRules);
    assert.equal(q.length, '59 1/16');
    assert.ok(needOf(q, null)!.minLengthIn! >= 1500 / 25.4);
  });
  it('has nothing to ask of a length or a pressure that is none', () => {
    assert.equal(needOf({ ...questionTyped('', defaultRules), length: 'far' }, null), null);
    assert.equal(needOf({ ...questionTyped('', defaultRules), psi: 'much' }, null), null);
  });
});

describe('a sentence by other words of the shop', () => {
  const words = { wibbler: '3/8 comp stop' };
  const asked = questionTyped('wibbler to a dishwasher', defaultRules);
  it('is read as it is meant, and as it was where the word is forgotten', () => {
    const now = readAgain(asked, defaultRules, 'inch', {}, words);
    assert.deepEqual([now.from, now.to], ['comp-3/8-m', 'ght-3/4-m']);
    assert.deepEqual(readAgain(now, defaultRules, 'inch', words, {}), asked);
  });
  it('keeps what was changed by hand, and fills what was missing', () => {
    const now = readAgain({ ...asked, to: 'npt-3/8-f', stop: true }, defaultRules, 'inch', {}, words);
    assert.deepEqual([now.from, now.to, now.stop], ['comp-3/8-m', 'npt-3/8-f', true]);
  });
});

describe('a question as an address', () => {
  const plain = questionOf({}, defaultRules);
  it('begins with the house rules and nothing asked', () => {
    assert.deepEqual([plain.from, plain.push, plain.applianceLine, plain.vanOnly], [null, 'where reachable', 'braided', false]);
  });
  it('comes back from its own address the same', () => {
    const asked = {
      ...plain,
      text: '3/8 comp to washer',
      tempF: 150,
      boreIn: 0.2,
      avoid: ['brass'],
      outOf: 'wall' as const,
      from: 'comp-3/8-m',
      to: 'ght-3/4-m:plastic',
      water: 'hot' as const,
      length: '52 1/2',
      arrestor: true,
      wide: false,
      afterRo: true,
      psi: '95',
      rejoin: 'comp-3/8-f',
      vanOnly: true,
      push: 'never' as const,
      toiletLine: 'riser' as const,
    };
    const address = Object.fromEntries(new URLSearchParams(addressOf(asked).split('?')[1]));
    assert.deepEqual(questionOf(address, defaultRules), asked);
  });
  it('keeps a sentence with what was changed of it', () => {
    const typed = questionTyped('1/2 copper to toilet, 20 in', defaultRules);
    const address = (q: typeof typed) => Object.fromEntries(new URLSearchParams(addressOf(q).split('?')[1]));
    assert.deepEqual(questionOf(address({ ...typed, stop: false }), defaultRules), { ...typed, stop: false });
    assert.deepEqual(questionOf({ q: typed.text }, defaultRules), typed);
  });
  it('takes no end that is none, and no rule that is none', () => {
    const q = questionOf({ from: 'comp-9/9-m', to: '<script>', push: 'always', line: 'lead', water: 'steam' }, defaultRules);
    assert.deepEqual([q.from, q.to, q.push, q.applianceLine, q.water], [null, null, 'where reachable', 'braided', 'cold']);
    const wild = questionOf({ temp: '1e999', bore: '-1', avoid: 'gold brass', out: 'roof' }, defaultRules);
    assert.deepEqual([wild.tempF, wild.boreIn, wild.avoid, wild.outOf], [null, null, ['brass'], null]);
  });
});

describe('a length typed', () => {
  for (const [text, inches] of [
    ['', undefined],
    ['52', 52],
    ['14 1/2', 14.5],
    ['0', Number.NaN],
    ['-3', Number.NaN],
    ['far', Number.NaN],
    ['99999', Number.NaN],
  ] as const) {
    it(`"${text}"`, () => assert.deepEqual(inchesOf(text), inches));
  }
});

describe('a pressure typed', () => {
  it('is nothing, a figure, or none', () => {
    assert.deepEqual(['', '95', '0', '-1', '2000', 'much'].map(psiOf), [undefined, 95, Number.NaN, Number.NaN, Number.NaN, Number.NaN]);
  });
});
