import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { toEntry } from './entry.testing.ts';
import { gateAnswered } from './kinds/gate-answered.ts';
import { runNow } from './run-now.ts';
import { runState } from './state.ts';
import { acceptedOf, CONTEXT, HOSES } from './testing.ts';

const context = {
  ...CONTEXT,
  stepData: CONTEXT.stepData.map((t) => ({ ...t, ...(t.id === 'shut-dead' ? { acts: [{ do: 'prove-dead' as const }] } : {}) })),
};
const accepted = toEntry('chain-accepted', acceptedOf(HOSES[0]!, null), 1);
const answered = (body: { stepId: string; answer: 'yes' | 'no' | 'another proof' | 'past it'; note: string }) => toEntry('gate-answered', body, 2);
const refusal = (body: Parameters<typeof answered>[0]) =>
  gateAnswered.holds(
    answered(body) as never,
    runNow({ id: 'run', work: 'toilet-line', checkPoints: [] }, [accepted], () => context),
  )?.rule ?? null;

describe('a question of the card', () => {
  it('that proves the water off is never gone past, only proved another way, and named', () => {
    assert.equal(refusal({ stepId: 'shut-dead', answer: 'past it', note: 'No time for it this morning' }), 'wants-proof');
    assert.equal(refusal({ stepId: 'shut-dead', answer: 'another proof', note: 'x' }), 'no-reason');
    assert.equal(refusal({ stepId: 'shut-dead', answer: 'another proof', note: 'The street valve is shut and the gauge reads nought' }), null);
  });

  it('of another kind is gone past with a reason that says something', () => {
    assert.equal(refusal({ stepId: 'elsewhere', answer: 'past it', note: '' }), 'no-reason');
    assert.equal(refusal({ stepId: 'elsewhere', answer: 'past it', note: 'The owner measured it himself' }), null);
    assert.equal(refusal({ stepId: 'elsewhere', answer: 'no', note: '' }), null);
  });

  it('is done by another proof, and open by a no', () => {
    const after = (answer: 'no' | 'another proof') =>
      runState(context, [
        accepted,
        toEntry('step-done', { stepId: 'shut-stop', done: true }, 2),
        answered({ stepId: 'shut-dead', answer, note: 'The street valve is shut' }),
      ]);
    assert.equal(after('another proof').done['shut-dead'], true);
    assert.equal(after('no').done['shut-dead'], false);
  });
});

describe('work that joins nothing', () => {
  const off = { ...context, work: 'toilet-remove' as const };

  it('has its card without a chain, and its stages', () => {
    const state = runState(off, []);
    assert.equal(state.stages.match.state, 'done');
    assert.deepEqual(state.card.map((s) => s.id), ['shut-stop', 'shut-dead', 'old-off']); // biome-ignore format: one line
    assert.deepEqual(state.joints, []);
    assert.equal(state.stages.shut.state, 'open');
  });

  it('takes what is done without one', () => {
    const now = runNow({ id: 'run', work: 'toilet-remove', checkPoints: [] }, [], () => off);
    assert.equal(gateAnswered.holds(answered({ stepId: 'shut-dead', answer: 'yes', note: '' }) as never, now), null);
    const state = runState(off, [
      toEntry('step-done', { stepId: 'shut-stop', done: true }, 1),
      answered({ stepId: 'shut-dead', answer: 'yes', note: '' }),
    ]);
    assert.equal(state.stages.shut.state, 'done');
  });
});
