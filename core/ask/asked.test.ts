import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { hose, part } from '../make/testing.ts';
import type { Part } from '../match/index.ts';
import { readQuestion } from './question.ts';

const askedOf = (text: string) => readQuestion(text).asked;
const whats = (text: string) => askedOf(text).map((a) => a.what);
const said = (text: string, as: string, given = {}) =>
  readQuestion(text, given)
    .spans.filter((s) => s.as === as)
    .map((s) => text.slice(s.at, s.at + s.length));

describe('what is asked back', () => {
  it('is nothing where both ends are known', () => {
    for (const text of [
      '3/8 comp to toilet, 20 in',
      '1/2 copper to 3/8 comp',
      'from 1/2 pex to 1/2 copper',
      'will a 1/2 fip nut fit a ballcock',
      'fill valve drips',
      'gas dryer',
    ]) {
      assert.deepEqual(whats(text), [], text);
    }
  });
  it('is where the water comes from, by what it goes to', () => {
    const [source] = askedOf('hook up a washer');
    assert.equal(source!.what, 'from');
    assert.equal(source!.choices[0]!.say, '3/4 hose bib');
    assert.equal(source!.choices[0]!.as.from![0]!.end, 'ght-3/4-m');
    const tee = askedOf('bidet seat')[0]!.choices[0]!;
    assert.deepEqual([tee.as.from![0]!.end, tee.as.rejoin![0]!.end], ['bc-7/8-f', 'bc-7/8-m']);
  });
  it('is what it goes to, where only the water is said, and where nothing was understood', () => {
    assert.deepEqual(whats('from a 3/8 comp stop'), ['to']);
    assert.deepEqual(whats('gizmo'), ['to']);
    assert.deepEqual(whats(''), []);
  });
  it('is which end an appliance has, each once', () => {
    const [which] = askedOf('basin faucet from 3/8 comp stop');
    assert.equal(which!.what, 'which');
    assert.deepEqual(
      which!.choices.map((c) => c.as.to![0]!.end),
      ['npsm-1/2-m', 'comp-3/8-m', 'comp-3/8-f', 'm-10x1-f'],
    );
    assert.deepEqual(whats('3/8 comp stop to toilet'), []);
    assert.deepEqual(whats('M10 faucet from 3/8 comp stop'), []);
  });
  it('is at which stub a rough-in ends', () => {
    const { kind, to, asked } = readQuestion('tub filler rough in, 1/2 copper');
    assert.deepEqual([kind, to[0]!.end, asked[0]!.text], ['rough', 'cu-5/8od', 'At which stub does it end?']);
  });
  it('is hot or cold where it may be either and not both', () => {
    assert.deepEqual(whats('glass rinser from 3/8 stop'), ['which', 'water']);
    assert.deepEqual(whats('glass rinser from 3/8 stop, hot'), ['which']);
  });
  it('says only what can be read again or is an end', () => {
    for (const text of ['washer', 'fridge', 'brewer', 'dishwasher', 'toilet', 'tub filler', '3/8 comp']) {
      for (const { choices } of askedOf(text))
        for (const { say, as } of choices) assert.ok(as.need || (as.from ?? as.to)!.length > 0, `${text}: ${say}`);
    }
  });
});

describe('what each word was taken for', () => {
  it('stands where it was typed, slips and all', () => {
    const text = 'Hook up my dishwahser to a 3/8 angle stop, 5 ft, thingamajig';
    assert.deepEqual(said(text, 'appliance'), ['dishwahser']);
    assert.deepEqual(said(text, 'part'), ['angle stop']);
    assert.deepEqual(said(text, 'size'), ['3/8']);
    assert.deepEqual(said(text, 'length'), ['5', 'ft']);
    assert.deepEqual(said(text, 'unknown'), ['thingamajig']);
  });
  it('leaves no word out and gives none twice', () => {
    for (const text of ['braided 3/8 x 1/2 x 20', 'two 5 foot washer hoses', 'will a 1/2" fip nut fit a ballcock?', 'half inch pex, quarter turn']) {
      const { spans } = readQuestion(text);
      assert.equal(spans.map((s) => text.slice(s.at, s.at + s.length)).join(' '), text.replace(/[,;:?!]/g, '').replace(/\s+/g, ' '));
    }
  });
});

describe('a part that is described', () => {
  const toilet = (lengthIn: number): Part => ({ ...hose(`t-${lengthIn}`, 'comp-3/8-f', 'bc-7/8-f'), lengthIn });
  const parts = [
    toilet(9),
    toilet(12),
    toilet(20),
    hose('faucet', 'comp-3/8-f', 'npsm-1/2-f'),
    part('stop', ['cup-5/8od', 'comp-3/8-m'], { tags: ['stop'] }),
  ];
  const ids = (text: string) => readQuestion(text, { parts }).part?.ids;
  it('is that of its length, then the next longer, then a shorter one', () => {
    assert.deepEqual(ids('3/8 comp x 7/8 bc x 12'), ['t-12', 't-20', 't-9']);
    assert.deepEqual(ids('7/8 ballcock x 3/8 comp 16 in'), ['t-20', 't-12', 't-9']);
    assert.deepEqual(ids('braided 3/8 x 1/2 x 20'), ['faucet']);
  });
  it('is a stop where a stop was said, and none where the catalogue has none', () => {
    assert.deepEqual(ids('1/2 sweat x 3/8 comp angle stop'), ['stop']);
    assert.deepEqual(ids('3/4 sweat x 3/8 comp angle stop'), []);
    assert.equal(ids('from 1/2 copper to a toilet'), undefined);
  });
});

describe('a word of the shop', () => {
  const words = { doohickey: '3/8 comp stop', 'b nut': '1/2 fip nut' };
  it('is read as it is meant, and was used', () => {
    const { from, to, unread } = readQuestion('Doohickey to a toilet', { words });
    assert.deepEqual([from[0]!.end, to[0]!.end, unread], ['comp-3/8-m', 'bc-7/8-m', []]);
    assert.deepEqual(said('Doohickey to a toilet', 'unknown', { words }), []);
    assert.deepEqual(readQuestion('Doohickey to a toilet').unread, ['doohickey']);
  });
  it('makes ours of nothing that is not', () => {
    const { kind, from, to } = readQuestion('gas to a toilet', { words: { gas: '1/2 copper' } });
    assert.deepEqual([kind, from.length + to.length], ['not-ours', 0]);
  });
  it('is no part of another word, nor looked through again', () => {
    assert.deepEqual(readQuestion('doohickeys to a toilet', { words }).from, []);
    assert.equal(readQuestion('b  nut on a basin faucet', { words: { ...words, nut: 'gizmo' } }).unread.includes('gizmo'), false);
  });
});

it('refuses at once what is no one question', () => {
  const { kind, from, to, notes, spans } = readQuestion('3/8 comp to toilet '.repeat(6000));
  assert.deepEqual([kind, from.length, to.length, spans.length, notes[0]!.rule], ['unclear', 0, 0, 0, 'too-long']);
});
