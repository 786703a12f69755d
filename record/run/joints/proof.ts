import {
  againRounds,
  FIRST_DROP_DELAY_MIN,
  FLOOR_ML_PER_DAY,
  type Method,
  POOLED_ROUNDS,
  type ProofRule,
  pooledBound,
  ROUNDS,
  type Round,
} from '../../../core/index.ts';
import type { EndedLook, Life, Trouble } from './joint-life.ts';

/** What the looks at one joint or check point come to since it was last disturbed. */
export interface Proof {
  byRound: Partial<Record<Round, { state: 'dry' | Trouble; methods: Method[]; minutes: number; mlPerDay: number | null }>>;
  /** The finding that is not dealt with yet; null when there is none. */
  finding: Trouble | null;
  /** Smallest bound over the rounds under pressure, mL a day; null while nothing is proven. */
  mlPerDay: number | null;
  /** Bound of the looks a day later with those that add up with them, mL a day. */
  againMlPerDay: number | null;
  /** Every round dry, and the bound within the target, where there is one. */
  proven: boolean;
}

/** By which rule of the house, and what it asks at the door: mL a day, null for no bound. */
export interface ProofAsked {
  rule: ProofRule;
  doorMlPerDay: number | null;
}

/**
 * Adds up the looks at a target.
 *
 * Dry looks of one round pool their time, and by the rule for the day those of the standing and the working round together; a finding voids what was
 * dry before it. Only the rounds at full pressure bound a leak. What is not made is not proven. A normal discharge says nothing either way: it ends its look without a dry one.
 *
 * @param hiddenMl what can hide in the joint before a drop shows, mL; 0 where nothing can
 */
export function proofOf({ looks, trouble, made }: Life, rounds: Round[], { rule, doorMlPerDay }: ProofAsked, hiddenMl: number): Proof {
  const dry = looks.slice(lastTrouble(looks) + 1);
  const byRound: Proof['byRound'] = {};
  if (trouble)
    byRound[trouble.look.round] = { state: trouble.finding, methods: [trouble.look.method], minutes: trouble.look.waitMin, mlPerDay: null };
  for (const round of new Set(dry.map((d) => d.round))) {
    const own = dry.filter((d) => d.round === round);
    const underPressure = ROUNDS.find((r) => r.id === round)?.pressure;
    const mlPerDay = underPressure ? boundOf(own, hiddenMl) : null;
    byRound[round] = { state: 'dry', methods: [...new Set(own.map((l) => l.method))], minutes: own.reduce((sum, d) => sum + d.waitMin, 0), mlPerDay };
  }
  const pooled = rule === 'day' ? boundOf(dry.filter(isPooled), hiddenMl) : null;
  const again = againRounds(byRound['put-back'] !== undefined);
  const bounds = [pooled, ...Object.values(byRound).map((r) => r.mlPerDay)].filter((b) => b !== null);
  const mlPerDay = bounds.length > 0 ? Math.min(...bounds) : null;
  const everyRound = rounds.every((r) => byRound[r]?.state === 'dry');
  return {
    byRound,
    finding: trouble?.finding ?? null,
    mlPerDay,
    againMlPerDay: boundOf(
      dry.filter((l) => again.includes(l.round)),
      hiddenMl,
    ),
    proven: made && everyRound && trouble === null && (doorMlPerDay === null || (mlPerDay !== null && mlPerDay <= doorMlPerDay + 1e-9)),
  };
}

const isPooled = ({ round }: Pick<EndedLook, 'round'>): boolean => (POOLED_ROUNDS as readonly string[]).includes(round);

const boundOf = (looks: readonly EndedLook[], hiddenMl: number): number | null =>
  pooledBound({ looks: looks.map((l) => ({ ...l, hiddenMl })), delayMin: FIRST_DROP_DELAY_MIN, floorMlPerDay: FLOOR_ML_PER_DAY }).mlPerDay;

const lastTrouble = (looks: EndedLook[]): number => looks.findLastIndex((l) => l.finding !== 'dry');
