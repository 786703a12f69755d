import { pooledBound } from '../../core/prove/bounds.ts';
import { FIRST_DROP_DELAY_MIN, type Finding, FLOOR_ML_PER_DAY, METHODS, ROUNDS, type Round } from '../../core/prove/method.ts';
import { targetOf } from '../entry.ts';
import type { Entry, EntryOf } from '../kinds.ts';

/** What the looks at one joint or check point come to since it was last disturbed. */
export interface Proof {
  byRound: Partial<Record<Round, { state: 'dry' | Exclude<Finding, 'dry' | 'normal'>; minutes: number; mlPerDay: number | null }>>;
  /** The finding that is not dealt with yet; null when there is none. */
  finding: Exclude<Finding, 'dry' | 'normal'> | null;
  /** Smallest bound over the rounds under pressure, mL a day; null while nothing is proven. */
  mlPerDay: number | null;
  /** Every round dry, and the bound within the target. */
  proven: boolean;
}

export interface ProofFacts {
  /** Standing entries in order, from the chain's acceptance on. */
  log: Entry[];
  rounds: Round[];
  targetMlPerDay: number;
}

/**
 * Adds up the looks at a target.
 *
 * Dry looks of one round pool their time. Making the joint, a remedy on it, or a remedy that moved it voids all earlier looks; a finding
 * voids them too, and stands until a remedy follows. Only the rounds at full pressure bound a leak.
 */
export function proofOf(targetId: string, rounds: Round[], facts: ProofFacts): Proof {
  const looks = new Map<string, EntryOf<'look-begun'>>();
  let dry: { round: Round; waitMin: number; dropMl: number }[] = [];
  let finding: Proof['finding'] = null;
  const found: Proof['byRound'] = {};
  for (const e of facts.log) {
    if (disturbs(e, targetId)) {
      dry = [];
      finding = null;
      for (const round of Object.keys(found)) delete found[round as Round];
    }
    if (targetOf(e) !== targetId) continue;
    if (e.kind === 'look-begun') looks.set(e.id, e);
    if (e.kind !== 'look-ended') continue;
    const begun = looks.get(e.body.begunId);
    if (!begun) continue;
    if (e.body.finding === 'dry' || e.body.finding === 'normal') {
      dry.push({ round: begun.body.round, waitMin: minutesWatched(begun, e), dropMl: METHODS[begun.body.method].dropMl });
    } else {
      dry = [];
      finding = e.body.finding;
      for (const round of Object.keys(found)) delete found[round as Round];
      found[begun.body.round] = { state: finding, minutes: minutesWatched(begun, e), mlPerDay: null };
    }
  }
  for (const round of new Set(dry.map((d) => d.round))) {
    const own = dry.filter((d) => d.round === round);
    const underPressure = ROUNDS.find((r) => r.id === round)?.pressure;
    const mlPerDay = underPressure ? pooledBound({ looks: own, delayMin: FIRST_DROP_DELAY_MIN, floorMlPerDay: FLOOR_ML_PER_DAY }).mlPerDay : null;
    found[round] = { state: 'dry', minutes: own.reduce((sum, d) => sum + d.waitMin, 0), mlPerDay };
  }
  const bounds = Object.values(found).flatMap((r) => (r.mlPerDay === null ? [] : [r.mlPerDay]));
  const mlPerDay = bounds.length > 0 ? Math.min(...bounds) : null;
  const everyRound = rounds.every((r) => found[r]?.state === 'dry');
  return {
    byRound: found,
    finding,
    mlPerDay,
    proven: everyRound && finding === null && mlPerDay !== null && mlPerDay <= facts.targetMlPerDay + 1e-9,
  };
}

function disturbs(e: Entry, targetId: string): boolean {
  if (e.kind === 'joint-made') return e.jointId === targetId;
  if (e.kind !== 'remedied') return false;
  return e.jointId === targetId || e.checkPointId === targetId || e.body.movedJointIds.includes(targetId);
}

/** Minutes of a look: the smaller of what the device's clock and its stopwatch say, so that a clock set wrong never flatters. */
export function minutesWatched(begun: EntryOf<'look-begun'>, ended: EntryOf<'look-ended'>): number {
  const byClockS = (Date.parse(ended.seenAt) - Date.parse(begun.seenAt)) / 1000;
  const seconds = ended.body.elapsedS === null ? byClockS : Math.min(byClockS, ended.body.elapsedS);
  return Math.max(0, seconds) / 60;
}
