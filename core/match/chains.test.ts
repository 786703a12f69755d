import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { mate } from '../ends/mate/mate.ts';
import { defaultRules } from '../house/rules.ts';
import { type SealId, sealById } from '../rows/index.ts';
import { matchChains } from './chains.ts';
import type { Part, Port } from './part.ts';
import type { MatchQuery } from './query.ts';
import { part } from './testing.ts';
import { whyNot } from './told/why-not.ts';

const hose = (id: string, a: string, b: string, lengthIn: number, more: Partial<Part> = {}) =>
  part(
    id,
    [
      [a, 'either'],
      [b, 'either'],
    ],
    { flexible: true, lengthIn, ...more },
  );

const CODES = ['comp-3/8-m', 'comp-3/8-f', 'comp-1/4-m', 'comp-1/4-f', 'npt-1/2-m', 'npt-1/2-f', 'cu-1/4od', 'pe-1/4od', 'ptc-1/4od'];
const CAPS = CODES.map((c) => ({ code: `cap-${c}`, priceCents: 150 }));
/** Caps, and what a compression joint takes. */
const PIECES = [...CAPS, { code: 'nut-comp-1/4', priceCents: 90 }, { code: 'ferrule-1/4od', priceCents: 30 }];

/** Every chain there is, by trying all orders of parts and ends; the cost summed up from the definition, on its own. */
function exhaustive(q: MatchQuery & { parts: Part[] }): number[] {
  const w = defaultRules.weights;
  const rateOf = (seal: SealId) => q.callbackRates?.[seal] ?? sealById(seal).callbacksPer1000 / 1000;
  const totals = new Map<string, { total: number; ids: string[]; joints: number; cents: number }>();
  const price = new Map((q.loose ?? []).map((l) => [l.code, l.priceCents]));
  const short = (counts: Map<string, number>) => q.stock !== undefined && [...counts].some(([code, n]) => (q.stock?.[code] ?? 0) < n);
  const tempF = q.need.water === 'hot' ? 140 : 70;
  /** PE bears 100 F. */
  const hot = (...codes: string[]) => codes.some((code) => code.startsWith('pe-') && tempF > 100);
  const valved = (p: Part, id: string) => p.tags.includes(`valved:${id}`);
  /** On the quarter-inch tube found in place: no push on chrome, nothing on pits, and 11/16 in for a push, 3/4 in for a ferrule. */
  const unsound = (a: string, b: string) => {
    const { stub } = q.need;
    const tube = stub && q[stub.side];
    if (!stub || !tube?.endsWith('od') || tube.startsWith('ptc')) return false;
    const isPush = a.startsWith('ptc') || b.startsWith('ptc');
    if (stub.finish === 'pitted' || (stub.finish === 'chromed' && isPush)) return true;
    return stub.lengthIn !== undefined && stub.lengthIn < (isPush ? 11 / 16 : 3 / 4);
  };
  const step = (
    open: string,
    used: Part[],
    key: string,
    cents: number,
    minutes: number,
    rate: number,
    tapers: boolean,
    counts: Map<string, number>,
    has: { line: boolean; stop: boolean; arrestor: boolean; check: boolean; stopLeak: boolean; rejoined: boolean; outlet: boolean },
  ) => {
    const join = (a: string, b: string, tubes: string[]) => {
      const m = mate(a, b);
      if (m.verdict !== 'seals' || hot(a, b)) return null;
      if (tubes.includes(q.need.stub?.side ?? '') && unsound(a, b)) return null;
      const more = new Map(counts);
      for (const code of m.loose) if (price.has(code)) more.set(code, (more.get(code) ?? 0) + 1);
      return {
        cents: m.loose.reduce((n, c) => n + (price.get(c) ?? 0), 0),
        rate: rateOf(m.seal!),
        taper: m.seal === 'taper',
        counts: more,
      };
    };
    const first = used.length === 0 ? ['from'] : [];
    const last = join(open, q.to, [...first, 'to']);
    const lacks =
      (q.need.minLengthIn !== undefined && !has.line) ||
      (q.need.stop && !has.stop) ||
      (q.need.arrestor && !has.arrestor) ||
      (q.need.check && !has.check) ||
      (q.need.stopLeak && !has.stopLeak) ||
      (q.need.leaveOutlet && !has.outlet);
    const complete = !lacks && (q.rejoin === undefined || has.rejoined);
    if (last && complete && !(used.length > 0 && tapers && last.taper && !used.some((p) => p.tags.includes('union')))) {
      const total =
        (cents + last.cents) / 100 + minutes * w.minuteDollars + (rate + last.rate) * w.callbackDollars + (short(last.counts) ? w.tripDollars : 0);
      const before = totals.get(key)?.total ?? Number.POSITIVE_INFINITY;
      const joints = used.length + 1 + (has.rejoined ? 1 : 0);
      if (total < before) totals.set(key, { total, ids: used.map((p) => p.id), joints, cents: cents + last.cents });
    }
    if (used.length >= 6) return;
    for (const p of q.parts) {
      if (q.need.minBoreIn !== undefined && p.boreIn !== undefined && p.boreIn < q.need.minBoreIn) continue;
      if (used.includes(p) || (p.flexible && (has.line || (q.need.minLengthIn !== undefined && (p.lengthIn ?? 0) < q.need.minLengthIn)))) continue;
      p.ends.forEach((entry, i) => {
        const into = entry.port === 'in' || entry.port === 'either' ? join(open, entry.code, first) : null;
        if (!into) return;
        p.ends.forEach((exit, o) => {
          if (o === i || exit.port === 'in') return;
          const spare = p.ends.filter((_, n) => n !== i && n !== o);
          for (const taken of q.rejoin !== undefined && !has.rejoined && !(q.need.rejoinFirst && has.line) ? [null, ...spare] : [null]) {
            let [c, r, ok] = [cents + into.cents + p.priceCents, rate + into.rate, true];
            const more = new Map(into.counts).set(p.id, 1);
            for (const s of spare) {
              const cap = `cap-${s.code}`;
              const back = s === taken ? mate(q.rejoin as string, s.code) : null;
              ok &&= s.port !== 'in';
              if (s === taken) {
                ok &&= back?.verdict === 'seals' && !hot(q.rejoin as string, s.code);
                for (const code of back?.loose ?? []) {
                  c += price.get(code) ?? 0;
                  if (price.has(code)) more.set(code, (more.get(code) ?? 0) + 1);
                }
                r += back?.seal ? rateOf(back.seal) : 0;
              } else if (!p.tags.includes(`valved:${s.id}`)) {
                ok &&= price.has(cap);
                c += price.get(cap) ?? 0;
                r += rateOf('washer');
                more.set(cap, (more.get(cap) ?? 0) + 1);
              }
            }
            if (!ok) continue;
            const now = {
              line: has.line || p.flexible,
              stop:
                has.stop ||
                (p.tags.includes('stop') &&
                  !has.line &&
                  // Left by a valve of its own where it has any.
                  (valved(p, exit.id) || !p.tags.some((t) => t.startsWith('valved:'))) &&
                  // Of this run alone.
                  (q.rejoin === undefined || has.rejoined || (taken !== null && valved(p, exit.id)))),
              check: has.check || (p.tags.includes('check') && (q.rejoin === undefined || has.rejoined) && (!q.need.stop || has.stop)),
              stopLeak:
                has.stopLeak || (p.tags.includes('stop-leak') && !has.line && (q.rejoin === undefined || has.rejoined) && (!q.need.stop || has.stop)),
              arrestor: p.tags.includes('arrestor') || (has.arrestor && !(p.flexible && (p.lengthIn ?? 0) > 72)),
              rejoined: has.rejoined || taken !== null,
              outlet: has.outlet || spare.some((s) => s !== taken && p.tags.includes(`valved:${s.id}`)),
            };
            step(exit.code, [...used, p], `${key} ${p.id}:${entry.code}>${exit.code}`, c, minutes + p.minutes, r, tapers && into.taper, more, now);
          }
        });
      });
    }
  };
  step(q.from, [], '', 0, 0, 0, true, new Map(), {
    line: false,
    stop: false,
    arrestor: false,
    check: false,
    stopLeak: false,
    rejoined: false,
    outlet: false,
  });
  if (
    q.need.minLengthIn !== undefined ||
    q.need.stop ||
    q.need.arrestor ||
    q.need.check ||
    q.need.stopLeak ||
    q.need.leaveOutlet ||
    q.rejoin !== undefined
  )
    totals.delete('');
  const gap = (x: number, y: number) => (Math.abs(x - y) < 1e-9 ? 0 : x - y);
  const ranked = [...totals.values()].sort(
    (a, b) => gap(a.total, b.total) || a.joints - b.joints || a.cents - b.cents || (a.ids.join(' ') < b.ids.join(' ') ? -1 : 1),
  );
  // Nothing idle: not what holds all the parts of one ranked before it.
  const kept: typeof ranked = [];
  for (const chain of ranked) if (!kept.some((k) => k.ids.every((id) => chain.ids.includes(id)))) kept.push(chain);
  return kept.map((k) => k.total);
}

