import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { EndCodeError } from '../errors.ts';
import { defaultRules } from '../house/rules.ts';
import { allEndCodes, isEndCode, parseEnd } from './code.ts';
import { silhouette } from './drawn/silhouette.ts';
import { endLabel } from './label.ts';
import { mate } from './mate/mate.ts';
import { readEnd } from './read/read.ts';

describe('end codes', () => {
  it('reads every code and its usual material', () => {
    for (const code of allEndCodes) assert.equal(parseEnd(code).code, code);
    assert.equal((parseEnd('bc-7/8-m') as { material: string }).material, 'plastic');
    assert.equal((parseEnd('ptc-1/4od') as { material: string }).material, 'plastic');
    assert.equal((parseEnd('ptc-5/8od') as { material: string }).material, 'metal');
  });

  const faults: [code: string, at: number, expected: string][] = [
    ['', 0, 'comp'],
    ['compression-3/8-m', 0, 'comp'],
    ['comp', 4, '-'],
    ['comp-3/7-m', 7, '3/8'],
    ['comp-3/8', 8, '-m'],
    ['comp-3/8-x', 8, '-m'],
    ['comp-3/8-m:brass', 10, ':plastic'],
    ['bc-7/8-m:plastic', 8, ':metal'],
    ['cu-5/8od:plastic', 8, ''],
    ['COMP-3/8-M', 0, 'comp'],
    ['cup-1/4od-m', 9, ''],
  ];
  for (const [code, at, expected] of faults) {
    it(`says where "${code}" goes wrong`, () => {
      assert.throws(
        () => parseEnd(code),
        (e) => e instanceof EndCodeError && e.at === at && e.expected.includes(expected),
      );
    });
  }

  it('throws nothing but EndCodeError on any text', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        if (isEndCode(text)) return;
        assert.throws(() => parseEnd(text), EndCodeError);
      }),
    );
  });
});

describe('labels', () => {
  const labels: [string, string][] = [
    ['comp-3/8-m', '3/8 in OD compression, male (9/16-24)'],
    ['comp-5/8-m', '5/8 in OD (1/2 nominal) compression, male (13/16-18)'],
    ['cu-5/8od', '1/2 in nominal copper tube, 5/8 in OD'],
    ['ptc-7/8od', 'push-to-connect socket, 7/8 in OD (3/4 nominal)'],
    ['steel-1/2ips', '1/2 in nominal steel pipe, 0.840 in OD'],
  ];
  for (const [code, label] of labels) it(code, () => assert.equal(endLabel(code), label));
});

describe('what a person types', () => {
  const typed: [string, string[]][] = [
    ['3/8 comp', ['comp-3/8-m', 'comp-3/8-f', 'comp-1/2-m', 'comp-1/2-f']],
    ['1/2 fip', ['npsm-1/2-f', 'npt-1/2-f']],
    ['1/2 MIP', ['npt-1/2-m', 'npsm-1/2-m']],
    ['7/8 bc', ['bc-7/8-m', 'bc-7/8-f']],
    ['ght', ['ght-3/4-m', 'ght-3/4-f']],
    ['fht', ['ght-3/4-f']],
    ['1/2 copper', ['cu-5/8od', 'cu-1/2od']],
    ['1/4 copper', ['cu-1/4od', 'cu-3/8od']],
    ['1/2 od copper', ['cu-1/2od']],
    ['M10x1', ['m-10x1-m', 'm-10x1-f']],
    ['G1/2 male', ['g-1/2-m']],
    ['7/8 bc metal m', ['bc-7/8-m:metal']],
    ['1/4 push', ['ptc-1/4od', 'ptc-3/8od']],
    ['comp-3/8-m', ['comp-3/8-m']],
    ['zebra', []],
    ['3/8 1/2 comp', []],
    ['', []],
  ];
  for (const [text, ends] of typed) {
    it(`"${text}"`, () =>
      assert.deepEqual(
        readEnd(text).map((r) => r.end),
        ends,
      ));
  }

  it('gives only ends that exist, each once, for any text', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[0-9/ a-z.x]{0,20}$/), (text) => {
        const ends = readEnd(text).map((r) => r.end);
        assert.equal(new Set(ends).size, ends.length);
        for (const end of ends) assert.ok(isEndCode(end));
      }),
    );
  });
});

