import '../../testing.ts';
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { catalogue } from '../../../catalog/index.ts';
import type { StockedPlace } from '../../../record/index.ts';
import type { ClientCatalogue } from '../../ui/held/index.ts';
import { amountWords, coilsOf, toBuyWords } from '../../ui/units/amounts.ts';
import { found, isLow } from './found.ts';
import { spread } from './spread.ts';

const { parts, loose } = catalogue();
const names = new Map([...parts.map((p) => [p.id, p.name] as const), ...loose.map((l) => [l.code, l.name] as const)]);
const nameOf = (item: string) => names.get(item) ?? item;
const level = (item: string, quantity: number, minimum: number) => ({ item, quantity, minimum });
const van: StockedPlace = {
  id: 'van',
  name: 'Van',
  kind: 'van',
  items: [level('con-toilet-c38-12', 4, 2), level('con-faucet-c38-20', 1, 2), level('con-toilet-c38-16', 0, 1), level('con-faucet-c38-16', 2, 2)],
};

describe('what lies at a place', () => {
  it('is low below its least amount, not at it', () => assert.deepEqual(van.items.map(isLow), [false, true, true, false]));

  it('is found by all its words or its id, what runs low first, then by name', () => {
    const here = (words: string) => found(van, words, nameOf, null).here.map((l) => l.item);
    assert.deepEqual(here(''), ['con-faucet-c38-20', 'con-toilet-c38-16', 'con-faucet-c38-16', 'con-toilet-c38-12']);
    assert.deepEqual(here('  Toilet 3/8 '), ['con-toilet-c38-16', 'con-toilet-c38-12']);
    assert.deepEqual(here('c38-20'), ['con-faucet-c38-20']);
    assert.deepEqual(here('toilet faucet'), []);
  });

  it('has beside it what the catalogue has of those words and does not lie there, twenty at most, and none unasked', () => {
    const others = (words: string) => found(van, words, nameOf, { parts, loose } as unknown as ClientCatalogue).others;
    assert.deepEqual(others(''), []);
    assert.equal(others('o').length, 20);
    const connectors = others('toilet connector');
    assert.ok(
      connectors.length > 0 && connectors.every((item) => nameOf(item).includes('toilet connector') && !van.items.some((l) => l.item === item)),
    );
  });
});

describe('what came', () => {
  const row = {
    item: 'x',
    quantity: 5,
    at: [
      { placeId: 'shelf', quantity: 2 },
      { placeId: 'van', quantity: 3 },
    ],
  };
  it('goes to each place until it has what it lacks; what is over goes to the first', () => {
    const to = (quantity: number) => spread(row, quantity).map((g) => `${g.placeId} ${g.quantity}`);
    assert.deepEqual([0, 1, 2, 4, 5, 7].map(to), [[], ['shelf 1'], ['shelf 2'], ['shelf 2', 'van 2'], ['shelf 2', 'van 3'], ['shelf 4', 'van 3']]);
  });
});

describe('how much', () => {
  it('is pieces, or the length of what is cut from a coil; bought in whole coils', () => {
    assert.deepEqual([amountWords(3, false, 'inch'), amountWords(300, true, 'inch'), amountWords(300, true, 'metric')], ['3', '25 ft', '7.62 m']);
    assert.deepEqual([toBuyWords(3, undefined, 'inch'), toBuyWords(301, 300, 'inch'), toBuyWords(300, 300, 'inch')], ['3', '2 x 25 ft', '1 x 25 ft']);
    const coils = coilsOf(parts);
    assert.ok(coils.size > 0 && [...coils].every(([id, inches]) => parts.find((p) => p.id === id)!.cutToLength && inches > 12));
  });
});
