/** The frozen tables against the standards they name, figure by figure, and the drawings against the tables. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { sealById, seals } from '../../rows/index.ts';
import { allEndCodes, parseEnd } from '../code.ts';
import { silhouette } from '../drawn/silhouette.ts';
import { endLabel } from '../label.ts';
import { endSeat } from '../mate/seat.ts';
import { threadById, threads } from './threads.ts';
import { tubeById } from './tubes.ts';

const near = (a: number, b: number, within: number, what: string) => assert.ok(Math.abs(a - b) <= within, `${what}: ${a} is not ${b}`);

describe('threads against their standards', () => {
  /** ASME B1.20.1, outside diameter of pipe and threads per inch. */
  const NPT: [string, number, number][] = [
    ['npt-1/8', 0.405, 27],
    ['npt-1/4', 0.54, 18],
    ['npt-3/8', 0.675, 18],
    ['npt-1/2', 0.84, 14],
    ['npt-3/4', 1.05, 14],
    ['npt-1', 1.315, 11.5],
  ];
  for (const [id, major, tpi] of NPT) {
    it(id, () => {
      const t = threadById(id)!;
      assert.deepEqual([t.externalMajorIn, t.threadsPerIn, t.includedAngleDeg, t.tapered], [major, tpi, 60, true]);
    });
  }
  /** ISO 228-1, major diameter in millimetres. */
  const G: [string, number, number][] = [
    ['g-1/8', 9.728, 28],
    ['g-1/4', 13.157, 19],
    ['g-3/8', 16.662, 19],
    ['g-1/2', 20.955, 14],
    ['g-3/4', 26.441, 14],
  ];
  for (const [id, majorMm, tpi] of G) {
    it(id, () => {
      const t = threadById(id)!;
      near(t.externalMajorIn * 25.4, majorMm, 0.02, 'major');
      assert.deepEqual([t.threadsPerIn, t.includedAngleDeg, t.tapered], [tpi, 55, false]);
    });
  }
  /** ISO 261: major and pitch in millimetres are the name. */
  for (const [id, majorMm] of [
    ['m-8x1', 8],
    ['m-10x1', 10],
    ['m-18.5x1', 18.5],
    ['m-22x1', 22],
    ['m-24x1', 24],
  ] as const) {
    it(id, () => {
      near(threadById(id)!.externalMajorIn * 25.4, majorMm, 0.01, 'major');
      near(25.4 / threadById(id)!.threadsPerIn, 1, 1e-9, 'pitch');
    });
  }
  it('hose thread is 1 1/16 in by 11 1/2 (ASME B1.20.7)', () => {
    assert.deepEqual([threadById('ght-3/4')!.externalMajorIn, threadById('ght-3/4')!.threadsPerIn], [1.0625, 11.5]);
  });
  it('a straight thread has its female crest one thread depth below its major, by the basic form', () => {
    for (const t of threads.filter((x) => !x.tapered && x.includedAngleDeg === 60)) {
      near(t.internalCrestIn, t.externalMajorIn - 1.0825 / t.threadsPerIn, 0.006, t.id);
    }
  });
  it('has its crests in order, and names where it is from', () => {
    for (const t of threads) {
      assert.ok(t.internalCrestIn < t.externalCrestMinIn && t.externalCrestMinIn < t.externalMajorIn, t.id);
      assert.ok(t.source.length > 5 && t.priorWeight > 0, t.id);
    }
  });
});

describe('tubes against their standards', () => {
  /** ASTM B88 type L, outside and inside, inches. */
  const TUBES: [string, string, number, number][] = [
    ['cu-3/8od', '1/4', 0.375, 0.315],
    ['cu-1/2od', '3/8', 0.5, 0.43],
    ['cu-5/8od', '1/2', 0.625, 0.545],
    ['cu-7/8od', '3/4', 0.875, 0.785],
    ['steel-1/2ips', '1/2', 0.84, 0.622],
    ['steel-3/4ips', '3/4', 1.05, 0.824],
  ];
  for (const [id, nominal, od, inside] of TUBES) {
    it(id, () => {
      const t = tubeById(id)!;
      assert.deepEqual([t.nominalIn, t.odIn, t.idIn], [nominal, od, inside]);
    });
  }
  it('copper, CPVC and PEX of one nominal size measure the same outside, an eighth more than their name', () => {
    for (const [a, b] of [
      ['cu-5/8od', 'pex-5/8od'],
      ['cu-5/8od', 'cpvc-5/8od'],
      ['cu-7/8od', 'pex-7/8od'],
      ['cu-1/2od', 'pex-1/2od'],
    ] as const) {
      assert.equal(tubeById(a)!.odIn, tubeById(b)!.odIn);
      const [top, bottom] = tubeById(a)!.nominalIn!.split('/').map(Number);
      assert.equal(tubeById(a)!.odIn, top! / bottom! + 0.125);
    }
  });
});

describe('seals', () => {
  it('have turns in order: from, default, to within most; a nudge smaller than the most', () => {
    for (const s of seals) {
      if (!s.turns) continue;
      const { from, to, default: usual, nudge, most } = s.turns;
      assert.ok(from <= usual && usual <= to && to <= most && nudge < most, s.id);
    }
  });
  it('that are not screwed have none', () => {
    for (const id of ['push', 'push-small', 'crimp', 'expansion', 'solder'] as const) assert.equal(sealById(id).turns, null);
  });
});

describe('ends in words and drawings', () => {
  it('every label names gender or kind, and every end says how it seals', () => {
    for (const code of allEndCodes) {
      const end = parseEnd(code);
      const label = endLabel(code);
      if (end.kind === 'thread') assert.match(label, end.gender === 'm' ? /, male/ : /, female/);
      else assert.match(label, /tube|pipe|socket|cup|barb|nose/);
      assert.ok(endSeat(code).length > 4, code);
    }
  });
  it('labels are all different', () => {
    assert.equal(new Set(allEndCodes.map((c) => endLabel(c))).size, allEndCodes.length);
  });
  it('sizes from 1/2 in outside show the nominal name beside it', () => {
    for (const code of ['comp-5/8-m', 'ptc-7/8od', 'cup-5/8od', 'crimp-5/8od', 'cu-7/8od', 'pex-1/2od'])
      assert.match(endLabel(code), /nominal/, code);
  });
  it('a male silhouette has its teeth at the pitch and its crests at the major diameter', () => {
    for (const t of threads.filter((x) => !x.tapered)) {
      const crests = silhouette(`${t.id}-m`)
        .points.filter(([, y]) => Math.abs(y - t.externalMajorIn / 2) < 1e-9)
        .map(([x]) => x)
        .sort((a, b) => b - a);
      assert.ok(crests.length >= 4, t.id);
      for (let i = 2; i < crests.length; i += 2) near(crests[i - 2]! - crests[i]!, 1 / t.threadsPerIn, 1e-9, t.id);
    }
  });
  it('a taper silhouette grows by 1/16 in of diameter an inch', () => {
    for (const t of threads.filter((x) => x.tapered)) {
      const tops = silhouette(`${t.id}-m`).points.filter(([x, y]) => x < 0 && x > -0.4 && y > t.externalCrestMinIn / 2 - 1e-9);
      for (const [x, y] of tops) near(y, t.externalCrestMinIn / 2 - x / 32, 1e-6, t.id);
    }
  });
});