describe('mating, pair by pair', () => {
  /** Worked out by hand from the thread tables and the settled pairs. */
  const pairs: [a: string, b: string, verdict: string, seal: string | null, near?: string][] = [
    ['comp-3/8-m', 'comp-3/8-f', 'seals', 'washer'],
    ['npt-1/2-m', 'npt-1/2-f', 'seals', 'taper'],
    ['npt-1/2-m', 'npsm-1/2-f', 'seals', 'washer-on-taper'],
    ['npt-1/2-m', 'npt-1/2-f:plastic', 'seals', 'taper-plastic'],
    ['npt-1/2-m', 'g-1/2-f', 'marginal', 'washer'],
    ['npsm-1/2-m', 'g-1/2-f', 'marginal', 'washer', 'near-g-1/2-npsm-1/2'],
    ['npsm-1/2-m', 'npt-1/2-f', 'false-start', null, 'near-npsm-1/2-npt-1/2'],
    ['bc-7/8-m', 'bc-7/8-f', 'seals', 'washer-plastic'],
    ['bc-7/8-m', 'flare-5/8-f', 'no', null, 'near-bc-7/8-flare-5/8'],
    ['comp-1/8-m', 'flare-1/8-f', 'no', null, 'near-comp-1/8-flare-1/8'],
    ['comp-1/4-m', 'flare-1/4-f', 'false-start', null, 'near-comp-1/4-flare-1/4'],
    ['ght-3/4-f', 'npt-3/4-m', 'false-start', null, 'near-ght-3/4-npt-3/4'],
    ['ght-3/4-m:plastic', 'ght-3/4-f', 'seals', 'washer-hose'],
    ['m-10x1-m', 'm-10x1-f', 'seals', 'o-ring'],
    ['m-24x1-m', 'm-24x1-f', 'seals', 'washer-aerator'],
    ['flare-1/4-m:plastic', 'flare-1/4-f', 'marginal', 'flare'],
    ['comp-3/8-m', 'comp-3/8-m', 'no', null],
    ['cu-3/8od', 'comp-3/8-m', 'seals', 'ferrule'],
    ['cu-5/8od', 'comp-5/8-m', 'seals', 'ferrule-large'],
    ['pex-5/8od', 'comp-5/8-m', 'seals', 'ferrule-large'],
    ['pe-1/4od', 'comp-1/4-m', 'seals', 'ferrule-plastic'],
    ['cpvc-5/8od', 'comp-5/8-m', 'no', null],
    ['cu-5/8od', 'comp-1/2-m', 'no', null, 'near-nominal-od'],
    ['cu-5/8od', 'ptc-5/8od', 'seals', 'push'],
    ['pe-1/4od', 'ptc-1/4od', 'seals', 'push-small'],
    ['pb-5/8od', 'ptc-5/8od', 'no', null],
    ['steel-1/2ips', 'ptc-1/2od', 'no', null, 'near-nominal-od'],
    ['cu-5/8od', 'cup-5/8od', 'seals', 'solder'],
    ['cpvc-5/8od', 'cup-5/8od', 'no', null],
    ['pex-5/8od', 'crimp-5/8od', 'seals', 'crimp'],
    ['pex-5/8od', 'expand-5/8od', 'seals', 'expansion'],
    ['cu-5/8od', 'crimp-5/8od', 'no', null],
    ['nose-3/8od', 'npsm-1/2-m', 'seals', 'cone'],
    ['nose-3/8od', 'npt-1/2-m', 'marginal', 'cone'],
    ['cu-1/4od', 'flare-1/4-m', 'no', null],
    ['cu-5/8od', 'cu-5/8od', 'no', null],
  ];
  for (const [a, b, verdict, seal, near] of pairs) {
    it(`${a} with ${b}: ${verdict}`, () => {
      const m = mate(a, b);
      assert.deepEqual([m.verdict, m.seal, m.nearMiss], [verdict, seal, near]);
      assert.ok(m.because.length > 0);
    });
  }

  it('binds hose thread on pipe thread after 0.77 turn: 0.012 in of play and 0.0125 tan 30 over the pitch difference', () => {
    const byHand = (0.012 + 0 * Math.tan(Math.PI / 6)) / Math.abs(1 / 11.5 - 1 / 14);
    const m = mate('ght-3/4-m', 'npt-3/4-f');
    assert.ok(Math.abs((m.bindsAfterTurns ?? 0) - byHand) < 1e-9);
    assert.match(m.because[0]?.text ?? '', /about 1 turn, then binds/);
  });

  it('takes its loose pieces by kind and size', () => {
    assert.deepEqual(mate('cu-1/4od', 'comp-1/4-m').loose, ['nut-comp-1/4', 'ferrule-1/4od']);
    assert.deepEqual(mate('pe-1/4od', 'comp-1/4-m').loose, ['nut-comp-1/4', 'plastic-ferrule-1/4od', 'insert-1/4od']);
    assert.deepEqual(mate('pex-5/8od', 'ptc-5/8od').loose, ['insert-5/8od']);
    assert.deepEqual(mate('comp-3/8-m', 'comp-3/8-f').loose, []);
  });

  it('obeys house rules: sealant, ferrule, and turns clamped at the most', () => {
    const rules = { ...defaultRules, threadSealant: 'paste' as const, ferrule: 'trace of paste' as const, turns: { washer: 3 } };
    assert.equal(mate('npt-1/2-m', 'npt-1/2-f', rules).sealant, 'paste');
    assert.equal(mate('npt-1/2-m:plastic', 'npt-1/2-f', rules).sealant, 'tape');
    assert.equal(mate('cu-3/8od', 'comp-3/8-m', rules).sealant, 'trace of paste');
    const clamped = mate('comp-3/8-m', 'comp-3/8-f', rules);
    assert.equal(clamped.turns?.default, 0.75);
    assert.ok(clamped.because.some((r) => r.rule === 'house-turns' && /past the most/.test(r.text)));
  });
});

