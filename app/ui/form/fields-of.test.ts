import '../../testing.ts';
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { kindOf, pressReason } from '../../../record/index.ts';
import { ownUnit, withUnit } from '../units/own-unit.ts';
import { choicesOf, figureOf, follows, isPlain, nameOf, withUnits } from './fields-of.ts';

describe('the fields of an entry that is corrected', () => {
  it('are texts, figures and yes or no; what it is about is not changed, nor what no hand typed', () => {
    assert.deepEqual(['x', 4, true, null, {}, [], pressReason('put-back')].map(isPlain), [true, true, true, false, false, false, false]);
    assert.deepEqual(
      ['inches', 'stepId', 'from', 'text'].map((f) => follows(f, {})),
      [true, true, true, false],
    );
    assert.deepEqual([follows('pressurePsi', { pressureText: '4 bar' }), follows('pressurePsi', {})], [true, false]);
  });
  it('have names, their own where they are known', () => {
    assert.deepEqual([nameOf('turns24'), nameOf('movesWithLine'), nameOf('note')], ['Turns past hand-tight', 'Moves with line', 'Note']);
  });
  it('offer what their shape lists', () => {
    const shape = kindOf('stop-tried')!.shape as never;
    assert.ok(choicesOf(shape, 'kind')!.includes('quarter-turn'));
    assert.equal(choicesOf(kindOf('noted')!.shape as never, 'text'), null);
  });
  it('take an empty figure for none, not for nought', () => assert.deepEqual([figureOf(' '), figureOf('0'), figureOf('1.5')], [Number.NaN, 0, 1.5]));
  it('keep what was left alone as it was typed', () => {
    assert.deepEqual(withUnits({ text: '14 1/2', inches: 14.5 }, { text: '14 1/2', inches: 14.5 }), { text: '14 1/2', inches: 14.5 });
    assert.deepEqual(withUnits({ note: 'x' }, { note: 'y' }), { note: 'x' });
  });
});

it('a bare figure is in the unit of the device, as its label says; one with a unit keeps it', () => {
  assert.deepEqual(
    (['inch', 'metric'] as const).flatMap((u) => [ownUnit('length', u), ownUnit('pressure', u)]),
    ['in', 'psi', 'mm', 'bar'],
  );
  assert.deepEqual(
    [withUnit('length', '30', 'inch'), withUnit('length', '30', 'metric'), withUnit('length', '30 in', 'metric')],
    ['30', '30 mm', '30 in'],
  );
  assert.deepEqual(
    [withUnit('pressure', '4', 'metric'), withUnit('pressure', '60 psi', 'metric'), withUnit('pressure', '60', 'inch')],
    ['4 bar', '60 psi', '60 psi'],
  );
});
