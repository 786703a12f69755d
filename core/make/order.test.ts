import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { type Edge, inOrder, type Ordered, StepIndex, StepOrderError } from './order.ts';

const step = (id: string, more: Partial<Ordered> = {}): Ordered => ({
  id,
  row: id,
  acts: [],
  labels: [],
  stage: 0,
  order: 1,
  rank: -1,
  where: '',
  again: false,
  ...more,
});
const names = (steps: Ordered[], edges: Edge[] = []) => inOrder(steps, edges).map((i) => steps[i]!.id);

describe('the order of steps', () => {
  it('goes by stage, block, joint and number when nothing else is said', () => {
    const steps = [
      step('late', { stage: 1 }),
      step('j2', { order: 50.1, rank: 1 }),
      step('j1b', { order: 50.4, rank: 0 }),
      step('j1a', { order: 50.1, rank: 0 }),
      step('first'),
    ];
    assert.deepEqual(names(steps), ['first', 'j1a', 'j1b', 'j2', 'late']);
  });

  it('does what is at hand before it walks', () => {
    const steps = [
      step('stop 1', { order: 1.1, where: 'stop' }),
      step('sink', { order: 1.2, where: 'sink' }),
      step('stop 2', { order: 1.3, where: 'stop' }),
    ];
    assert.deepEqual(names(steps), ['stop 1', 'stop 2', 'sink']);
  });

  it('keeps every constraint and loses no step, whatever the numbers say', () => {
    const graph = fc.integer({ min: 1, max: 20 }).chain((n) =>
      fc.record({
        steps: fc.array(
          fc.record({ stage: fc.nat(3), order: fc.nat(60), rank: fc.integer({ min: -1, max: 4 }), where: fc.constantFrom('', 'stop', 'sink') }),
          { minLength: n, maxLength: n },
        ),
        // From a lower to a higher place of a shuffled list: no circle.
        pairs: fc.array(fc.tuple(fc.nat(n - 1), fc.nat(n - 1)), { maxLength: 30 }),
        shuffle: fc.shuffledSubarray(
          Array.from({ length: n }, (_, i) => i),
          { minLength: n },
        ),
      }),
    );
    fc.assert(
      fc.property(graph, ({ steps, pairs, shuffle }) => {
        const edges = pairs.flatMap(([a, b]): Edge[] => (a < b ? [[shuffle[a]!, shuffle[b]!]] : []));
        const order = inOrder(
          steps.map((s, i) => step(String(i), s)),
          edges,
        );
        assert.equal(new Set(order).size, steps.length);
        for (const [a, b] of edges) assert.ok(order.indexOf(a) < order.indexOf(b), `${a} stands before ${b}`);
      }),
    );
  });

  it('names the steps that wait for each other', () => {
    const steps = [step('free'), step('a'), step('b')];
    assert.throws(
      () =>
        inOrder(steps, [
          [1, 2],
          [2, 1],
        ]),
      (e: unknown) => e instanceof StepOrderError && e.steps.join() === 'a,b',
    );
  });

  it('means by a verb the first time only, and by "found" a cut of what was there', () => {
    const index = new StepIndex([
      step('off', { acts: [{ do: 'water-off' }] }),
      step('again', { acts: [{ do: 'water-off' }], again: true }),
      step('old', { acts: [{ do: 'cut' }] }),
      step('new', { acts: [{ do: 'cut', on: 'new' }], labels: ['@held'] }),
    ]);
    assert.deepEqual(index.of('water-off'), [0]);
    assert.deepEqual(index.of('#again'), [1]);
    assert.deepEqual(index.of('cut:found'), [2]);
    assert.deepEqual(index.of('cut:new'), [3]);
    assert.deepEqual(index.of('@held'), [3]);
    assert.deepEqual(index.of('wax'), []);
  });
});
