import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { catalogue } from '../../../catalog/index.ts';
import { surge } from '../../../core/index.ts';
import { readSetting, settingOf } from '../flow/setting.ts';
import { hammerAsked } from './asked.ts';

const { appliances, losses, parts } = catalogue();

function asked(address: Record<string, string>) {
  const setting = settingOf(address, appliances);
  const { read, wrong } = readSetting(setting, appliances, losses, parts);
  assert.ok(read, wrong);
  return hammerAsked(setting, read);
}

describe('the question of a transient', () => {
  it('of every appliance’s usual line can be asked, and is answered', () => {
    for (const { id, name } of appliances) {
      const { asked: got, wrong } = asked({ on: id });
      assert.ok(got, `${name}: ${wrong}`);
      const { peakPsi, runningPsi } = surge({ ...got.question, frames: 0 });
      assert.ok(peakPsi > runningPsi, `${name}: ${peakPsi}`);
      assert.equal(got.question.pipes.length, got.names.length);
    }
  });
  it('is the lengths of tube, supply first, without what is too short to hold a wave', () => {
    const { asked: got } = asked({ on: 'washing-machine', houseFt: '40' });
    assert.deepEqual(
      got!.question.pipes.map((p) => Math.round(p.lengthFt * 100) / 100),
      [40, 4.83],
    );
    assert.equal(got!.isPlastic, true);
    assert.equal(asked({ on: 'hydrant', line: 'cu-5/8od' }).asked!.isPlastic, false);
  });
  it('runs what the line gives, or what is said; shuts as fast as its appliance, or as is said', () => {
    const usual = asked({ on: 'dishwasher' }).asked!;
    assert.equal(usual.question.gpm, usual.gpm);
    assert.equal(usual.question.closeMs, 25);
    const said = asked({ on: 'dishwasher', gpm: '7.570824 L/min', close: '60' }).asked!;
    assert.ok(Math.abs(said.question.gpm - 2) < 1e-9, String(said.question.gpm));
    assert.equal(said.question.closeMs, 60);
    assert.equal(asked({ on: 'toilet' }).asked!.question.closeMs, 500);
  });
  it('is followed longer the longer the line and the slower it shuts', () => {
    const seconds = (more: Record<string, string>) => asked({ on: 'dishwasher', ...more }).asked!.question.seconds;
    assert.ok(seconds({ houseFt: '80' }) > seconds({ houseFt: '20' }));
    assert.ok(seconds({ close: '900' }) > seconds({ close: '20' }));
    assert.ok(seconds({ houseFt: '900', close: '9000' }) <= 3);
  });
  it('has the cushion that is chosen: an arrestor by its precharge, a chamber by what air is left in it', () => {
    const cushion = (more: Record<string, string>) => asked({ on: 'dishwasher', ...more }).asked!.question.cushion;
    assert.equal(cushion({}), undefined);
    assert.deepEqual(cushion({ cushion: 'arrestor', volume: '5', precharge: '4 bar' }), { volumeIn3: 5, prechargePsi: 58.02 });
    assert.equal(cushion({ cushion: 'arrestor', piston: 'stops' })!.hasStop, true);
    const fresh = cushion({ cushion: 'chamber', volume: '6', chamber: 'fresh' })!;
    assert.ok(Math.abs(cushion({ cushion: 'chamber', volume: '6', chamber: 'half absorbed' })!.volumeIn3 / fresh.volumeIn3 - 0.5) < 1e-9);
    assert.equal(cushion({ cushion: 'chamber', chamber: 'waterlogged' }), undefined);
  });
  it('that cannot be asked says why, in words', () => {
    for (const [more, said] of [
      [{ house: '', line: 'cu-3/8od', lineLength: '1' }, /a wave wants a length/],
      [{ psi: '0' }, /nothing can bang/],
      [{ close: 'soon' }, /Closing: "soon"/],
      [{ gpm: 'lots' }, /Flow: "lots"/],
      [{ cushion: 'arrestor', volume: 'big' }, /Volume: "big"/],
      [{ cushion: 'arrestor', precharge: 'x' }, /Precharge: "x"/],
      [{ cushion: 'arrestor', cushionFt: 'x' }, /place: "x"/],
    ] as const) {
      const { asked: got, wrong } = asked({ on: 'dishwasher', ...more });
      assert.equal(got, null, JSON.stringify(more));
      assert.match(wrong, said);
    }
  });
});
