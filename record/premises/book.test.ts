import assert from 'node:assert/strict';
import { test } from 'node:test';
import { otherSides } from './book.ts';
import type { Run } from './states.ts';

const run = (id: string, applianceId: string, water: Run['water'], retired: string | null = null): Run => ({
  id,
  applianceId,
  water,
  name: id,
  checkPoints: [],
  retired,
});

test('the other side of a run is the other water of its own appliance, as long as it is there', () => {
  const runs = [
    run('cold', 'basin', 'cold'),
    run('hot', 'basin', 'hot'),
    run('old', 'basin', 'hot', 'capped'),
    run('sink', 'sink', 'hot'),
    run('wc', 'toilet', 'cold'),
  ];
  const others = (id: string) => otherSides({ runs }, id).map((r) => r.id);
  assert.deepEqual(['cold', 'hot', 'sink', 'wc', 'nobody'].map(others), [['hot'], ['cold'], [], [], []]);
});
