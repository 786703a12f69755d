import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { catalogue } from '../../../catalog/index.ts';
import { matchChains } from '../../../core/match/chains.ts';
import { GAP, LABEL_PX, labelRows } from './label-rows.ts';
import { branchesOf, labelsOf, scaleFor, sectionOf } from './section-of.ts';

const { parts, loose } = catalogue();
const byId = new Map(parts.map((p) => [p.id, p]));
const chainOf = (from: string, to: string, more: object = {}) =>
  matchChains({ from, to, need: { water: 'cold' }, parts, loose, k: 1, ...more }).chains[0]!;

describe('a chain as a section', () => {
  it('begins at the water, ends at the inlet, and has its parts between in their order', () => {
    const chain = chainOf('cu-5/8od', 'bc-7/8-m', { need: { water: 'cold', stop: true } });
    const section = sectionOf('cu-5/8od', 'bc-7/8-m', chain, byId);
    assert.deepEqual(
      section.spans.map((s) => s.part ?? s.side),
      ['from', ...chain.parts, 'to'],
    );
    const labels = labelsOf(section, (id) => byId.get(id)!.name);
    assert.deepEqual([labels[0], labels.at(-1), labels.length], ['water side', 'inlet', section.spans.length]);
    assert.ok(labels.slice(1, -1).every((l) => l.length > 0 && !l.includes('-5/8')));
  });

  it('draws an end beside the way by what becomes of it, and the one that is joined again with its joint', () => {
    const chain = chainOf('comp-3/8-m', 'ght-3/4-m:plastic', { rejoin: 'comp-3/8-f' });
    const tee = chain.branches.find((b) => b.use === 'rejoin')!;
    const [end] = branchesOf(chain, tee.part).filter((b) => b.use === 'rejoin');
    assert.deepEqual([end!.mate, end!.joint], ['comp-3/8-f', chain.joints.length]);
    assert.deepEqual(branchesOf(chain, 'no such part'), []);
    assert.equal(branchesOf({ ...chain, joints: chain.joints.slice(0, -1) }, tee.part)[0]!.joint, null, 'without its joint it hangs free');
  });

  it('is as large as the longest of those beside it has room for, within bounds', () => {
    const long = (inches: number) => ({ x0: 0, x1: inches }) as never;
    assert.deepEqual(
      [scaleFor([long(960 / 50)]), scaleFor([long(1), long(960 / 40)]), scaleFor([long(0.1)]), scaleFor([long(1000)])],
      [50, 40, 84, 34],
    );
    assert.deepEqual([scaleFor([long(10)], 300), scaleFor([long(10)], 300, 20)], [34, 34], 'never so small that nothing can be read');
  });
});

describe('names below a section', () => {
  const spans = (...widths: number[]) => {
    const starts = widths.map((_, i) => widths.slice(0, i).reduce((a, b) => a + b, 0));
    const row = widths.map((w, i) => ({ x0: starts[i]!, x1: starts[i]! + w }));
    return { x0: 0, x1: row.at(-1)!.x1, spans: row } as never;
  };
  it('stand in one row where they have room, and in as few as keep them from touching', () => {
    assert.equal(labelRows(spans(3, 3, 3), 80, ['stop', 'hose', 'inlet']).count, 1);
    const labels = ['water side', 'a part with a long name', 'another with a long name', 'inlet'];
    const { at, count } = labelRows(spans(0.5, 0.5, 0.5, 0.5), 80, labels);
    assert.ok(count > 1);
    const width = 2 * 80 + 2 * GAP;
    for (const [i, a] of at.entries()) {
      const half = (a.text.length * LABEL_PX * 0.54) / 2;
      assert.ok(a.x - half >= -1e-9 && (a.x + half <= width + 1e-9 || 2 * half > width), `${a.text} leaves the sheet`);
      for (const b of at.slice(i + 1))
        if (a.row === b.row) assert.ok(b.x - (b.text.length * LABEL_PX * 0.54) / 2 > a.x + half, `${a.text} touches ${b.text}`);
    }
  });
});
