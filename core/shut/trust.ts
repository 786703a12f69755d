/** How far a valve is trusted to hold; and sets of valves compared by it. */
import type { NetValve, ValveCondition, ValveKind } from './network.ts';

/** By kind, the best first. */
const KINDS: Partial<Record<ValveKind, number>> = { 'quarter-turn': 0, 'multi-turn': 1, gate: 2, saddle: 3 };
/** Known good before one that weeps at its stem, before one that nobody tried; one that is shut already and was never tried no better. */
const CONDITIONS: Partial<Record<ValveCondition, number>> = { works: 0, weeps: 1, unknown: 2, 'seized-shut': 2 };

/** 0, the most trusted, to 14. */
export const DISTRUST_RANKS = 15;
/** The valve in the street comes after all of the house's: often it is the utility's alone to turn. */
const STREET = 12;

/** @returns NaN for a valve that nobody may rely on */
export function distrust({ kind, condition }: Pick<NetValve, 'kind' | 'condition'>): number {
  const known = CONDITIONS[condition] ?? Number.NaN;
  return kind === 'street' ? STREET + known : known * 4 + (KINDS[kind] ?? Number.NaN);
}

/**
 * What relying on a valve costs, so that sums compare as plans do: fewest of the least trusted first, and so on up to the best; the number of valves
 * is decided with the last of them.
 *
 * @param most  more valves than any plan can have
 */
export const costOf = (valve: Pick<NetValve, 'kind' | 'condition'>, most: number): bigint => BigInt(most) ** BigInt(distrust(valve));
/** What a tank to be relieved costs: more than any valves. */
export const costOfTank = (most: number): bigint => BigInt(most) ** BigInt(DISTRUST_RANKS);
