import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { SealId } from '../rows/index.ts';
import { remedy } from './remedy.ts';

type Finding = 'damp' | 'drip' | 'running';
type Row = [seal: SealId, turnsSoFar: number, nudges: number, finding: Finding, action: string, turns: number | null];

/** By the seals' nudge and most: a nudge only when none was given and the total stays within the most. */
// biome-ignore format: a table
const LADDER: Row[] = [
  ['washer', 0.5, 0, 'damp', 'nudge', 0.125],
  ['washer', 0.5, 0, 'drip', 'nudge', 0.125],
  ['washer', 0.625, 0, 'damp', 'nudge', 0.125],
  ['washer', 0.65, 0, 'damp', 'open-and-look', null],
  ['washer', 0.5, 1, 'damp', 'open-and-look', null],
  ['washer', 0.5, 0, 'running', 'shut', null],
  ['washer-plastic', 0, 0, 'damp', 'nudge', 0.125],
  ['washer-plastic', 0.125, 0, 'drip', 'nudge', 0.125],
  ['washer-plastic', 0.25, 0, 'damp', 'open-and-look', null],
  ['washer-plastic', 0, 1, 'damp', 'open-and-look', null],
  ['washer-plastic', 0, 0, 'running', 'shut', null],
  ['washer-hose', 0.25, 0, 'damp', 'nudge', 0.125],
  ['washer-hose', 0.625, 0, 'drip', 'nudge', 0.125],
  ['washer-hose', 0.65, 0, 'damp', 'open-and-look', null],
  ['washer-hose', 0.25, 2, 'drip', 'open-and-look', null],
  ['washer-aerator', 0.125, 0, 'damp', 'nudge', 0.125],
  ['washer-aerator', 0.25, 0, 'damp', 'open-and-look', null],
  ['ferrule', 0.75, 0, 'damp', 'nudge', 0.25],
  ['ferrule', 2.25, 0, 'drip', 'nudge', 0.25],
  ['ferrule', 2.375, 0, 'damp', 'open-and-look', null],
  ['ferrule', 1, 1, 'damp', 'open-and-look', null],
  ['ferrule-large', 1, 0, 'damp', 'nudge', 0.25],
  ['ferrule-large', 2.5, 0, 'drip', 'nudge', 0.25],
  ['ferrule-large', 2.625, 0, 'damp', 'open-and-look', null],
  ['ferrule-plastic', 0.5, 0, 'damp', 'nudge', 0.25],
  ['ferrule-plastic', 1, 0, 'drip', 'nudge', 0.25],
  ['ferrule-plastic', 1.125, 0, 'damp', 'open-and-look', null],
  ['taper', 2, 0, 'damp', 'nudge', 0.25],
  ['taper', 2.75, 0, 'drip', 'nudge', 0.25],
  ['taper', 3, 0, 'damp', 'open-and-look', null],
  ['taper-plastic', 1, 0, 'damp', 'remake', null],
  ['taper-plastic', 1, 0, 'running', 'shut', null],
  ['o-ring', 0, 0, 'damp', 'nudge', 0.125],
  ['o-ring', 0.125, 0, 'drip', 'nudge', 0.125],
  ['o-ring', 0.25, 0, 'damp', 'open-and-look', null],
  ['flare', 0.25, 0, 'damp', 'nudge', 0.125],
  ['flare', 0.375, 0, 'drip', 'nudge', 0.125],
  ['flare', 0.5, 0, 'damp', 'open-and-look', null],
  ['cone', 0.5, 0, 'damp', 'nudge', 0.125],
  ['cone', 0.875, 0, 'drip', 'nudge', 0.125],
  ['cone', 1, 0, 'damp', 'open-and-look', null],
  ['push', 0, 0, 'damp', 'remake', null],
  ['push', 0, 0, 'drip', 'remake', null],
  ['push', 0, 0, 'running', 'shut', null],
  ['push-small', 0, 0, 'damp', 'remake', null],
  ['crimp', 0, 0, 'drip', 'remake', null],
  ['expansion', 0, 0, 'damp', 'remake', null],
  ['solder', 0, 0, 'damp', 'remake', null],
  ['solder', 0, 0, 'running', 'shut', null],
];

describe('the ladder of remedies', () => {
  for (const [seal, turnsSoFar, nudges, finding, action, turns] of LADDER) {
    it(`${seal}, ${turnsSoFar} so far, ${nudges} nudges, ${finding}: ${action}`, () => {
      const r = remedy({ seal, turnsSoFar, nudges, finding });
      assert.deepEqual([r.action, r.turns ?? null], [action, turns]);
      assert.ok(r.because.length > 0 && r.because[0]!.text.length > 10);
    });
  }
});

describe('plastic and old joints', () => {
  const damp = { turnsSoFar: 0.25, finding: 'damp', nudges: 0 } as const;
  it('are shut and relieved before they are nudged', () => {
    const rules = (more: object) => remedy({ ...damp, seal: 'washer', ...more }).because.map((b) => b.rule);
    assert.deepEqual(rules({}), ['nudge']);
    assert.deepEqual(rules({ relieveFirst: true }), ['nudge', 'relieve-first']);
  });
  it('a ferrule that was made before gets a new one on fresh tube, no more turns; an old washer its nudge', () => {
    const old = (seal: SealId) => remedy({ ...damp, seal, isOld: true, relieveFirst: true });
    assert.deepEqual([old('ferrule').action, old('ferrule').because[0]?.rule], ['remake', 'reused-ferrule']);
    assert.equal(old('ferrule-large').action, 'remake');
    assert.equal(old('washer').action, 'nudge');
  });
});
