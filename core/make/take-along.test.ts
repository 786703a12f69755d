import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { takeAlong } from './take-along.ts';
import type { WorkStep } from './work-card.ts';

const step = (more: Partial<WorkStep>): WorkStep => ({
  id: 's',
  stage: 'make',
  title: 'a step',
  detail: '',
  acts: [],
  cautions: [],
  because: [],
  ...more,
});

describe('what is taken along', () => {
  it('is merged: a tool once, with each size and each use', () => {
    const wrench = (size: string, joint: string) => step({ tools: [{ tool: 'wrench', size, for: joint }] });
    const { tools } = takeAlong([
      { run: 'toilet', steps: [wrench('5/8 in', 'J1'), wrench('5/8 in', 'J1'), wrench('1 in', 'J2')] },
      { run: 'basin', steps: [wrench('5/8 in', 'J1'), step({ tools: [{ tool: 'Bucket', for: 'what runs out' }] })] },
    ]);
    assert.deepEqual(
      tools.map((t) => t.what),
      ['Bucket', 'wrench'],
    );
    assert.deepEqual(tools[1]!.sizes, ['5/8 in', '1 in']);
    assert.deepEqual(tools[1]!.uses, [
      { run: 'toilet', for: 'J1' },
      { run: 'toilet', for: 'J2' },
      { run: 'basin', for: 'J1' },
    ]);
  });

  it('says how many hands the heaviest step wants, and which step that is', () => {
    const { people, minutes } = takeAlong([{ run: 'toilet', steps: [step({ minutes: 5 }), step({ title: 'Lift it off', people: 2, minutes: 4 })] }]);
    assert.deepEqual(people, { count: 2, at: [{ run: 'toilet', step: 'Lift it off' }] });
    assert.equal(minutes, 9);
    assert.deepEqual(takeAlong([]).people, { count: 1, at: [] });
  });
});
