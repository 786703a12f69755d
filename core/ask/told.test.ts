import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { endName, readEnd } from '../ends/index.ts';
import { hose } from '../make/testing.ts';
import { fitAsked } from './fits.ts';
import { readQuestion } from './question.ts';
import { asTold, findParts, readPart } from './told.ts';

describe('an end that is told', () => {
  it('is read with its slips put right, and as it stands where it is read so', () => {
    assert.equal(readEnd(asTold('3/8 compresion'))[0]!.end, 'comp-3/8-m');
    assert.equal(readEnd(asTold('7/8 balcock'))[0]!.end, 'bc-7/8-m');
    for (const text of ['1/2 copper', endName('comp-3/8-m'), 'comp-3/8-m', 'qzx', '']) assert.equal(asTold(text), text);
  });
  it('is read in the words of the shop', () => assert.equal(asTold('1/2 doodad', { doodad: 'copper' }), '1/2 copper'));
});

describe('a part that is told', () => {
  const cases: [text: string, a: string, b: string, lengthIn: number | null][] = [
    ['braided toilet connector, 3/8 comp x 7/8 ballcock, 12 in', 'comp-3/8-f', 'bc-7/8-f', 12],
    ['faucet supply line 3/8 comp x 1/2 fip x 20', 'comp-3/8-f', 'npsm-1/2-f', 20],
    ['1/2 sweat x 3/8 comp angle stop', 'cup-5/8od', 'comp-3/8-m', null],
  ];
  for (const [text, a, b, lengthIn] of cases) {
    it(`has its own ends: "${text}"`, () => {
      const part = readPart(text)!;
      assert.deepEqual([part.ends, part.lengthIn], [[a, b], lengthIn]);
    });
  }
  it('is none where both ends are not told', () => {
    for (const text of ['elbow', 'wax ring', '3/8 comp', 'braided connector', 'from 1/2 copper to a toilet'])
      assert.equal(readPart(text), null, text);
  });
  it('is found among parts by its ends', () => {
    const parts = [hose('t', 'comp-3/8-f', 'bc-7/8-f'), hose('f', 'comp-3/8-f', 'npsm-1/2-f')];
    assert.deepEqual(findParts('3/8 comp x 7/8 bc x 20', parts), ['t']);
    assert.deepEqual(findParts('connector', parts), []);
  });
});

describe('does it fit', () => {
  const fit = (text: string) => {
    const { from, to } = readQuestion(text);
    return fitAsked(from, to)!;
  };
  it('takes the two of what was said that could meet', () => {
    const { a, b, mating } = fit('is 3/8 flare the same as 3/8 compression');
    assert.notEqual(a.slice(-1), b.slice(-1));
    assert.notEqual(mating.verdict, 'seals');
  });
  it('says that a connector nut does not go on a ballcock, and that its own does', () => {
    assert.notEqual(fit('will a 1/2 fip nut fit a ballcock').mating.verdict, 'seals');
    assert.equal(fit('will a ballcock nut fit a ballcock').mating.verdict, 'seals');
  });
  it('is nothing of nothing', () => assert.equal(fitAsked([], []), null));
});