describe('chains against exhaustive search', () => {
  const port = fc.constantFrom<Port>('in', 'out', 'either', 'either', 'branch');
  const anyPart = fc.record({
    ends: fc.array(fc.tuple(fc.constantFrom(...CODES), port), { minLength: 2, maxLength: 3 }),
    priceCents: fc.integer({ min: 100, max: 2000 }),
    minutes: fc.integer({ min: 1, max: 9 }),
    lengthIn: fc.integer({ min: 1, max: 90 }),
    flexible: fc.boolean(),
    boreIn: fc.option(fc.constantFrom(0.1, 0.2, 0.3), { nil: undefined }),
    tags: fc.subarray(['stop', 'union', 'arrestor', 'check', 'stop-leak', 'valved:e2', 'valved:e1']),
  });

  it('finds the same totals on small random catalogues', () => {
    const query = fc.record({
      made: fc.array(anyPart, { minLength: 1, maxLength: 6 }),
      from: fc.constantFrom(...CODES),
      to: fc.constantFrom(...CODES),
      rejoin: fc.option(fc.constantFrom(...CODES), { nil: undefined, freq: 1 }),
      minLengthIn: fc.option(fc.integer({ min: 1, max: 60 }), { nil: undefined, freq: 1 }),
      rejoinFirst: fc.boolean(),
      stop: fc.integer({ min: 0, max: 3 }).map((n) => n === 0),
      arrestor: fc.integer({ min: 0, max: 4 }).map((n) => n === 0),
      leaveOutlet: fc.integer({ min: 0, max: 4 }).map((n) => n === 0),
      check: fc.integer({ min: 0, max: 4 }).map((n) => n === 0),
      stopLeak: fc.integer({ min: 0, max: 4 }).map((n) => n === 0),
      minBoreIn: fc.option(fc.constantFrom(0.15, 0.25), { nil: undefined, freq: 1 }),
      callbackRates: fc.option(fc.record({ washer: fc.constantFrom(0, 0.02), taper: fc.constantFrom(0.001, 0.05) }, { requiredKeys: [] }), {
        nil: undefined,
        freq: 1,
      }),
      water: fc.constantFrom<'cold' | 'hot'>('cold', 'cold', 'hot'),
      stub: fc.option(
        fc.record({
          side: fc.constantFrom('from' as const, 'to' as const),
          finish: fc.constantFrom('bare' as const, 'chromed' as const, 'pitted' as const, 'unknown' as const),
          lengthIn: fc.option(fc.constantFrom(0.5, 0.7, 1), { nil: undefined }),
        }),
        { nil: undefined },
      ),
      stocked: fc.option(
        fc.record({ parts: fc.array(fc.boolean(), { minLength: 6, maxLength: 6 }), pieces: fc.array(fc.nat(2), { minLength: 11, maxLength: 11 }) }),
        { nil: undefined },
      ),
    });
    let answered = 0;
    fc.assert(
      fc.property(
        query,
        ({
          made,
          from,
          to,
          rejoin,
          minLengthIn,
          stop,
          arrestor,
          leaveOutlet,
          check,
          stopLeak,
          minBoreIn,
          callbackRates,
          water,
          stub,
          rejoinFirst,
          stocked,
        }) => {
          const parts = made.map(({ ends, ...rest }, i) => part(`p${i}`, ends, rest));
          const onVan = (s: typeof stocked & {}) => [
            ...parts.map((p, i) => [p.id, s.parts[i] ? 1 : 0]),
            ...PIECES.map((c, i) => [c.code, s.pieces[i]]),
          ];
          const stock: Record<string, number> | undefined = stocked && Object.fromEntries(onVan(stocked));
          const q = {
            from,
            to,
            parts,
            loose: PIECES,
            k: 5,
            rejoin,
            stock,
            callbackRates,
            need: { water, minLengthIn, stop, arrestor, leaveOutlet, check, stopLeak, minBoreIn, stub, rejoinFirst },
          };
          const wanted = exhaustive(q).slice(0, 5);
          const found = matchChains(q).chains.filter((c) => c.joints.every((j) => j.mating.verdict === 'seals'));
          if (wanted.length > 0) answered++;
          assert.equal(found.length, wanted.length);
          found.forEach((c, i) => {
            assert.ok(Math.abs(c.cost.total - wanted[i]!) < 1e-6, `${c.cost.total} is not ${wanted[i]}`);
          });
        },
      ),
      { numRuns: 600, seed: 7 },
    );
    assert.ok(answered > 40, `only ${answered} of the catalogues had a chain`);
  });
});

