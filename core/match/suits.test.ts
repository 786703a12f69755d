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

describe('a limit of a part', () => {
  const whole = {
    id: 'p',
    name: 'p',
    kind: 'hose',
    ends: [
      { id: 'a', code: 'comp-3/8-f', port: 'either' },
      { id: 'b', code: 'comp-3/8-m', port: 'either' },
    ],
    flexible: true,
    waters: ['cold', 'hot'],
    maxPsi: 125,
    maxF: 180,
    potable: true,
    priceCents: 1,
    minutes: 1,
    tags: [],
    lengthIn: 20,
  } as unknown as Part;
  const rulesOf = (more: Partial<Part>, asked: Parameters<typeof fullNeed>[0]) => unsuited({ ...whole, ...more }, fullNeed(asked)).map((r) => r.rule);
  const fast = (more: Partial<Part>, asked: Parameters<typeof fullNeed>[0]) => {
    const parts = [{ ...whole, ...more }];
    return new Suits(parts, fullNeed(asked)).ok(indexParts(parts).figures.row, 0, 0);
  };
  it('holds at the figure itself, and not past it: heat, pressure, length', () => {
    const asked = fullNeed({ water: 'hot' });
    const heat = [asked.tempF - 1, asked.tempF, asked.tempF + 1].map((maxF) => [
      rulesOf({ maxF }, { water: 'hot' }).length === 0,
      fast({ maxF }, { water: 'hot' }),
    ]);
    assert.deepEqual(heat, [
      [false, false],
      [true, true],
      [true, true],
    ]);
    const press = [79, 80, 81].map((maxPsi) => [
      rulesOf({ maxPsi }, { water: 'cold', pressurePsi: 80 }).length === 0,
      fast({ maxPsi }, { water: 'cold', pressurePsi: 80 }),
    ]);
    assert.deepEqual(press, [
      [false, false],
      [true, true],
      [true, true],
    ]);
    const reach = [19.9, 20, 20.1].map((minLengthIn) => rulesOf({}, { water: 'cold', minLengthIn }).length === 0);
    assert.deepEqual(reach, [true, true, false]);
  });
  it('is named with the figures that counted', () => {
    const [hot] = unsuited({ ...whole, maxF: 100 }, fullNeed({ water: 'hot' }));
    assert.deepEqual(hot!.figures, { maxF: 100, tempF: fullNeed({ water: 'hot' }).tempF });
    const [weak] = unsuited({ ...whole, maxPsi: 60 }, fullNeed({ water: 'cold', pressurePsi: 80 }));
    assert.equal(weak!.figures?.maxPsi, 60);
    const [short] = unsuited({ ...whole, lengthIn: 12 }, fullNeed({ water: 'cold', minLengthIn: 14 }));
    assert.equal(short!.figures?.lengthIn, 12);
  });
});
