import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { catalogue } from '../../../catalog/index.ts';
import { whatHelps } from '../../../core/index.ts';
import { chainPath, chainText, inWords, readSetting, settingOf, settingQuery, usualSetting } from './setting.ts';

const { appliances, losses, parts } = catalogue();
const usual = (id: string) => usualSetting(appliances.find((a) => a.id === id)!);
const read = (more: object) => readSetting({ ...usual('toilet'), ...more }, appliances, losses, parts);

describe('what is asked of a line', () => {
  it('is the same after a way through an address', () => {
    const setting = { ...usual('dishwasher'), water: 'hot' as const, psi: '4 bar', chain: 'a~out,b~b~90.25', also: 'toilet' };
    assert.deepEqual(settingOf(Object.fromEntries(new URLSearchParams(settingQuery(setting, appliances))), appliances), setting);
    assert.equal(settingOf({ on: 'no such thing', evil: 'x' }, appliances).on, 'refrigerator');
    const path = [
      { part: 'stop', outEnd: 'out' },
      { part: 'coil', outEnd: 'b', cutLengthIn: 90.25 },
    ];
    assert.deepEqual(chainPath(chainText(path)), path);
    assert.deepEqual(chainPath('x~y~NaN,,z'), [
      { part: 'x', outEnd: 'y' },
      { part: 'z', outEnd: '' },
    ]);
  });
  it('every appliance has a usual line that gives it water', () => {
    for (const { id, name } of appliances) {
      const { read: got, wrong } = readSetting(usual(id), appliances, losses, []);
      assert.ok(got, `${name}: ${wrong}`);
      assert.ok(whatHelps(got.line, got.pieces, losses).now.gpm > 0, `${name} gets nothing`);
    }
  });
  it('of a chain is its parts, after the house’s pipe', () => {
    const { read: got } = read({ chain: 'stop-angle-c58-c38~out,con-toilet-c38-12~b' });
    assert.deepEqual(
      got!.pieces.map((p) => p.part),
      [-1, 0, 1, 1, 1],
    );
    assert.deepEqual([got!.housePieces, got!.pieces[1]!.k, got!.pieces[3]!.lengthIn], [1, 2, 10]);
  });
  it('that does not read says which field, and what would', () => {
    for (const [more, said] of [
      [{ psi: 'lots' }, /Pressure standing.*60 psi/],
      [{ houseFt: '-3' }, /House pipe/],
      [{ lineLength: '' }, /Line/],
      [{ line: 'none such' }, /Line: "none such".*list/],
      [{ stop: 'x' }, /Stop/],
      [{ house: 'x' }, /House/],
      [{ rise: 'up' }, /Inlet higher by/],
      [{ running: '40', runningGpm: '3', again: '45', againGpm: 'x' }, /At another flow/],
      [{ running: '40', runningGpm: 'x' }, /Flow then/],
    ] as const)
      assert.match(read(more).wrong, said);
    assert.match(read({ chain: 'no-such-part~out' }).wrong, /Chain: "no-such-part"/);
    assert.equal(read({ rise: '-12' }).read!.line.riseFt, -12);
    assert.equal(read({ running: '40' }).read!.line.running, undefined);
  });
  it('what the core says against it has the name of the field', () => {
    const { line, pieces } = read({ psi: '5000' }).read!;
    assert.throws(
      () => whatHelps(line, pieces, losses),
      (fault: Error) => inWords(fault.message).startsWith('Pressure standing: 5000 will not do.'),
    );
    assert.equal(inWords('pieces[3].lengthIn: 9e9 will not do.'), 'Length, inches: 9e9 will not do.');
    assert.equal(inWords('Something else'), 'Something else');
  });
  it('reads the same in metres, litres and bar', () => {
    const [trade, metric] = [
      { psi: '58.02', houseFt: '32.8084', rise: '-6.56168', running: '43.51', runningGpm: '2' },
      { psi: '4 bar', houseFt: '10 m', rise: '-2 m', running: '3 bar', runningGpm: '7.570824 L/min' },
    ].map((s) => read(s).read!);
    for (const of of [
      (r: typeof trade) => r!.line.sourcePsi,
      (r: typeof trade) => r!.pieces[0]!.lengthIn,
      (r: typeof trade) => r!.line.riseFt,
      (r: typeof trade) => r!.line.running!.gpm,
    ])
      assert.ok(Math.abs(of(trade) / of(metric) - 1) < 1e-5, `${of(trade)} and ${of(metric)}`);
  });
  it('a third reading of the main is fitted with the others, and says where they do not go together', () => {
    const at = (againPsi: number) => read({ psi: '60', running: '51', runningGpm: '3', again: String(againPsi), againGpm: '6' }).read!;
    const even = at(24);
    assert.equal(even.bent, null);
    assert.ok(Math.abs(even.line.sourcePsi - 60) < 1e-9 && Math.abs(even.line.running!.psi - 24) < 1e-9, JSON.stringify(even.line));
    assert.match(at(45).bent!.text, /off that curve/);
    assert.equal(
      read({ psi: '60', running: '51', runningGpm: '3', again: '24' }).read!.line.running!.gpm,
      3,
      'a reading without its flow is none yet',
    );
  });
});
