import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { Branch } from '../../../core/match/query.ts';
import type { OutletRef } from '../kinds/end-seen.ts';
import type { RunState } from '../state.ts';
import { type OutletRun, outletsFor } from './free-outlets.ts';

const branch = (end: string, use: Branch['use']): Branch => ({ part: 'dual', end, code: 'comp-3/8-m', use });
const run = (id: string, branches: Branch[], outlet?: OutletRef, more: Partial<OutletRun> = {}): OutletRun => ({
  id,
  name: `run ${id}`,
  place: 'kitchen',
  water: 'cold',
  state: {
    accepted: branches.length > 0 ? { chain: { branches }, items: { dual: { name: 'dual-outlet stop', priceCents: 1 } } } : null,
    from: outlet ? { side: 'from', end: 'comp-3/8-m', how: 'seen', outlet } : null,
  } as unknown as RunState,
  ...more,
});

describe('outlets left free', () => {
  const dual = run('a', [branch('b', 'free'), branch('c', 'cap'), branch('d', 'rejoin')]);
  const next = run('b', []);

  it('are those behind a valve in the chains of other runs, named', () => {
    assert.deepEqual(outletsFor(next, [dual, next]), [
      { runId: 'a', part: 'dual', end: 'b', code: 'comp-3/8-m', runName: 'run a', partName: 'dual-outlet stop', takenBy: null },
    ]);
    assert.deepEqual(outletsFor(dual, [dual, next]), []);
  });

  it('carry the same water in the same place', () => {
    for (const other of [{ water: 'hot' as const }, { place: 'laundry' }]) {
      const far = run('b', [], undefined, other);
      assert.deepEqual(outletsFor(far, [dual, far]), []);
    }
  });

  it('are taken by the run that begins there', () => {
    const taker = run('c', [], { runId: 'a', part: 'dual', end: 'b' });
    const elsewhere = run('d', [], { runId: 'a', part: 'dual', end: 'x' });
    assert.equal(outletsFor(next, [dual, next, elsewhere, taker])[0]?.takenBy, 'c');
    assert.equal(outletsFor(next, [dual, next, elsewhere])[0]?.takenBy, null);
  });
});
