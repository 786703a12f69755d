import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { WorkStep } from '../../core/make/work-card.ts';
import { recordOfMinutes } from '../minutes.ts';
import { minutesLeft, minutesOfStep } from './step-minutes.ts';

const step = (id: string, minutes: number, more: Partial<WorkStep> = {}): WorkStep => ({
  id,
  stage: 'make',
  title: id,
  detail: id,
  acts: [],
  minutes,
  cautions: [],
  because: [],
  ...more,
});

describe('minutes of steps', () => {
  it('begin as the catalogue guesses, and come to what the shop takes', () => {
    const joint = step('joint-washer:j2', 2);
    assert.deepEqual(minutesOfStep(joint), { usual: 2, slow: 4 });
    const few = minutesOfStep(joint, { 'joint-washer': recordOfMinutes([6, 6]) });
    const many = minutesOfStep(joint, { 'joint-washer': recordOfMinutes(Array.from({ length: 200 }, () => 6)) });
    assert.ok(few.usual > 2 && few.usual < 6, `${few.usual}`);
    assert.ok(Math.abs(many.usual - 6) < 0.2 && many.slow < 7.5, JSON.stringify(many));
  });

  it('of what is left: done steps and the log are not counted, and slow ones do not all fall together', () => {
    const card = [step('a', 10), step('b', 10), step('c', 10), step('d', 10), step('log-x', 30, { stage: 'log' })];
    assert.deepEqual(minutesLeft(card, {}), { usual: 40, slow: 60 });
    assert.deepEqual(minutesLeft(card, { a: true, b: true, c: true }), { usual: 10, slow: 20 });
    assert.deepEqual(minutesLeft(card, { a: true, b: true, c: true, d: true }), { usual: 0, slow: 0 });
  });
});
