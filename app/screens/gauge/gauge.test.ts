import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { identifyThread } from '../../../core/index.ts';
import { answerOf } from './candidate-answer.ts';
import { inInches, maybeMm, readingOf, type Typed, worth } from './readings.ts';

const TYPED: Typed = {
  gender: 'm',
  diameter: '',
  by: 'caliper',
  pitch: '',
  pitchBy: 'gauge',
  tapered: 'unsure',
  flank: 'unsure',
  seat: 'unsure',
  seenOn: '',
};
const read = (more: Partial<Typed>, units: 'inch' | 'metric' = 'inch') => readingOf({ ...TYPED, ...more }, units);

describe('a reading as it is typed', () => {
  it('has what was typed alone, each with the error of its tool', () => {
    assert.deepEqual(read({}), { gender: 'm', tapered: 'unsure', seat: 'unsure' });
    assert.deepEqual(read({ diameter: '0.84', pitch: '14', flank: '60', seenOn: 'toilet' }), {
      gender: 'm',
      diameterIn: 0.84,
      diameterSigmaIn: 0.005,
      threadsPerIn: 14,
      threadsSigma: 0.3,
      tapered: 'unsure',
      flankDeg: 60,
      seat: 'unsure',
      seenOn: 'toilet',
    });
    const rough = read({ diameter: '7/8', by: 'ruler', pitch: '14', pitchBy: 'count', flank: '55' });
    assert.deepEqual([rough.diameterIn, rough.diameterSigmaIn, rough.threadsSigma, rough.flankDeg], [0.875, 0.02, 1, 55]);
  });

  it('is a figure that is none where it does not read, so that it is said and not passed over', () => {
    assert.deepEqual([read({ diameter: 'wide' }).diameterIn, read({ pitch: 'fine' }).threadsPerIn], [Number.NaN, Number.NaN]);
  });

  it('is in the unit of the device where none is typed', () => {
    assert.ok(Math.abs(read({ diameter: '21' }, 'metric').diameterIn! - 21 / 25.4) < 1e-9);
    assert.equal(read({ diameter: '0.84 in' }, 'metric').diameterIn, 0.84);
    assert.deepEqual(
      [inInches('21', 'metric'), inInches('21 mm', 'inch'), inInches('0.83', 'inch'), inInches('x', 'metric')],
      ['0.827 in', '0.827 in', '', ''],
    );
  });

  it('larger than any water thread is asked back as millimetres, where it is one so', () => {
    assert.deepEqual(['3', '3.1', '20.9', '76', '77', '20.9 mm', 'x'].map(maybeMm), [null, '3.1 mm', '20.9 mm', '76 mm', null, null, null]);
  });
});

describe('what the gauge answers', () => {
  it('is said in a few words: nothing read, unlike anything, one, or so many', () => {
    const said = (more: Partial<Typed>) => answerOf(identifyThread(read(more)), 'm', false);
    assert.equal(answerOf(identifyThread(read({})), 'm', true), 'Nothing read yet: what is met most');
    assert.match(said({ diameter: '0.5625', pitch: '24' }), /^3\/8 in OD compression, male/);
    assert.match(said({ diameter: '0.83' }), /^One of [2-9]: the readings cannot tell them apart$/);
    assert.equal(said({ diameter: '2.9', pitch: '40' }), 'Unlike anything known: measure again');
  });
  it('says what the next measurement is worth by the bits it is expected to tell', () => {
    assert.deepEqual(
      [1.5, 1.49, 0.7, 0.69].map((bits) => worth(bits).split(' ').slice(0, 3).join(' ')),
      ['It should leave', 'It should rule', 'It should rule', 'It helps a'],
    );
  });
});