describe('mating, over all pairs', () => {
  const all = allEndCodes.flatMap((a, i) => allEndCodes.slice(i).map((b) => ({ a, b, m: mate(a, b) })));

  it('is symmetric', () => {
    for (const { a, b, m } of all) assert.deepEqual(mate(b, a), m);
  });

  it('never seals without a seat, nor with other pitch or flanks, nor with one gender', () => {
    for (const { a, b, m } of all) {
      if (m.verdict !== 'seals') continue;
      assert.ok(m.seal, `${a} ${b}`);
      const [x, y] = [parseEnd(a), parseEnd(b)];
      if (x.kind !== 'thread' || y.kind !== 'thread') continue;
      assert.notEqual(x.gender, y.gender);
      assert.equal(x.thread.threadsPerIn, y.thread.threadsPerIn);
      assert.equal(x.thread.includedAngleDeg, y.thread.includedAngleDeg);
    }
  });

  it('fills seal, sealant and turns only where something seals, in whole 24ths within the most', () => {
    for (const { m } of all) {
      const joins = m.verdict === 'seals' || m.verdict === 'marginal';
      assert.equal(m.seal !== null, joins);
      if (!joins) assert.deepEqual([m.sealant, m.turns, m.loose], [null, null, []]);
      for (const turns of Object.values(m.turns ?? {})) assert.ok(Math.abs(turns * 24 - Math.round(turns * 24)) < 1e-9);
      if (m.turns) assert.ok(m.turns.default <= m.turns.most);
    }
  });

  it('names every false start', () => {
    for (const { m } of all) if (m.verdict === 'false-start') assert.match(m.nearMiss ?? '', /^near-/);
  });
});

describe('silhouettes', () => {
  it('are closed outlines above the axis, open at x = 0, with their thread at its real major diameter', () => {
    for (const code of allEndCodes) {
      const { points } = silhouette(code);
      assert.ok(points.length >= 4, code);
      for (const [x, y] of points) assert.ok(Number.isFinite(x) && x <= 1e-9 && y > 0, code);
      assert.ok(
        points.some(([x]) => Math.abs(x) < 1e-9),
        code,
      );
    }
    const crest = Math.max(
      ...silhouette('comp-3/8-m')
        .points.filter(([x]) => x > -0.25)
        .map(([, y]) => y),
    );
    assert.ok(Math.abs(crest - 0.5625 / 2) < 1e-9);
  });
});