describe('what a chain must do', () => {
  const ice = hose('ice-60', 'comp-1/4-f', 'comp-1/4-f', 60);
  const adapter = part('adapter', [
    ['comp-3/8-f', 'either'],
    ['comp-1/4-m', 'either'],
  ]);
  const base = { from: 'comp-3/8-m', to: 'comp-1/4-m', need: { water: 'cold' as const, minLengthIn: 55 } };

  it('joins a 3/8 stop to a 1/4 inlet with an adapter and a hose: three washer joints', () => {
    const [best] = matchChains({ ...base, parts: [ice, adapter] }).chains;
    assert.deepEqual(best?.parts, ['adapter', 'ice-60']);
    assert.deepEqual(
      best?.joints.map((j) => j.mating.seal),
      ['washer', 'washer', 'washer'],
    );
    assert.equal(best?.priceCents, 1000);
    assert.ok(Math.abs((best?.cost.total ?? 0) - (10 + 4 * 1.5 + 3 * 0.002 * 1000)) < 1e-9);
    assert.ok(Math.abs((best?.leakRisk ?? 0) - (1 - 0.998 ** 3)) < 1e-12);
  });

  it('goes by what the shop has seen of its seals, where that is told', () => {
    const push = hose('push-60', 'ptc-3/8od', 'comp-1/4-f', 60, { priceCents: 700 });
    const q = {
      from: 'cu-3/8od',
      to: 'comp-1/4-m',
      parts: [push, hose('nut-60', 'comp-3/8-m', 'comp-1/4-f', 60, { priceCents: 700 })],
      need: base.need,
    };
    const first = (callbackRates?: MatchQuery['callbackRates']) => matchChains({ ...q, callbackRates }).chains[0]!;
    assert.deepEqual(first({ 'push-small': 0.05 }).parts, ['nut-60']);
    assert.deepEqual(first({ ferrule: 0.05 }).parts, ['push-60']);
    assert.ok(
      Math.abs(first({ ferrule: 0.05, 'push-small': 0.01, washer: 0 }).cost.callbacks - 10) < 1e-9,
      'the push joint alone is expected to come back',
    );
    assert.throws(() => first({ ferrule: 1.2 }), /callbacks of ferrule/);
  });

  it('never proposes a saddle valve, a short hose or one that is not for the water, and says so', () => {
    const saddle = part(
      'saddle',
      [
        ['comp-3/8-f', 'in'],
        ['comp-1/4-m', 'out'],
      ],
      { tags: ['saddle'] },
    );
    const short = hose('short', 'comp-1/4-f', 'comp-1/4-f', 40);
    const cold = hose('cold', 'comp-1/4-f', 'comp-1/4-f', 60, { waters: ['hot'] });
    const { chains, refused, unreachable } = matchChains({ ...base, parts: [saddle, short, cold] });
    assert.equal(chains.length, 0);
    assert.deepEqual(
      refused.map((r) => [r.part, r.because[0]?.rule]),
      [
        ['cold', 'water'],
        ['saddle', 'saddle'],
        ['short', 'too-short'],
      ],
    );
    assert.ok(unreachable?.length);
  });

  it('cuts a coil with 12 in to spare and prices it by the foot', () => {
    const coil = part(
      'coil',
      [
        ['pe-1/4od', 'either'],
        ['pe-1/4od', 'either'],
      ],
      { flexible: true, cutToLength: true, maxLengthIn: 300, centsPerFt: 36, lengthIn: undefined },
    );
    const [best] = matchChains({ from: 'comp-1/4-m', to: 'ptc-1/4od', parts: [coil], need: { water: 'cold', minLengthIn: 48 } }).chains;
    assert.equal(best?.path[0]?.cutLengthIn, 60);
    assert.equal(best?.priceCents, 500 + 180);
    assert.deepEqual(best?.loose, { 'nut-comp-1/4': 1, 'plastic-ferrule-1/4od': 1, 'insert-1/4od': 1 });
    assert.equal(matchChains({ from: 'comp-1/4-m', to: 'ptc-1/4od', parts: [coil], need: { water: 'cold' } }).chains.length, 0);
  });

  it('puts a tee in and joins the old line again', () => {
    const tee = part('tee', [
      ['comp-3/8-f', 'in'],
      ['comp-3/8-m', 'out'],
      ['comp-1/4-m', 'branch'],
    ]);
    const [best] = matchChains({ ...base, rejoin: 'comp-3/8-f', parts: [ice, adapter, tee] }).chains;
    assert.deepEqual(best?.parts, ['tee', 'ice-60']);
    assert.equal(best?.joints.length, 4);
    assert.deepEqual(
      best?.branches.map((b) => [b.end, b.use]),
      [['e1', 'rejoin']],
    );
  });

  it('counts the trip once, and prefers what is on the van', () => {
    const twin = { ...ice, id: 'ice-72', lengthIn: 72, priceCents: 900 };
    const { chains } = matchChains({ ...base, parts: [ice, twin, adapter], stock: { adapter: 1, 'ice-72': 1 } });
    assert.deepEqual(
      chains.map((c) => [c.parts[1], c.cost.trip, c.offVan.length]),
      [
        ['ice-72', 0, 0],
        ['ice-60', 45, 1],
      ],
    );
  });

  it('counts the loose pieces left on the van: what runs out within a chain wants the trip', () => {
    const tube = part('tube', [
      ['pe-1/4od', 'either'],
      ['pe-1/4od', 'either'],
    ]);
    const tail = hose('tail', 'comp-1/4-f', 'comp-1/4-f', 20, { priceCents: 2500 });
    const q = { from: 'comp-1/4-m', to: 'comp-1/4-m', parts: [tube, tail], loose: [{ code: 'nut-comp-1/4', priceCents: 100 }], k: 1 };
    const best = (nuts: number) => matchChains({ ...q, stock: { tube: 1, tail: 1, 'nut-comp-1/4': nuts }, need: { water: 'cold' } }).chains[0]?.parts;
    assert.deepEqual(best(2), ['tube']);
    assert.deepEqual(best(1), ['tail']);
  });

  it('wants a joint that turns: two fixed tapers need a union', () => {
    const nipple = part('nipple', [
      ['npt-1/2-m', 'either'],
      ['npt-1/2-m', 'either'],
    ]);
    const q = { from: 'npt-1/2-f', to: 'npt-1/2-f', need: { water: 'cold' as const } };
    assert.equal(matchChains({ ...q, parts: [nipple] }).chains.length, 0);
    assert.equal(matchChains({ ...q, parts: [{ ...nipple, tags: ['union'] }] }).chains.length, 1);
  });

  it('gives marginal chains only when nothing seals, and says so', () => {
    const q = { from: 'npsm-1/2-m', to: 'g-1/2-f', parts: [], need: { water: 'cold' as const } };
    const [only] = matchChains(q).chains;
    assert.equal(only?.joints[0]?.mating.verdict, 'marginal');
    assert.ok(only?.cautions.some((c) => c.rule === 'marginal'));
    assert.ok(Math.abs((only?.cost.callbacks ?? 0) - 20 * 0.002 * 1000) < 1e-9);
  });

  it('says when it narrows to less than half of both its ends, and not when an end is as narrow', () => {
    const down = part('down', [
      ['npt-1/2-f', 'either'],
      ['comp-1/4-m', 'either'],
    ]);
    const up = part('up', [
      ['comp-1/4-f', 'either'],
      ['npt-1/2-f', 'either'],
    ]);
    const rules = (to: string) =>
      matchChains({ from: 'npt-1/2-m', to, parts: [down, up], need: { water: 'cold' } }).chains[0]!.cautions.map((c) => c.rule);
    assert.deepEqual(rules('npt-1/2-m'), ['narrow']);
    assert.deepEqual(rules('comp-1/4-f'), []);
  });

  it('names the two ends of the missing part', () => {
    const { unreachable } = matchChains({ from: 'flare-1/2-m', to: 'm-24x1-f', parts: [], need: { water: 'cold' } });
    assert.deepEqual(unreachable?.[0]?.figures, { from: 'flare-1/2-f', to: 'm-24x1-m' });
  });

  it('refuses catalogues and needs that do not read', () => {
    const need = { water: 'cold' as const };
    assert.throws(() => matchChains({ from: 'x', to: 'comp-3/8-m', parts: [], need }), /end code/);
    assert.throws(() => matchChains({ ...base, parts: [ice, ice] }), /Two parts share it/);
    assert.throws(() => matchChains({ ...base, parts: [], need: { water: 'cold', minLengthIn: -3 } }), /least length/);
    assert.throws(() => matchChains({ ...base, parts: [part('half', [['comp-3/8-m', 'in']])] }), /fewer than two/);
  });
});

