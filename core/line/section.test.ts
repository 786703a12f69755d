import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { allEndCodes } from '../ends/code.ts';
import { mate } from '../ends/mate/mate.ts';
import { openSection } from './open.ts';
import { lineSection } from './section.ts';

const braid = { part: 'hose', inCode: 'comp-1/4-f', outCode: 'comp-1/4-f', line: 'braided' as const, lengthIn: 60 };
const adapter = { part: 'adapter', inCode: 'comp-3/8-f', outCode: 'comp-1/4-m', line: null, lengthIn: 1.4 };

describe('the line', () => {
  const s = lineSection('comp-3/8-m', [adapter, braid], 'comp-1/4-m');

  it('marks one joint more than it has parts, from the water side on', () => {
    assert.deepEqual(
      s.joints.map((j) => j.n),
      [1, 2, 3],
    );
    for (let i = 1; i < s.joints.length; i++) assert.ok(s.joints[i]!.x > s.joints[i - 1]!.x);
  });

  it('spans water side, parts and inlet in order, touching or overlapping where they are joined', () => {
    assert.deepEqual(
      s.spans.map((p) => p.part ?? p.side),
      ['from', 'adapter', 'hose', 'to'],
    );
    for (let i = 1; i < s.spans.length; i++) assert.ok(s.spans[i]!.x0 <= s.spans[i - 1]!.x1 + 1e-9);
  });

  it('keeps every point above the axis and within its bounds', () => {
    for (const piece of s.pieces) {
      for (const [x, y] of piece.points) assert.ok(y > 0 && y <= s.radius + 1e-9 && x >= s.x0 - 1e-9 && x <= s.x1 + 1e-9);
    }
  });

  it('breaks a long line once, and no adapter', () => {
    assert.equal(s.breaks.length, 1);
    assert.equal(lineSection('comp-3/8-m', [adapter], 'comp-1/4-f').breaks.length, 0);
  });

  it('draws water all the way, with no gap in the bore', () => {
    const bores = [...s.water].sort((a, b) => a.x0 - b.x0);
    for (let i = 1; i < bores.length; i++) assert.ok(bores[i]!.x0 <= Math.max(...bores.slice(0, i).map((w) => w.x1)) + 1e-9);
  });

  it('is drawn for every pair of ends that joins', () => {
    for (const a of allEndCodes) {
      for (const b of allEndCodes) {
        if (a.includes(':') || b.includes(':') || mate(a, b).verdict !== 'seals') continue;
        const joined = lineSection(a, [], b);
        assert.equal(joined.joints.length, 1);
        for (const n of [joined.x0, joined.x1, joined.radius]) assert.ok(Number.isFinite(n), `${a} ${b}`);
      }
    }
  });

  it('interlocks: a male thread goes as deep as it is engaged', () => {
    const [from, to] = lineSection('npt-1/2-m', [], 'npt-1/2-f').spans;
    const overlap = from!.x1 - to!.x0;
    assert.ok(overlap > 0.3 && overlap < 0.6, String(overlap));
  });
});

describe('what stands on the line', () => {
  const tee = (use: 'rejoin' | 'free' | 'cap') => ({
    part: 'tee',
    inCode: 'comp-3/8-f',
    outCode: 'comp-3/8-m',
    line: null,
    lengthIn: 1.4,
    branches: [{ code: 'comp-3/8-m', use, mate: use === 'rejoin' ? 'comp-3/8-f' : null, joint: use === 'rejoin' ? 3 : null }],
  });
  const drawn = (use: 'rejoin' | 'free' | 'cap') => lineSection('comp-3/8-m', [tee(use)], 'comp-3/8-f');

  it('is a branch square to the line, on the part it belongs to', () => {
    for (const use of ['rejoin', 'free', 'cap'] as const) {
      const s = drawn(use);
      const [branch] = s.branches;
      const span = s.spans.find((p) => p.part === 'tee')!;
      assert.equal(branch!.use, use);
      assert.ok(branch!.x - branch!.radius > span.x0 && branch!.x + branch!.radius < span.x1);
      assert.ok(branch!.top > s.radius && s.above === branch!.top);
      for (const piece of branch!.pieces) {
        for (const [x, y] of piece.points) assert.ok(Math.abs(x - branch!.x) <= branch!.radius + 1e-9 && y > 0 && y <= branch!.top);
      }
    }
  });

  it('is as wide on one side as on the other', () => {
    const [branch] = drawn('rejoin').branches;
    const xs = branch!.pieces.flatMap((p) => p.points.map(([x]) => x - branch!.x));
    assert.ok(Math.abs(Math.max(...xs) + Math.min(...xs)) < 1e-9);
  });

  it('lets water into the old line, up to a cap, and no further than a shut valve', () => {
    const [old, cap, free] = (['rejoin', 'cap', 'free'] as const).map((use) => drawn(use).branches[0]!);
    assert.ok(old!.waterTop > old!.opening);
    assert.equal(cap!.waterTop, cap!.opening);
    assert.ok(free!.waterTop < free!.opening);
  });

  it('carries the joint with the old line, above those of the way', () => {
    const at = (n: number) => drawn('rejoin').joints.find((j) => j.n === n)!;
    assert.deepEqual(
      [1, 2].map((n) => at(n).y),
      [0, 0],
    );
    assert.ok(at(3).y > 0 && at(3).x > at(1).x && at(3).x < at(2).x);
    assert.equal(drawn('cap').joints.length, 2);
  });

  it('makes room for each of several', () => {
    const many = { ...tee('free'), branches: [...tee('free').branches, ...tee('cap').branches, ...tee('free').branches] };
    const [a, b, c] = lineSection('comp-3/8-m', [many], 'comp-3/8-f').branches;
    assert.ok(a!.x + a!.radius < b!.x - b!.radius && b!.x + b!.radius < c!.x - c!.radius);
  });

  it('is drawn for every end a part may have', () => {
    for (const code of allEndCodes) {
      for (const use of ['free', 'cap'] as const) {
        const part = { ...tee(use), branches: [{ code, use, mate: null, joint: null }] };
        const s = lineSection('comp-3/8-m', [part], 'comp-3/8-f');
        for (const n of [s.x1, s.above, ...s.branches[0]!.pieces.flatMap((p) => p.points.flat())]) assert.ok(Number.isFinite(n), code);
      }
    }
  });
});

describe('two ends not joined yet', () => {
  it('stand apart, or alone', () => {
    const both = openSection('comp-3/8-m', 'ght-3/4-m');
    assert.deepEqual(
      both.spans.map((p) => p.side),
      ['from', 'to'],
    );
    assert.ok(both.spans[1]!.x0 - both.spans[0]!.x1 > 1);
    assert.deepEqual(
      openSection(null, 'ght-3/4-m').spans.map((p) => p.side),
      ['to'],
    );
    assert.deepEqual(both.joints, []);
  });
});
