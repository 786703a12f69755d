import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { catalogue } from '../../catalog/index.ts';
import { tubeById } from '../ends/tables/tubes.ts';
import { type LinePiece, tubePiece, usualPiece, withSteps } from './line-pieces.ts';
import { operatingPoint } from './operating-point.ts';
import { whatHelps } from './what-helps.ts';

const { losses } = catalogue();
const shape = (id: string): LinePiece => ({ ...usualPiece(losses.find((r) => r.id === id)!), part: 0 });
const tube = (id: string, lengthIn: number, part = 1): LinePiece => tubePiece(tubeById(id)!, lengthIn, part);
const FRIDGE = { sourcePsi: 60, tempF: 60, riseFt: 3, appliance: { designGpm: 0.5, designPsi: 20 } };
const helpsOf = (pieces: LinePiece[]) => whatHelps(FRIDGE, pieces, losses);

describe('what would bring more water', () => {
  it('is each change by itself: what it says is what the line so changed gives', () => {
    const pieces = [tube('cu-5/8od', 360, -1), shape('multi-turn-angle'), tube('cu-1/4od', 300)];
    const { now, helps } = helpsOf(pieces);
    assert.equal(now.gpm, operatingPoint({ ...FRIDGE, pieces: withSteps(pieces) }).gpm);
    const wider = helps.find((h) => h.change === 'tube' && h.piece === 2)!;
    const byHand = operatingPoint({ ...FRIDGE, pieces: withSteps([pieces[0]!, pieces[1]!, tube('cu-3/8od', 300)]) });
    assert.ok(Math.abs(wider.gpm / byHand.gpm - 1) < 1e-9, `${wider.gpm} and ${byHand.gpm}`);
    const shorter = helps.find((h) => h.change === 'shorter' && h.piece === 2)!;
    assert.ok(
      Math.abs(shorter.gpm / operatingPoint({ ...FRIDGE, pieces: withSteps([pieces[0]!, pieces[1]!, tube('cu-1/4od', 225)]) }).gpm - 1) < 1e-9,
    );
    for (const h of helps) assert.ok(Math.abs(h.gpm - now.gpm - h.gainGpm) < 1e-12, h.words);
  });
  it('is ranked, the most first; nothing that brings nothing is named', () => {
    const { now, helps } = helpsOf([tube('cu-5/8od', 360, -1), shape('saddle'), tube('pe-1/4od', 240)]);
    assert.deepEqual(
      helps.map((h) => h.gainGpm),
      helps.map((h) => h.gainGpm).sort((a, b) => b - a),
    );
    assert.ok(helps.every((h) => h.gainGpm > Math.max(0.005, now.gpm * 0.005)));
  });
  it('a saddle valve is an orifice: a tee in its place opens to a tee’s bore', () => {
    const { now, helps } = helpsOf([shape('saddle'), tube('cu-3/8od', 60)]);
    const tee = helps.find((h) => h.change === 'shape')!;
    assert.match(tee.words, /^tee, by its branch in place of saddle valve$/);
    const byHand = operatingPoint({ ...FRIDGE, pieces: withSteps([{ ...shape('tee-branch') }, tube('cu-3/8od', 60)]) });
    assert.ok(tee.gpm > now.gpm && Math.abs(tee.gpm / byHand.gpm - 1) < 0.01, `${tee.gpm} and ${byHand.gpm}`);
  });
  it('a stop keeps its own bore when its shape is another', () => {
    const tub = { ...FRIDGE, appliance: { designGpm: 4, designPsi: 20 } };
    const own = shape('multi-turn-angle');
    const wide = { ...own, boreIn: own.boreIn * 1.5 };
    const after = (stop: LinePiece) => whatHelps(tub, [stop, tube('cu-1/2od', 40)], losses).helps.find((h) => h.change === 'shape')!;
    // The next shape goes by the same bore, so that only what it costs is another.
    for (const stop of [own, wide]) {
      const byHand = operatingPoint({
        ...tub,
        pieces: withSteps([{ ...stop, k: losses.find((r) => r.id === 'quarter-angle')!.k }, tube('cu-1/2od', 40)]),
      });
      assert.ok(Math.abs(after(stop).gpm / byHand.gpm - 1) < 1e-9, `${after(stop).gpm} and ${byHand.gpm}`);
    }
    assert.ok(after(wide).gpm > after(own).gpm, 'the wider one gives no more');
  });
  it('a short line is not said to be made shorter, and the widest tube has no wider', () => {
    const { helps } = helpsOf([tube('cu-1/4od', 20)]);
    assert.ok(helps.every((h) => h.change !== 'shorter'));
    const none = helpsOf([tube('steel-3/4ips', 600, -1)]).helps.filter((h) => h.change === 'tube');
    assert.ok(none.every((h) => h.gainGpm > 0));
  });
  it('where nothing flows nothing is ranked above another by chance', () => {
    const dead = whatHelps({ ...FRIDGE, sourcePsi: 1, riseFt: 30 }, [tube('cu-1/4od', 300)], losses);
    assert.deepEqual([dead.now.verdict, dead.helps], ['none', []]);
  });
});
