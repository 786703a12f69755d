/** How long the steps of a card take: the catalogue's guess by step, until the shop's own ticks speak. */
import type { WorkStep } from '../../core/index.ts';
import { type Minutes, minutesFrom, type OwnRecord, oneAfterAnother } from '../minutes.ts';

/** A shop's own minutes by the row of a step: 'make-draw-out'. */
export type OwnStepMinutes = Record<string, OwnRecord>;

/** One time in ten a step takes twice as long: a nut is seized, a valve is not found. Trade practice, typical. */
const SLOW = 2;
/** A step whose row says nothing is a glance. */
const GLANCE_MIN = 0.5;

/** 'joint-washer' of 'joint-washer:j2'. */
export const rowOfStep = (stepId: string): string => stepId.split(':')[0] as string;

export function minutesOfStep(step: Pick<WorkStep, 'id' | 'minutes'>, own: OwnStepMinutes = {}): Minutes {
  const usual = step.minutes ?? GLANCE_MIN;
  return minutesFrom({ usual, slow: usual * SLOW }, own[rowOfStep(step.id)]);
}

/**
 * Minutes of what is left of a card, whole, rounded up.
 *
 * @param done steps that are done, by id
 */
export function minutesLeft(card: readonly WorkStep[], done: Readonly<Record<string, boolean>>, own: OwnStepMinutes = {}): Minutes {
  const { usual, slow } = oneAfterAnother(card.filter((s) => s.stage !== 'log' && !done[s.id]).map((s) => minutesOfStep(s, own)));
  const whole = (minutes: number) => Math.max(0, Math.ceil(minutes - 1e-9));
  return { usual: whole(usual), slow: whole(slow) };
}
