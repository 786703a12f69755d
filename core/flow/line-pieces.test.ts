import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { tubeById } from '../ends/tables/tubes.ts';
import { part } from '../match/testing.ts';
import { hoseOf, type LossRow, linePieces, stepLoss, tubePiece, withSteps } from './line-pieces.ts';
import { operatingPoint } from './operating-point.ts';
import type { Piece } from './piece.ts';
import { whatHelps } from './what-helps.ts';

const loss = (id: string, tags: string[], k: number, more: Partial<LossRow> = {}): LossRow => ({
  id,
  name: id,
  kind: null,
  tags,
  port: null,
  k,
  onBoreIn: null,
  atBoreIn: null,
  boreIn: null,
  lengthIn: null,
  begins: false,
  better: null,
  source: 'test',
  ...more,
});
const LOSSES = [
  loss('saddle', ['saddle'], 2.8, { boreIn: 0.09, better: 'tee-branch' }),
  loss('multi-turn', ['stop', 'multi-turn'], 5, { onBoreIn: 0.315, atBoreIn: 0.25, better: 'angle' }),
  loss('angle', ['stop', 'angle'], 2, { onBoreIn: 0.315, atBoreIn: 0.25, better: 'straight' }),
  loss('straight', ['stop'], 0.3),
  loss('tee-branch', ['tee'], 1.5, { port: 'branch', boreIn: 0.25 }),
  loss('tee-run', ['tee'], 0.4),
];
const TEE = part('tee', [], {
  tags: ['tee'],
  boreIn: 0.25,
  lengthIn: 2,
  ends: [
    { id: 'in', code: 'comp-3/8-f', port: 'in' },
    { id: 'run', code: 'comp-3/8-m', port: 'out' },
    { id: 'branch', code: 'comp-1/4-m', port: 'branch' },
  ],
});
const STOP = part('stop', [], { tags: ['stop', 'angle'], boreIn: 0.25, lengthIn: 2.5 });
const COIL = part('coil', [], {
  kind: 'coil',
  cutToLength: true,
  flexible: true,
  ends: [
    { id: 'a', code: 'cu-1/4od', port: 'either' },
    { id: 'b', code: 'cu-1/4od', port: 'either' },
  ],
  boreIn: 0.19,
});
const HOSE = part('hose', [], { kind: 'connector', flexible: true, lengthIn: 20, boreIn: 0.2, tags: ['hose'] });
const PARTS = [TEE, STOP, COIL, HOSE];

describe('a chain as pieces', () => {
  it('is each body with what its shape costs, a coil as its tube, a connector as a hose between two inserts', () => {
    const pieces = linePieces(
      [
        { part: 'stop', outEnd: 'out' },
        { part: 'tee', outEnd: 'branch' },
        { part: 'coil', outEnd: 'b', cutLengthIn: 90 },
        { part: 'hose', outEnd: 'b' },
      ],
      PARTS,
      LOSSES,
    );
    assert.deepEqual(pieces.map((p) => [p.boreIn, p.lengthIn, p.k ?? 0, p.tube ?? '', p.part]), [
      [0.315, 2.5, 2, '', 0],
      [0.25, 2, 1.5, '', 1],
      [0.19, 90, 0, 'cu-1/4od', 2],
      [0.2, 1, 0, '', 3],
      [0.315, 18, 0, 'braid-faucet', 3],
      [0.2, 1, 0, '', 3],
    ]); // biome-ignore format: one table
    assert.equal(linePieces([{ part: 'tee', outEnd: 'run' }], PARTS, LOSSES)[0]!.k, 0.4);
  });
  it('knows the hose by its insert', () => {
    assert.deepEqual(
      [0.125, 0.2, 0.25, 0.35].map((bore) => hoseOf(bore).id),
      ['braid-ice', 'braid-faucet', 'braid-dish', 'braid-wash'],
    );
  });
  it('loses at every change of bore, by the smaller one', () => {
    assert.equal(stepLoss(0.5, 0.25), 0.5 * (1 - 0.25));
    assert.equal(stepLoss(0.25, 0.5), (1 - 0.25) ** 2);
    const [wide, narrow, after] = withSteps([0.5, 0.25, 0.5].map((boreIn): Piece => ({ boreIn, lengthIn: 1, roughnessMm: 0 })));
    assert.deepEqual([wide!.k, narrow!.k, after!.k], [undefined, 0.375 + 0.5625, undefined]);
  });
});

describe('what would help', () => {
  const line = { sourcePsi: 50, tempF: 60, riseFt: 3, appliance: { designGpm: 0.5, designPsi: 20 } };
  const pieces = [...linePieces([{ part: 'stop', outEnd: 'out' }], PARTS, LOSSES), tubePiece(tubeById('cu-1/4od')!, 240)];
  const { now, helps } = whatHelps(line, pieces, LOSSES);

  it('is ranked by what it brings, each as the line so changed is solved anew', () => {
    assert.deepEqual(
      helps.map((h) => h.gainGpm),
      [...helps.map((h) => h.gainGpm)].sort((a, b) => b - a),
    );
    assert.equal(helps[0]!.words, 'copper riser 3/8 in OD in place of soft copper 1/4 in OD (ice-maker coil)');
    const wider = operatingPoint({ ...line, pieces: withSteps([pieces[0]!, tubePiece(tubeById('cu-3/8od')!, 240)]) });
    assert.equal(helps[0]!.gpm, wider.gpm);
    assert.ok(now.gpm < wider.gpm);
    const shorter = helps.find((h) => h.change === 'shorter')!;
    assert.equal(shorter.gpm, operatingPoint({ ...line, pieces: withSteps([pieces[0]!, tubePiece(tubeById('cu-1/4od')!, 180)]) }).gpm);
  });
  it('says a straight stop for an angle one, and nothing where nothing is to gain', () => {
    // Before so thin a coil a stop costs nothing worth a word; before a short wide hose it does.
    assert.ok(!helps.some((h) => h.change === 'shape'), JSON.stringify(helps));
    const thirsty = { ...line, appliance: { designGpm: 4, designPsi: 10 } };
    const wide = whatHelps(thirsty, [pieces[0]!, tubePiece(tubeById('braid-dish')!, 20)], LOSSES).helps;
    assert.ok(
      wide.some((h) => h.change === 'shape' && h.words === 'straight in place of stop'),
      JSON.stringify(wide),
    );
    const held = whatHelps({ ...line, appliance: { ...line.appliance, capGpm: 0.1 } }, pieces, LOSSES);
    assert.deepEqual(held.helps, []);
  });
});
