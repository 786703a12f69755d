import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { StepTemplate } from '../../core/make/step-data.ts';
import { toEntry } from './entry.testing.ts';
import { runState } from './state.ts';
import { acceptedOf, CONTEXT, HOSES } from './testing.ts';

const row = (id: string, order: number, more: Partial<StepTemplate>): StepTemplate => ({
  id,
  stage: 'make',
  order,
  each: 'run',
  when: {},
  title: id,
  detail: id,
  cautions: [],
  because: id,
  source: 'test',
  ...more,
});
const context = {
  ...CONTEXT,
  stepData: [
    ...CONTEXT.stepData.filter((t) => t.stage === 'shut'),
    row('draw-out', 1, { acts: [{ do: 'move-out' }] }),
    row('ready', 2, { each: 'joint', acts: [{ do: 'sealant' }] }),
    row('flush', 3, { acts: [{ do: 'flush-line' }] }),
    row('cut', 4, { each: 'part', acts: [{ do: 'measure' }, { do: 'cut', on: 'new' }] }),
  ],
};
const tick = (stepId: string, minute: number) => toEntry('step-done', { stepId, done: true }, minute);
const first = toEntry('chain-accepted', { ...acceptedOf(HOSES[0]!, null), jointIds: ['j1', 'j2'] }, 1);
const shut = [tick('shut-stop', 2), toEntry('gate-answered', { stepId: 'shut-dead', answer: 'yes', note: '' }, 3)];
const work = ['draw-out', 'ready:j1', 'ready:j2', 'flush', 'cut:hose'].map((id, i) => tick(id, 4 + i));
const again = (jointIds: string[], hose = HOSES[1]!) => toEntry('chain-accepted', { ...acceptedOf(hose, first.id), jointIds }, 20);

describe('a chain matched again in the middle of the work', () => {
  it('keeps what was done to the place, and to joints that stay, under their number of now', () => {
    const { done } = runState(context, [first, ...shut, ...work, again(['j9', 'j1'])]);
    assert.equal(done['draw-out'], true, 'it is still out');
    assert.equal(done['ready:j2'], true, 'the first joint stays, as the second');
    assert.equal(done['ready:j1'], false, 'a new joint has nothing done to it');
  });

  it('wants done anew what was done to the line that is there no more', () => {
    const { done } = runState(context, [first, ...shut, ...work, again(['j1', 'j9'], HOSES[0])]);
    assert.equal(done.flush, false);
    assert.equal(done['cut:hose'], false, 'it is cut to another length');
  });

  it('has all of its work back when it is gone back to', () => {
    const back = toEntry('chain-accepted', { ...acceptedOf(HOSES[0]!, 'chain-accepted 20'), jointIds: ['j1', 'j2'] }, 30);
    const { done } = runState(context, [first, ...shut, ...work, again(['j9', 'j1']), back]);
    for (const id of ['draw-out', 'ready:j1', 'ready:j2', 'flush', 'cut:hose']) assert.equal(done[id], true, id);
  });
});
