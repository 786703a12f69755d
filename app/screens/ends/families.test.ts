import assert from 'node:assert/strict';
import { it } from 'node:test';
import { allEndCodes, parseEnd } from '../../../core/index.ts';
import { families, NAMES, PLAIN, sought } from './families.ts';

it('every end has a family with a name, and stands in it once', () => {
  const rows = families(allEndCodes);
  assert.deepEqual(rows.flatMap(([, codes]) => codes).sort(), [...allEndCodes].sort());
  for (const [family, codes] of rows) {
    assert.ok(NAMES[family], `${family} has no name`);
    assert.ok(codes.every((c) => parseEnd(c).family === family));
  }
});

it('is sought as an end is said, or by its family’s name; each end once, and nothing for what is none', () => {
  assert.equal(sought('3/8 compression')[0], 'comp-3/8-m');
  const flares = sought('flare');
  assert.ok(flares.length > 1 && flares.every((c) => parseEnd(c).family === 'flare'));
  assert.equal(new Set(flares).size, flares.length);
  assert.deepEqual(sought('bicycle'), []);
  assert.ok(PLAIN.length > 20 && PLAIN.every((c) => !c.includes(':')));
});
