/** What a dry look has to come to before one leaves, by the house rule. */
import type { HouseRules } from '../house/index.ts';
import type { Round } from './method.ts';

export type ProofRule = HouseRules['proof'];

/** What a look at the door bounds where the rest is left to the look a day later, mL a day. */
export const DAY_ML_PER_DAY = 50;

/**
 * Leak that a joint's looks have to rule out at the door.
 *
 * @returns mL a day; null where it is only seen dry, and the next day's look decides
 * @source  house rule; trade practice: 15 min standing and working with tissue under each joint
 */
export function doorMlPerDay({ proof, targetMlPerDay }: Pick<HouseRules, 'proof' | 'targetMlPerDay'>): number | null {
  if (proof === 'next day') return null;
  return proof === 'day' ? Math.max(DAY_ML_PER_DAY, targetMlPerDay) : targetMlPerDay;
}

/** Rounds whose looks add up where one look goes on from the moment the water is on, the appliance used meanwhile. */
export const POOLED_ROUNDS = ['standing', 'working'] as const;

/** Rounds whose looks add up with the look a day later: those since the line was moved last. */
export const againRounds = (isPushedHome: boolean): readonly Round[] => (isPushedHome ? ['put-back', 'next-day'] : [...POOLED_ROUNDS, 'next-day']);
