import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import Papa from 'papaparse';
import { operatingPoint, surge, withSteps } from '../../../core/index.ts';
import { flowCsv, surgeCsv } from './files.ts';

const rows = (text: string): string[][] => Papa.parse<string[]>(text.trim()).data;
const COPPER = { boreIn: 0.545, wallIn: 0.04, lengthFt: 20, modulusGpa: 117, roughnessMm: 0.0015 };

describe('a line as a file', () => {
  const pieces = withSteps([
    { name: 'house’s copper tube, 1/2 nominal', part: -1, boreIn: 0.545, lengthIn: 360, roughnessMm: 0.0015 },
    { name: '=HYPERLINK("x")', part: 0, boreIn: 0.25, lengthIn: 2.5, roughnessMm: 0.0015, k: 2 },
  ]);
  const point = operatingPoint({ sourcePsi: 60, tempF: 60, riseFt: 3, pieces, appliance: { designGpm: 1, designPsi: 8 } });
  it('has every piece with what it costs, and what comes of it; no name runs as a formula', () => {
    const [head, one, two, ...rest] = rows(flowCsv(pieces, point));
    assert.deepEqual(head!.slice(0, 3), ['piece', 'name', 'bore_in']);
    assert.equal(one![1], 'house’s copper tube, 1/2 nominal');
    assert.ok(two![1]!.startsWith("'="), two![1]);
    assert.ok(Math.abs(Number(one![5]) / point.losses[0]!.psi - 1) < 1e-5, one![5]);
    const figure = (name: string) => Number(rest.find((r) => r[0] === name)![1]);
    const lost = Number(one![5]) + Number(two![5]);
    assert.ok(Math.abs(figure('supply_psi') - figure('rise_psi') - lost - figure('inlet_psi')) < 1e-3, 'it does not add up');
    assert.ok(Math.abs(figure('gpm') / point.gpm - 1) < 1e-5, 'gpm');
  });
});

describe('a transient as a file', () => {
  const question = { pipes: [COPPER], staticPsi: 60, gpm: 1, closeMs: 20, tempF: 68, seconds: 0.05 };
  const bare = surge(question);
  it('is one row a moment, with a column more where something softens it', () => {
    const alone = rows(surgeCsv(bare, null));
    assert.deepEqual(alone[0], ['seconds', 'psi']);
    assert.equal(alone.length, bare.t.length + 1);
    const soft = surge({ ...question, cushion: { volumeIn3: 3, prechargePsi: 40 } });
    const both = rows(surgeCsv(bare, soft));
    assert.deepEqual(both[0], ['seconds', 'psi', 'psi_with_cushion']);
    assert.ok(
      both.slice(1).every((r) => r.length === 3 && r.every((cell) => Number.isFinite(Number(cell)))),
      'a cell is no figure',
    );
    const most = (column: number) => Math.max(...both.slice(1).map((r) => Number(r[column])));
    assert.ok(Math.abs(most(1) / bare.peakPsi - 1) < 1e-5 && most(2) < most(1), `${most(1)}, ${most(2)}`);
  });
});
