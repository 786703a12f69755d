import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { stockForCut } from './cut-stock.ts';
import { onVan } from './on-van.ts';
import type { Part } from './part.ts';
import { indexParts } from './search/catalogue-index.ts';
import { looseCents } from './search/loose-cents.ts';
import { codeNumber, pairTable } from './search/pair-table.ts';

const part = (id: string): Part => ({
  id,
  name: id,
  kind: 'adapter',
  ends: [
    { id: 'a', code: 'comp-3/8-f', port: 'either' },
    { id: 'b', code: 'comp-1/4-m', port: 'either' },
  ],
  flexible: false,
  cutToLength: false,
  waters: ['cold'],
  maxPsi: 125,
  maxF: 180,
  potable: true,
  priceCents: 500,
  minutes: 2,
  tags: [],
});

describe('what is on the van', () => {
  const index = indexParts([part('a'), part('b'), part('c')]);

  it('is what the stock has one of at least; what it does not name is not there', () => {
    assert.deepEqual(
      onVan(index, { a: 2, b: 0 }).parts.map((p) => p.id),
      ['a'],
    );
    assert.equal(onVan(index, {}).ways.count, 0);
  });

  it('is worked out once for a stock and a catalogue', () => {
    const stock = { a: 1 };
    assert.equal(onVan(index, stock), onVan(index, stock));
    assert.notEqual(onVan(index, stock), onVan(index, { ...stock }));
    assert.notEqual(onVan(index, stock), onVan(indexParts([part('a')]), stock));
  });
});

describe('what loose pieces cost', () => {
  it('is summed for every set a joint may take, and known for every cap', () => {
    const prices = new Map([
      ['nut-comp-1/4', 90],
      ['ferrule-1/4od', 30],
      ['cap-comp-1/4-m', 150],
    ]);
    const cents = looseCents(prices);
    const { looseSets } = pairTable();
    for (const [i, set] of looseSets.entries())
      assert.equal(
        cents.set[i],
        set.reduce((sum, code) => sum + (prices.get(code) ?? 0), 0),
      );
    assert.ok(looseSets.some((set, i) => set.length > 1 && cents.set[i] === 120));
    assert.equal(cents.cap[codeNumber('comp-1/4-m')], 150);
    assert.ok(Number.isNaN(cents.cap[codeNumber('ght-3/4-m')]));
    assert.equal(looseCents(prices), cents);
  });
});

describe('what is left of coils', () => {
  const coil: Part = { ...part('coil'), flexible: true, cutToLength: true, maxLengthIn: 300 };
  const parts = [part('a'), coil];
  it('is at hand while it is enough for the cut with its allowance; the same stock where the same coils are short', () => {
    const stock = { a: 1, coil: 60 };
    assert.equal(stockForCut(stock, parts, 48), stock);
    assert.deepEqual(stockForCut(stock, parts, 49), { a: 1, coil: 0 });
    assert.equal(stockForCut(stock, parts, 49), stockForCut(stock, parts, 200));
  });
});