describe('why not', () => {
  const ice = hose('ice-60', 'comp-1/4-f', 'comp-1/4-f', 60);
  const adapter = part('adapter', [
    ['comp-3/8-f', 'either'],
    ['comp-1/4-m', 'either'],
  ]);
  const q = { from: 'comp-3/8-m', to: 'comp-1/4-m', need: { water: 'cold' as const, minLengthIn: 55 } };
  const rules = (parts: Part[], ids: string[], more: Partial<MatchQuery> = {}) => whyNot({ ...q, parts, ...more }, ids).map((r) => r.rule);

  it('has nothing against a chain that is given', () => assert.deepEqual(rules([ice, adapter], ['adapter', 'ice-60']), []));
  it('names what is not known, used twice, or too long', () => {
    assert.deepEqual(rules([ice], ['no-such']), ['unknown-part']);
    assert.equal(rules([ice, adapter], ['adapter', 'adapter'])[0], 'twice');
  });
  it('names the joint that fails first, then the rest', () => {
    assert.deepEqual(whyNot({ ...q, parts: [ice] }, ['ice-60'])[0]?.figures, { joint: 1, a: 'comp-3/8-m', b: 'comp-1/4-f' });
    assert.deepEqual(rules([{ ...ice, lengthIn: 40 }, adapter], ['adapter', 'ice-60']), ['too-short']);
    assert.deepEqual(rules([adapter], ['adapter'], { to: 'comp-1/4-f' }), ['no-line']);
  });
  it('names near misses', () => {
    const gas = part('flared', [
      ['comp-3/8-f', 'either'],
      ['flare-1/4-m', 'either'],
    ]);
    assert.ok(rules([gas, ice], ['flared', 'ice-60']).includes('near-comp-1/4-flare-1/4'));
  });
  it('wants the stop before the line, the arrestor near, the old line taken back, and a cap', () => {
    const stop = part(
      'stop',
      [
        ['comp-1/4-m', 'in'],
        ['comp-1/4-f', 'out'],
      ],
      { tags: ['stop'] },
    );
    assert.deepEqual(rules([ice, adapter], ['adapter', 'ice-60'], { need: { ...q.need, stop: true } }), ['no-stop']);
    const late = rules([ice, adapter, stop], ['adapter', 'ice-60', 'stop'], { need: { ...q.need, stop: true } });
    assert.deepEqual(late, ['stop-after-line']);
    const long = { ...ice, lengthIn: 84 };
    const arrestor = part(
      'arrestor',
      [
        ['comp-1/4-f', 'either'],
        ['comp-1/4-m', 'either'],
      ],
      { tags: ['arrestor'] },
    );
    const need = { ...q.need, arrestor: true };
    assert.deepEqual(rules([long, adapter, arrestor], ['adapter', 'arrestor', 'ice-60'], { need }), ['arrestor-far']);
    assert.deepEqual(rules([long, adapter, arrestor], ['adapter', 'ice-60', 'arrestor'], { need }), []);
    assert.deepEqual(rules([ice, adapter], ['adapter', 'ice-60'], { rejoin: 'comp-3/8-f' }), ['rejoin']);
    const tee = part('tee', [
      ['comp-3/8-f', 'in'],
      ['comp-1/4-m', 'out'],
      ['comp-3/8-m', 'branch'],
    ]);
    assert.deepEqual(rules([ice, tee], ['tee', 'ice-60']), ['no-cap']);
    assert.deepEqual(rules([ice, tee], ['tee', 'ice-60'], { rejoin: 'comp-3/8-f' }), []);
  });
  it('wants a stop of this run alone, and the backflow preventer behind it and behind the old line', () => {
    const line = hose('line', 'comp-3/8-f', 'comp-1/4-f', 60);
    const tee = part('tee', [
      ['comp-3/8-f', 'in'],
      ['comp-3/8-m', 'out'],
      ['comp-3/8-m', 'branch'],
    ]);
    const stop = part(
      'stop',
      [
        ['comp-3/8-f', 'in'],
        ['comp-3/8-m', 'out'],
      ],
      { tags: ['stop'] },
    );
    const dual = part(
      'dual',
      [
        ['comp-3/8-f', 'in'],
        ['comp-3/8-m', 'out'],
        ['comp-3/8-m', 'out'],
      ],
      { tags: ['stop', 'valved:e1', 'valved:e2'] },
    );
    const addOn = { ...dual, id: 'add-on', tags: ['stop', 'valved:e2'], ends: dual.ends.map((e, i) => (i === 1 ? { ...e, code: 'comp-1/4-m' } : e)) };
    const check = part(
      'check',
      [
        ['comp-3/8-f', 'in'],
        ['comp-3/8-m', 'out'],
      ],
      { tags: ['check'] },
    );
    const device = { ...check, id: 'device', tags: ['stop-leak'] };
    const parts = [line, tee, stop, dual, addOn, check, device];
    const asked = (more: Partial<MatchQuery['need']>, ids: string[], rejoin?: string) => rules(parts, ids, { rejoin, need: { ...q.need, ...more } });
    const own = { stop: true };
    assert.deepEqual(asked(own, ['stop', 'line']), []);
    // Before the tee it shuts the old line too; behind it this run alone.
    assert.deepEqual(asked(own, ['stop', 'tee', 'line'], 'comp-3/8-f'), ['stop-shared']);
    assert.deepEqual(asked(own, ['tee', 'stop', 'line'], 'comp-3/8-f'), []);
    // Of a dual stop either outlet has its own valve; an add-on stop has one on its branch alone.
    assert.deepEqual(asked(own, ['dual', 'line'], 'comp-3/8-f'), []);
    assert.deepEqual(asked(own, ['add-on', 'line'], 'comp-1/4-f'), []);
    const behind = { check: true };
    assert.deepEqual(asked(behind, ['check', 'tee', 'line'], 'comp-3/8-f'), ['check-before-rejoin']);
    assert.deepEqual(asked(behind, ['tee', 'check', 'line'], 'comp-3/8-f'), []);
    assert.deepEqual(asked({ ...own, ...behind }, ['check', 'stop', 'line']), ['check-before-stop']);
    assert.deepEqual(asked({ ...own, ...behind }, ['stop', 'check', 'line']), []);
    // A stop-leak device stops the line's leak too, and is renewed behind the stop.
    const guarded = { stopLeak: true };
    assert.deepEqual(asked(guarded, ['line']), ['no-stop-leak']);
    assert.deepEqual(asked(guarded, ['device', 'line']), []);
    assert.deepEqual(asked(guarded, ['device', 'tee', 'line'], 'comp-3/8-f'), ['stop-leak-before']);
    assert.deepEqual(asked({ ...own, ...guarded }, ['device', 'stop', 'line']), ['stop-leak-before']);
    assert.deepEqual(asked({ ...own, ...guarded }, ['stop', 'device', 'line']), []);
  });
  it('has tube bear the heat, the found tube too', () => {
    const push = part('push', [
      ['ptc-1/4od', 'either'],
      ['comp-1/4-m', 'either'],
    ]);
    const hot = { from: 'pe-1/4od', to: 'comp-1/4-f', need: { water: 'hot' as const } };
    assert.deepEqual(rules([push], ['push'], { ...hot, need: { water: 'cold' } }), []);
    assert.deepEqual(rules([push], ['push'], hot), ['tube-heat']);
    assert.equal(matchChains({ ...hot, parts: [push] }).unreachable?.[0]?.rule, 'tube-heat');
  });
  it('hides no valve and no hose, but a coil that may run in a wall; and keeps to the bore asked for', () => {
    const solder = part(
      'coupling',
      [
        ['cup-3/8od', 'either'],
        ['cup-3/8od', 'either'],
      ],
      { tags: ['concealable'], flexible: true },
    );
    const hidden = { from: 'cu-3/8od', to: 'cu-3/8od', need: { water: 'cold' as const, reachable: false } };
    assert.deepEqual(rules([solder], ['coupling'], hidden), []);
    assert.deepEqual(rules([{ ...solder, tags: [] }], ['coupling'], hidden), ['hidden-flexible']);
    assert.deepEqual(rules([{ ...solder, tags: ['concealable', 'needs-access'] }], ['coupling'], hidden), ['needs-access']);
    const bore = { ...hidden, need: { water: 'cold' as const, minBoreIn: 0.25 } };
    assert.deepEqual(rules([{ ...solder, boreIn: 0.2 }], ['coupling'], bore), ['bore']);
    assert.deepEqual(rules([solder], ['coupling'], bore), []);
  });
  it('refuses marginal joints while something seals', () => {
    const right = part('right', [
      ['npsm-1/2-f', 'either'],
      ['g-1/2-m', 'either'],
    ]);
    const two = { from: 'npsm-1/2-m', to: 'g-1/2-f', need: { water: 'cold' as const } };
    assert.deepEqual(rules([], [], two), []);
    assert.deepEqual(rules([right], [], two), ['marginal']);
  });

  it('has nothing against any chain found, and something against every other row of parts', () => {
    const port = fc.constantFrom<Port>('in', 'out', 'either', 'branch');
    const anyPart = fc.record({
      ends: fc.array(fc.tuple(fc.constantFrom(...CODES), port), { minLength: 2, maxLength: 3 }),
      flexible: fc.boolean(),
      lengthIn: fc.integer({ min: 1, max: 70 }),
      boreIn: fc.option(fc.constantFrom(0.1, 0.3), { nil: undefined }),
      tags: fc.subarray(['stop', 'union', 'arrestor', 'check', 'stop-leak', 'needs-access', 'concealable', 'valved:e2', 'valved:e1']),
    });
    const query = fc.record({
      made: fc.array(anyPart, { minLength: 1, maxLength: 3 }),
      from: fc.constantFrom(...CODES),
      to: fc.constantFrom(...CODES),
      rejoin: fc.option(fc.constantFrom(...CODES), { nil: undefined, freq: 1 }),
      need: fc.record({
        water: fc.constantFrom('cold' as const, 'hot' as const),
        stop: fc.boolean(),
        arrestor: fc.boolean(),
        check: fc.boolean(),
        stopLeak: fc.boolean(),
        leaveOutlet: fc.boolean(),
        reachable: fc.constantFrom(true, true, false),
        minBoreIn: fc.constantFrom(undefined, 0.2),
        rejoinFirst: fc.boolean(),
        stub: fc.constantFrom(
          undefined,
          { side: 'from' as const, finish: 'chromed' as const },
          { side: 'to' as const, finish: 'bare' as const, lengthIn: 0.7 },
        ),
      }),
    });
    fc.assert(
      fc.property(query, ({ made, ...rest }) => {
        const parts = made.map(({ ends, ...more }, i) => part(`p${i}`, ends, { ...more, lengthIn: more.lengthIn * 2 }));
        const ask = { ...rest, parts, loose: CAPS.slice(0, 3), k: 100 };
        const found = new Set(matchChains(ask).chains.map((c) => c.parts.join(' ')));
        for (const ids of rows(parts.map((p) => p.id))) assert.equal(whyNot(ask, ids).length === 0, found.has(ids.join(' ')), ids.join(' '));
      }),
      { numRuns: 400, seed: 11 },
    );
  });
});

/** Every row of different ids, the empty one first. */
function rows(ids: string[]): string[][] {
  return [[], ...ids.flatMap((id) => rows(ids.filter((other) => other !== id)).map((rest) => [id, ...rest]))];
}
