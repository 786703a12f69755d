import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { defaultRules } from '../../house/rules.ts';
import { remember } from '../../units/remember.ts';
import { sealRates } from '../seal-rates.ts';
import { indexParts } from '../search/catalogue-index.ts';
import { lowerBounds } from '../search/lower-bounds.ts';

describe('what is remembered', () => {
  it('is made once, and lets go of what was used longest ago', () => {
    const known = new Map<string, object>();
    const get = (key: string) => remember(known, 2, key, () => ({}));
    const a = get('a');
    get('b');
    assert.equal(get('a'), a);
    get('c');
    assert.deepEqual([...known.keys()], ['a', 'c']);
    assert.equal(get('a'), a);
  });
  it('of a catalogue does not grow with the weights that are asked', () => {
    const index = indexParts([]);
    const weights = (n: number) => ({ ...defaultRules.weights, callbackDollars: n });
    const first = lowerBounds(index, weights(0), sealRates());
    assert.equal(lowerBounds(index, weights(0), sealRates()), first);
    for (let n = 1; n <= 8; n++) lowerBounds(index, weights(n), sealRates());
    assert.notEqual(lowerBounds(index, weights(0), sealRates()), first);
  });
});
