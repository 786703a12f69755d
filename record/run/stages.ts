/** The six stages in the order of the work: a row each. What a stage is follows from what was recorded for it, never from a sign-off. */
import type { WorkStep } from '../../core/index.ts';

export type Stage = 'look' | 'match' | 'shut' | 'make' | 'prove' | 'log';

/** Open, done, or gone past with a reason. */
export interface StageState {
  state: 'open' | 'done' | 'skipped';
  reason?: string;
  /** Which device skipped it, and when. */
  deviceId?: string;
  atMs?: number;
}

/** What a stage asks of a run's state. */
export interface StageFacts {
  looked: boolean;
  accepted: boolean;
  /** There is a card: a chain was accepted, or nothing is joined. */
  hasCard: boolean;
  card: WorkStep[];
  done: Record<string, boolean>;
  joints: { made: boolean; proven: boolean }[];
  checkPoints: { proven: boolean }[];
  signedOff: boolean;
  /** The water was proved dead, or that was skipped. */
  waterSafe: boolean;
}

export interface StageRow {
  id: Stage;
  name: string;
  done: (s: StageFacts) => boolean;
}

const stepsDone = (s: StageFacts, stage: WorkStep['stage']) => s.card.every((step) => step.stage !== stage || s.done[step.id]);

/** Steps of Prove that no look shows done: the power on again, what is asked before a wall is closed. */
export const besideLooks = (card: WorkStep[]): WorkStep[] => card.filter((step) => step.stage === 'prove' && step.round === undefined);

export const STAGE_ROWS: readonly StageRow[] = [
  { id: 'look', name: 'Look', done: (s) => s.looked },
  { id: 'match', name: 'Match', done: (s) => s.hasCard },
  { id: 'shut', name: 'Shut', done: (s) => s.hasCard && stepsDone(s, 'shut') },
  { id: 'make', name: 'Make', done: (s) => s.hasCard && s.waterSafe && stepsDone(s, 'make') && s.joints.every((j) => j.made) },
  {
    id: 'prove',
    name: 'Prove',
    done: (s) => s.hasCard && [...s.joints, ...s.checkPoints].every((t) => t.proven) && besideLooks(s.card).every((step) => s.done[step.id]),
  },
  { id: 'log', name: 'Log', done: (s) => s.signedOff },
];

export const STAGES: readonly Stage[] = STAGE_ROWS.map((row) => row.id);
export const STAGE_NAMES = Object.fromEntries(STAGE_ROWS.map((row) => [row.id, row.name])) as Record<Stage, string>;

export const isStageDone = (stage: Stage, facts: StageFacts): boolean => STAGE_ROWS.find((row) => row.id === stage)!.done(facts);
