import { FIRST_DROP_DELAY_MIN, FLOOR_ML_PER_DAY, type Method, pooledBound, ROUNDS, type Round } from '../../../core/index.ts';
import type { EndedLook, Life, Trouble } from './joint-life.ts';

/** What the looks at one joint or check point come to since it was last disturbed. */
export interface Proof {
  byRound: Partial<Record<Round, { state: 'dry' | Trouble; methods: Method[]; minutes: number; mlPerDay: number | null }>>;
  /** The finding that is not dealt with yet; null when there is none. */
  finding: Trouble | null;
  /** Smallest bound over the rounds under pressure, mL a day; null while nothing is proven. */
  mlPerDay: number | null;
  /** Every round dry, and the bound within the target. */
  proven: boolean;
}

/**
 * Adds up the looks at a target.
 *
 * Dry looks of one round pool their time; a finding voids what was dry before it. Only the rounds at full pressure bound a leak. What is not made
 * is not proven. A normal discharge says nothing either way: it ends its look without a dry one.
 *
 * @param hiddenMl what can hide in the joint before a drop shows, mL; 0 where nothing can
 */
export function proofOf({ looks, trouble, made }: Life, rounds: Round[], targetMlPerDay: number, hiddenMl: number): Proof {
  const dry = looks.slice(lastTrouble(looks) + 1);
  const byRound: Proof['byRound'] = {};
  if (trouble)
    byRound[trouble.look.round] = { state: trouble.finding, methods: [trouble.look.method], minutes: trouble.look.waitMin, mlPerDay: null };
  for (const round of new Set(dry.map((d) => d.round))) {
    const own = dry.filter((d) => d.round === round);
    const underPressure = ROUNDS.find((r) => r.id === round)?.pressure;
    const mlPerDay = underPressure
      ? pooledBound({ looks: own.map((l) => ({ ...l, hiddenMl })), delayMin: FIRST_DROP_DELAY_MIN, floorMlPerDay: FLOOR_ML_PER_DAY }).mlPerDay
      : null;
    byRound[round] = { state: 'dry', methods: [...new Set(own.map((l) => l.method))], minutes: own.reduce((sum, d) => sum + d.waitMin, 0), mlPerDay };
  }
  const bounds = Object.values(byRound).flatMap((r) => (r.mlPerDay === null ? [] : [r.mlPerDay]));
  const mlPerDay = bounds.length > 0 ? Math.min(...bounds) : null;
  const everyRound = rounds.every((r) => byRound[r]?.state === 'dry');
  return {
    byRound,
    finding: trouble?.finding ?? null,
    mlPerDay,
    proven: made && everyRound && trouble === null && mlPerDay !== null && mlPerDay <= targetMlPerDay + 1e-9,
  };
}

const lastTrouble = (looks: EndedLook[]): number => looks.findLastIndex((l) => l.finding !== 'dry');
