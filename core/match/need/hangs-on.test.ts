import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { Part } from '../part.ts';
import type { Need } from '../query.ts';
import { part } from '../testing.ts';
import { against, hangsOn } from './hangs-on.ts';

const LOOSE = [
  { code: 'nut-comp-3/8', priceCents: 90 },
  { code: 'ferrule-3/8od', priceCents: 30 },
];
const coupling = (id: string, end: string, ...tags: string[]) => part(id, [end, end], { tags });
const between = (parts: Part[], need: Partial<Need> = {}) => ({
  from: 'cu-3/8od',
  to: 'cu-3/8od',
  parts,
  loose: LOOSE,
  need: { water: 'cold', ...need } as Need,
});
const facts = (part: Part, need: Partial<Need> = {}) => hangsOn(between([part], need), [part.id], ['hidden', 'osmosis']).map((f) => f.fact);

describe('what a chain hangs on', () => {
  it('is asked whether it is closed in where its joints must stay in sight, and not where they may be hidden', () => {
    const [compression, soldered] = [coupling('coupling', 'comp-3/8-m', 'needs-sight'), coupling('soldered', 'cup-3/8od')];
    assert.deepEqual(facts(compression), ['hidden']);
    assert.deepEqual(facts(soldered), []);
    const [asked] = hangsOn(between([compression]), ['coupling'], ['hidden']);
    assert.deepEqual(asked?.because, against(between([compression], { reachable: false }), ['coupling']));
    assert.ok(asked.because.length > 0);
  });
  it('is not asked it where a valve or a hose stays in reach anyway', () => {
    assert.deepEqual(facts(coupling('valve', 'comp-3/8-m', 'needs-access')), []);
    assert.deepEqual(facts(part('hose', ['comp-3/8-m', 'comp-3/8-m'], { flexible: true })), []);
  });
  it('is asked whether it comes after reverse osmosis where it holds copper or brass', () => {
    assert.deepEqual(facts(coupling('brass', 'cup-3/8od', 'brass')), ['osmosis']);
    assert.deepEqual(facts(coupling('plastic', 'cup-3/8od', 'plastic')), []);
    assert.deepEqual(hangsOn(between([coupling('brass', 'cup-3/8od', 'brass')]), ['brass'], ['hidden']), [], 'what is known is not asked');
  });
  it('hangs on nothing that speaks against it already', () => {
    assert.deepEqual(facts(coupling('brass', 'cup-3/8od', 'brass'), { avoid: ['brass'] }), []);
  });
  it('says nothing of a part that the catalogue has no more', () => {
    assert.deepEqual(against(between([]), ['gone']), []);
  });
});
