import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import type { Part } from './part.ts';
import { fullNeed } from './query.ts';
import { indexParts } from './search/catalogue-index.ts';
import { STRIDE } from './search/figures.ts';
import { Suits, unsuited } from './suits.ts';

const part = fc.record({
  id: fc.constant('p'),
  name: fc.constant('p'),
  kind: fc.constant('x'),
  ends: fc.constant([
    { id: 'a', code: 'comp-3/8-f', port: 'either' as const },
    { id: 'b', code: 'comp-3/8-m', port: 'either' as const },
  ]),
  flexible: fc.boolean(),
  cutToLength: fc.boolean(),
  lengthIn: fc.option(fc.integer({ min: 1, max: 100 }), { nil: undefined }),
  maxLengthIn: fc.option(fc.integer({ min: 1, max: 100 }), { nil: undefined }),
  waters: fc.subarray(['cold', 'hot'] as const),
  maxPsi: fc.constantFrom(60, 80, 125),
  maxF: fc.constantFrom(60, 100, 180),
  potable: fc.boolean(),
  priceCents: fc.integer({ min: 0, max: 1000 }),
  minutes: fc.constant(1),
  tags: fc.subarray(['saddle', 'copper', 'brass']),
});
const need = fc.record({
  water: fc.constantFrom('cold' as const, 'hot' as const),
  potable: fc.boolean(),
  minLengthIn: fc.option(fc.integer({ min: 1, max: 100 }), { nil: undefined }),
  avoid: fc.subarray(['copper', 'brass']),
  reachable: fc.boolean(),
});

describe('whether a part suits', () => {
  it('is the same by its figures as by its reasons', () => {
    fc.assert(
      fc.property(part, need, (p, n) => {
        const parts = [p as unknown as Part];
        const full = fullNeed(n);
        const { row } = indexParts(parts).figures;
        assert.equal(new Suits(parts, full).ok(row, 0 * STRIDE, 0), unsuited(parts[0]!, full).length === 0);
      }),
      { numRuns: 2000 },
    );
  });
});
