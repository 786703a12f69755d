import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { checkSteps, StepDataError } from './check-steps.ts';
import type { StepTemplate } from './step-data.ts';
import { workKind } from './work-kinds.ts';

const row = (id: string, more: Partial<StepTemplate> = {}): StepTemplate => ({
  id,
  stage: 'make',
  order: 1,
  each: 'run',
  when: {},
  title: id,
  detail: id,
  cautions: [],
  because: id,
  source: 'test',
  ...more,
});
const says = (steps: StepTemplate[], kinds = [workKind('toilet-line')]) => {
  try {
    checkSteps(steps, kinds, ['toilet', 'hydrant']);
    return null;
  } catch (error) {
    assert.ok(error instanceof StepDataError, String(error));
    return error.message;
  }
};

describe('step data, when it is read', () => {
  it('is taken where every constraint can be kept', () => {
    assert.equal(
      says([row('a', { acts: [{ do: 'detach' }] }), row('b', { after: ['detach'], before: ['#c'] }), row('c', { before: ['@held'] })]),
      null,
    );
  });

  it('names the steps of a circle', () => {
    assert.match(says([row('a', { after: ['#b'] }), row('b', { after: ['#c'] }), row('c', { after: ['#a'] })])!, /a.*b|b.*c|c.*a/);
  });

  it('finds no circle through rows that never stand on one card', () => {
    const tape = { when: { rule: { threadSealant: 'tape' } }, after: ['#b'] };
    assert.equal(says([row('a', tape), row('b', { when: { rule: { threadSealant: 'paste' } }, after: ['#a'] })]), null);
    assert.equal(says([row('a', { when: { is: ['hot'] }, after: ['#b'] }), row('b', { when: { not: ['hot'] }, after: ['#a'] })]), null);
  });

  it('names a constraint that means nothing', () => {
    assert.match(says([row('a', { after: ['#nowhere'] })])!, /step a.*#nowhere/);
    assert.match(says([row('a', { before: ['wax'] })])!, /step a.*wax/);
  });

  it('refuses a constraint against the order of the stages', () => {
    assert.match(says([row('a', { stage: 'prove' }), row('b', { stage: 'make', after: ['#a'] })])!, /step a.*before b/);
  });

  it('names the act that a kind of work asks for and no step offers', () => {
    assert.match(says([row('a')], [workKind('stop-replace')])!, /stop-replace.*flush-line/);
    assert.equal(says([row('a', { acts: [{ do: 'flush-line' }] })], [workKind('stop-replace')]), null);
  });
});
