/** Whole questions as they are typed and said at a parts counter. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { allEndCodes } from '../ends/code.ts';
import { endLabel } from '../ends/label.ts';
import type { Need } from '../match/query.ts';
import { readQuestion } from './question.ts';

type Row = [text: string, from: string | null, to: string | null, need?: Partial<Need>, unread?: string];

// biome-ignore format: a table
const ASKED: Row[] = [
  ['from 1/2 male iron pipe to 3/8 comp faucet hose with a stop', 'npt-1/2-m', 'comp-3/8-f', { stop: true }],
  ['3/4 ght to fridge', 'ght-3/4-m', 'comp-1/4-m'],
  ['what joins half inch copper to a toilet, 20 in', 'cu-5/8od', 'bc-7/8-m', { minLengthIn: 20 }],
  ['from 3/8 comp m to 7/8 bc', 'comp-3/8-m', 'bc-7/8-m'],
  ['comp-3/8-m to bc-7/8-m', 'comp-3/8-m', 'bc-7/8-m'],
  ['1/2 fip x 3/8 comp', 'npsm-1/2-f', 'comp-3/8-m'],
  ['1/2 fip by 3/8 comp', 'npsm-1/2-f', 'comp-3/8-m'],
  ['1/2 copper -> 3/8 comp', 'cu-5/8od', 'comp-3/8-m'],
  ['1/2 copper → 3/8 comp nut', 'cu-5/8od', 'comp-3/8-f'],
  ['between 1/2 pex and 1/2 copper', 'pex-5/8od', 'cu-5/8od'],
  ['what connects 3/4 pex with 3/4 copper', 'pex-7/8od', 'cu-7/8od'],
  ['what goes between a 3/8 stop and a 7/8 ballcock', 'comp-3/8-m', 'bc-7/8-m'],
  // An appliance is where the water goes.
  ['fridge', null, 'comp-1/4-m'],
  ['to a fridge', null, 'comp-1/4-m'],
  ['hook up a dishwasher', null, 'ght-3/4-m', { water: 'hot' }],
  ['3/8 comp', 'comp-3/8-m', null],
  ['from a 3/8 angle stop', 'comp-3/8-m', null],
  ['connect a dishwasher to 3/8 comp', 'comp-3/8-m', 'ght-3/4-m', { water: 'hot' }],
  ['cold water to a dishwasher from 3/8 comp', 'comp-3/8-m', 'ght-3/4-m', { water: 'cold' }],
  ['feed a fridge from a 3/4 hose bib', 'ght-3/4-m', 'comp-1/4-m'],
  ['brewer from 1/2 copper', 'cu-5/8od', 'ptc-1/4od'],
  ['ro faucet from 1/4 tubing', 'cu-1/4od', 'ptc-1/4od'],
  ['hook the washer up to 3/4 hose thread', 'ght-3/4-m', 'ght-3/4-m'],
  ['what do I need from 1/2 pex to a kitchen faucet?', 'pex-5/8od', 'comp-3/8-f'],
  ['how do I hook up a bidet seat to 7/8 ballcock', 'bc-7/8-m', 'comp-3/8-m'],
  ['half inch copper, toilet', 'cu-5/8od', 'bc-7/8-m'],
  ['I need to get from 3/4 male hose thread to 1/4 compression', 'ght-3/4-m', 'comp-1/4-m'],
  ['is there something to adapt a 1/2 inch flex line to a 3/8 stop?', 'npsm-1/2-f', 'comp-3/8-m'],
  ['angle stop to faucet', 'comp-3/8-m', 'npsm-1/2-m'],
  ['from the toilet stop to a bidet seat', 'comp-3/8-m', 'comp-3/8-m'],
  ['push to connect 1/4 to fridge', 'ptc-1/4od', 'comp-1/4-m'],
  ['galvanized half inch nipple to washing machine', 'npt-1/2-m', 'ght-3/4-m'],
  ['M10 to 3/8 comp', 'm-10x1-m', 'comp-3/8-m'],
  ['M10 x 1 to 3/8 comp', 'm-10x1-m', 'comp-3/8-m'],
  ['9/16-24 f to 7/8-14 m', 'comp-3/8-f', 'bc-7/8-m'],
  ['9/16-24 to 7/8 bc', 'comp-3/8-m', 'bc-7/8-m'],
  ['7/8 bc nut for a 3/8 comp', 'bc-7/8-f', 'comp-3/8-m'],
  ['bidet off a 3/8 toilet stop', 'comp-3/8-m', 'comp-3/8-m'],
  ['tee off the toilet stop for a bidet seat', 'comp-3/8-m', 'comp-3/8-m'],
  ['need 1/4 od compression for ice maker from a 3/8 stop', 'comp-3/8-m', 'comp-1/4-m'],
  ['fridge with 1/4 quick connect to 1/2 copper', 'cu-5/8od', 'ptc-1/4od'],
  ['M10x1 faucet tails to 3/8 comp stops', 'comp-3/8-m', 'm-10x1-m'],
  ['toilet fill valve 7/8 to 1/2 fip stop', 'npsm-1/2-f', 'bc-7/8-m'],
  ['from the faucet tail M10 to 3/8 comp', 'm-10x1-m', 'comp-3/8-m'],
  ['the fridge is 8 feet from a 3/8 stop', 'comp-3/8-m', 'comp-1/4-m', { minLengthIn: 96 }],
  ['both hot and cold 3/8 comp to kitchen faucet', 'comp-3/8-m', 'comp-3/8-f', { water: 'hot' }],
  ['run a line to the fridge from under the sink, 1/2 copper', 'cu-5/8od', 'comp-1/4-m'],
  // What the chain must do.
  ['half inch copper to a stop to a toilet', 'cu-5/8od', 'bc-7/8-m', { stop: true }],
  ['shut off for 1/2 copper to faucet', 'cu-5/8od', 'npsm-1/2-m', { stop: true }],
  ['1/2 copper to faucet with its own shutoff', 'cu-5/8od', 'npsm-1/2-m', { stop: true }],
  ['1/2 copper to faucet, with an angle stop', 'cu-5/8od', 'npsm-1/2-m', { stop: true }],
  ['1/2 copper to faucet without a stop', 'cu-5/8od', 'npsm-1/2-m', { stop: false }],
  ['1/2 copper to washing machine with hammer arrestors, 6 ft', 'cu-5/8od', 'ght-3/4-m', { arrestor: true, minLengthIn: 72 }],
  ['1/2 copper to brewer with its own stop and a check valve at 60 psi', 'cu-5/8od', 'ptc-1/4od', { stop: true, check: true, pressurePsi: 60 }],
  ['3/8 comp to bidet seat, leave an outlet free', 'comp-3/8-m', 'comp-3/8-m', { leaveOutlet: true }],
  ['3/8 tube od to ice maker, 10 feet, no brass', 'cu-3/8od', 'comp-1/4-m', { minLengthIn: 120, avoid: ['brass'] }],
  ['1/4 tube to ice maker, no brass or copper', 'cu-1/4od', 'comp-1/4-m', { avoid: ['brass', 'copper'] }],
  ['from 1/4 poly to fridge after ro', 'pe-1/4od', 'comp-1/4-m', { avoid: ['copper', 'brass'] }],
  ['hot 1/2 cpvc to basin faucet 12" away, hidden', 'cpvc-5/8od', 'npsm-1/2-m', { water: 'hot', minLengthIn: 12, reachable: false }],
  ['1/2 pex to 1/2 pex in the wall', 'pex-5/8od', 'pex-5/8od', { reachable: false }],
  ['1/2 copper in the wall to toilet', 'cu-5/8od', 'bc-7/8-m'],
  ['old galvanized 1/2 in wall to toilet', 'steel-1/2ips', 'bc-7/8-m'],
  ['1/2 pex to 1/2 copper, no solder', 'pex-5/8od', 'cu-5/8od', {}, 'no solder'],
  ['1/2 pex to 1/2 pex behind the drywall', 'pex-5/8od', 'pex-5/8od', { reachable: false }],
  ['1/2" copper stub out of the wall to toilet 12"', 'cu-5/8od', 'bc-7/8-m', { outOf: 'wall', minLengthIn: 12 }],
  ['cold 1/2 copper to toilet at 140 F', 'cu-5/8od', 'bc-7/8-m', { water: 'cold', tempF: 140 }],
  ['1/2 copper to tub at 4 bar', 'cu-5/8od', 'npt-1/2-m', { pressurePsi: 58 }],
  // Lengths in any spelling; sizes are none.
  ['wall box to ice maker, 1.5 m', 'ght-3/4-m', 'comp-1/4-m', { minLengthIn: 1500 / 25.4 }],
  ['wall box to ice maker 188 cm', 'ght-3/4-m', 'comp-1/4-m', { minLengthIn: 1880 / 25.4 }],
  ['wall box to ice maker, 300 mm', 'ght-3/4-m', 'comp-1/4-m', { minLengthIn: 300 / 25.4 }],
  ['two feet from 3/8 comp to faucet', 'comp-3/8-m', 'npsm-1/2-m', { minLengthIn: 24 }],
  ['from 3/8 comp to the fridge about twenty feet', 'comp-3/8-m', 'comp-1/4-m', { minLengthIn: 240 }],
  ['3/8 comp to dishwasher 6\' 2"', 'comp-3/8-m', 'ght-3/4-m', { water: 'hot', minLengthIn: 74 }],
  ['3/8 comp to dishwasher, 6 feet 2 in', 'comp-3/8-m', 'ght-3/4-m', { water: 'hot', minLengthIn: 74 }],
  ['3/8 comp to dishwasher, 14 1/2 in', 'comp-3/8-m', 'ght-3/4-m', { water: 'hot', minLengthIn: 14.5 }],
  ['3/8 comp to dishwasher, 72in', 'comp-3/8-m', 'ght-3/4-m', { water: 'hot', minLengthIn: 72 }],
  ['3/8 comp to toilet, 12', 'comp-3/8-m', 'bc-7/8-m', { minLengthIn: 12 }],
  ['3/8 comp to toilet 3 inches away', 'comp-3/8-m', 'bc-7/8-m', { minLengthIn: 3 }],
  ['a 20-inch line from 3/8 comp to toilet', 'comp-3/8-m', 'bc-7/8-m', { minLengthIn: 20 }],
  ['6 feet of braided line from 3/8 comp to dishwasher', 'comp-3/8-m', 'ght-3/4-m', { water: 'hot', minLengthIn: 72 }],
  ['supply line for a toilet from 3/8 stop, 16 in', 'comp-3/8-m', 'bc-7/8-m', { minLengthIn: 16 }],
  ['1/2 in copper to 3/4 in copper', 'cu-5/8od', 'cu-7/8od'],
  ['2 in galvanized to 3/4 copper', null, 'cu-7/8od', {}, '2 galvanized'],
  // What was not used is said; what is not understood is kept.
  ['xyzzy to toilet', null, 'bc-7/8-m', {}, 'xyzzy'],
  ['3/8 comp thingamajig to toilet', 'comp-3/8-m', 'bc-7/8-m', {}, 'thingamajig'],
  ['15 mm copper to toilet', null, 'bc-7/8-m', {}, '15 copper mm'],
  ['from here to there', null, null],
  ['', null, null],
  // Gas is never judged here.
  ['gas stove to 1/2 iron pipe', null, null, {}, 'gas stove'],
  ['1/2 csst to 1/2 mip with a stop', null, null, {}, 'csst'],
  ['yellow flex line to dryer', null, null, {}, 'dryer'],
];

const close = (a: Partial<Need>, b: Partial<Need>) =>
  assert.deepEqual({ ...a, minLengthIn: a.minLengthIn?.toFixed(6) }, { ...b, minLengthIn: b.minLengthIn?.toFixed(6) });

describe('a question as it is asked', () => {
  for (const [text, from, to, need = {}, unread = ''] of ASKED) {
    it(`reads "${text}"`, () => {
      const read = readQuestion(text);
      assert.equal(read.from[0]?.end ?? null, from);
      assert.equal(read.to[0]?.end ?? null, to);
      close(read.need, need);
      assert.equal([...read.unread].sort().join(' '), unread);
    });
  }

  it('keeps what is wished beside ends told by their codes or as those of a part, and says what it did not use', () => {
    const told = readQuestion('comp-3/8-m to toilet, 20 in, with a stop, no brass');
    assert.deepEqual([told.from[0]?.end, told.to[0]?.end], ['comp-3/8-m', 'bc-7/8-m']);
    close(told.need, { minLengthIn: 20, stop: true, avoid: ['brass'] });
    const part = readQuestion('3/8 comp x 1/2 fip connector 20 in hot zzzz');
    close(part.need, { minLengthIn: 20, water: 'hot' });
    assert.deepEqual([part.to[0]?.end, part.unread], ['npsm-1/2-m', ['zzzz']]);
  });

  it('refuses what is not ours as it was typed, whatever a slip might have been', () => {
    for (const text of ['log lighters', 'patio heater off 1/2 copper', 'fire pit 1/2']) assert.equal(readQuestion(text).kind, 'not-ours', text);
  });

  it('takes the rule with the question', () => {
    assert.deepEqual(readQuestion('1/2 copper to 1/2 pex, no push fittings').rules, { push: 'never' });
    assert.deepEqual(readQuestion('1/2 copper to 1/2 pex').rules, {});
  });

  it('offers every reading of a side, and keeps what was said of it', () => {
    const read = readQuestion('what joins 1/2 fip to a fridge please');
    assert.deepEqual(read.from.map((r) => r.end).slice(0, 2), ['npsm-1/2-f', 'npt-1/2-f']);
    assert.ok(read.to.length > 1, 'a refrigerator has several usual inlets: they are asked for');
    assert.ok(read.to.every((r) => r.appliance === 'refrigerator'));
    assert.deepEqual(read.said, { from: '1/2 fip', to: 'fridge' });
  });

  it('says the near miss of a metric tube, two sizes at once, and that gas is never judged', () => {
    assert.match(readQuestion('15 mm copper to toilet').notes[0]!.text, /nearly 5\/8 in/);
    assert.match(readQuestion('1/2 3/8 copper to toilet').notes[0]!.text, /Two sizes/);
    assert.match(readQuestion('gas to toilet').notes[0]!.text, /licensed gas fitter/);
  });

  it('reads any two ends by their codes and by their labels', () => {
    for (const [i, code] of allEndCodes.entries()) {
      const other = allEndCodes[(i * 7 + 3) % allEndCodes.length]!;
      const read = readQuestion(`from ${code} to ${other}`);
      assert.deepEqual([read.from[0]?.end, read.to[0]?.end], [code, other]);
      assert.ok(
        readQuestion(`${endLabel(code)} to 3/8 comp`).from.some((r) => r.end === code),
        endLabel(code),
      );
    }
  });
});
