import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { allEndCodes } from '../../ends/code.ts';
import { mate } from '../../ends/mate/mate.ts';
import { defaultRules } from '../../house/rules.ts';
import { matchChains } from '../chains.ts';
import type { Part } from '../part.ts';
import { sealRates } from '../seal-rates.ts';
import { part } from '../testing.ts';
import { indexParts } from './catalogue-index.ts';
import { HAS } from './has.ts';
import { Heap } from './heap.ts';
import { type LowerBounds, lowerBounds } from './lower-bounds.ts';
import { codeCount, codeNumber, FALSE_START, MARGINAL, NO, pairTable, SEALS } from './pair-table.ts';

describe('the heap', () => {
  it('gives numbers back in order, as many as went in', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ noNaN: true }), { maxLength: 3000 }), (keys) => {
        const heap = new Heap();
        keys.forEach((key, i) => {
          heap.push(key, i);
        });
        const out: number[] = [];
        for (let item = heap.pop(); item >= 0; item = heap.pop()) out.push(keys[item]!);
        assert.deepEqual(
          out.map((k) => k + 0),
          [...keys].sort((a, b) => a - b).map((k) => k + 0),
        );
        assert.equal(heap.least, Number.POSITIVE_INFINITY);
      }),
      { numRuns: 60 },
    );
  });
});

describe('the table of pairs', () => {
  it('says what mate says, for every pair', () => {
    const table = pairTable();
    const named = { no: NO, marginal: MARGINAL, seals: SEALS, 'false-start': FALSE_START };
    for (const a of allEndCodes) {
      for (const b of allEndCodes) {
        const m = mate(a, b);
        const at = codeNumber(a) * codeCount + codeNumber(b);
        assert.equal(table.verdict[at], named[m.verdict]);
        if (m.seal !== null) assert.deepEqual(table.looseSets[table.loose[at]!], m.loose);
      }
    }
  });
});

describe('lower bounds', () => {
  const CODES = ['comp-3/8-m', 'comp-3/8-f', 'comp-1/4-m', 'comp-1/4-f', 'npt-1/2-m', 'npt-1/2-f', 'npsm-1/2-f', 'g-1/2-m'];
  const anyPart = fc.record({
    codes: fc.tuple(fc.constantFrom(...CODES), fc.constantFrom(...CODES)),
    priceCents: fc.integer({ min: 100, max: 2000 }),
    flexible: fc.boolean(),
    tags: fc.subarray(['stop', 'arrestor', 'check', 'stop-leak']),
  });
  const made = (list: { codes: [string, string]; priceCents: number; flexible: boolean; tags: string[] }[]): Part[] =>
    list.map(({ codes, ...rest }, i) => ({
      id: `p${i}`,
      name: `p${i}`,
      kind: 'x',
      ends: codes.map((code, n) => ({ id: `e${n}`, code, port: 'either' })),
      cutToLength: false,
      lengthIn: 50,
      waters: ['cold'],
      maxPsi: 200,
      maxF: 180,
      potable: true,
      minutes: 3,
      ...rest,
    }));
  it('never say more than a chain costs, by what it goes through', () => {
    fc.assert(
      fc.property(fc.array(anyPart, { minLength: 1, maxLength: 6 }), fc.constantFrom(...CODES), fc.constantFrom(...CODES), (list, from, to) => {
        const parts = made(list as Parameters<typeof made>[0]);
        const [bounds, loosest] = [false, true].map((marginal) => lowerBounds(indexParts(parts), defaultRules.weights, sealRates(), marginal)) as [
          LowerBounds,
          LowerBounds,
        ];
        for (const chain of matchChains({ from, to, parts, need: { water: 'cold' }, k: 20 }).chains) {
          const last = chain.joints.at(-1)!;
          const at = codeNumber(from) * codeCount + codeNumber(last.a);
          if (chain.parts.length > 0) assert.ok(loosest.any[at]! <= chain.cost.total + 1e-9);
          if (chain.parts.length === 0 || chain.joints.some((j) => j.mating.verdict !== 'seals')) continue;
          assert.ok(bounds.any[at]! <= chain.cost.total + 1e-9);
          const has = (tag: string) => chain.parts.some((id) => parts.find((p) => p.id === id)!.tags.includes(tag));
          for (const [tag, bit] of [
            ['stop', HAS.stop],
            ['arrestor', HAS.arrestor],
            ['check', HAS.check],
            ['stop-leak', HAS.stopLeak],
          ] as const)
            if (has(tag)) assert.ok(bounds.through(bit)[at]! <= chain.cost.total + 1e-9);
        }
      }),
      { numRuns: 200 },
    );
  });
});

describe('no chain', () => {
  const need = { water: 'cold' as const };
  const between = (id: string, a: string, b: string, more: Partial<Part> = {}): Part => part(id, [a, b], { lengthIn: 2, waters: ['cold'], ...more });
  const straight = between('straight', 'comp-3/8-f', 'comp-1/4-m');
  const why = (q: Omit<Parameters<typeof matchChains>[0], 'from' | 'to'>) =>
    matchChains({ from: 'comp-3/8-m', to: 'comp-1/4-f', ...q }).unreachable?.[0]?.rule;
  it('says which one demand stands in the way', () => {
    const parts = [straight];
    assert.equal(why({ parts, need: { ...need, stop: true } }), 'only-without-stop');
    assert.equal(why({ parts, need: { ...need, arrestor: true } }), 'only-without-arrestor');
    assert.equal(why({ parts, need: { ...need, check: true } }), 'only-without-check');
    assert.equal(why({ parts, need: { ...need, stopLeak: true } }), 'only-without-stop-leak');
    assert.equal(why({ parts, need: { ...need, minLengthIn: 40 } }), 'only-shorter');
    assert.equal(why({ parts, need: { water: 'hot' } }), 'only-cold');
    assert.equal(
      why({ parts: [between('b', 'comp-3/8-f', 'comp-1/4-m', { tags: ['brass'] })], need: { ...need, avoid: ['brass'] } }),
      'only-with-avoided',
    );
    assert.equal(why({ parts, need: { ...need, reachable: false } }), 'only-reachable');
    assert.equal(why({ parts, rejoin: 'comp-3/8-f', need }), 'only-without-rejoin');
  });
  it('else names the missing part, or the end that nothing seals on', () => {
    assert.equal(why({ parts: [], need }), 'missing-part');
    assert.equal(matchChains({ from: 'pb-5/8od', to: 'comp-1/4-f', parts: [straight], need }).unreachable?.[0]?.rule, 'no-counterpart');
  });
  it('states what is to be done: thread a plain steel pipe, allow a push fitting, cut back a pitted tube', () => {
    const push: Part = {
      ...straight,
      id: 'push',
      ends: [
        { id: 'a', code: 'ptc-5/8od', port: 'either' },
        { id: 'b', code: 'comp-3/8-m', port: 'either' },
      ],
    };
    const rule = (q: object) => matchChains({ from: 'cpvc-5/8od', to: 'comp-3/8-f', parts: [push], need, ...q }).unreachable?.[0]?.rule;
    assert.equal(rule({ from: 'steel-1/2ips' }), 'needs-threading');
    assert.equal(rule({ rules: { ...defaultRules, push: 'never' } }), 'only-with-push');
    assert.equal(rule({ need: { ...need, stub: { side: 'from', finish: 'pitted' } } }), 'only-on-sound-tube');
    assert.equal(rule({}), undefined);
  });
});
