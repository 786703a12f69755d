/** The six stages in the order of the work: a row each. A stage is open while its question is. */
import type { WorkStep } from '../../core/make/work-card.ts';

export type Stage = 'look' | 'match' | 'shut' | 'make' | 'prove' | 'log';

/** What a stage asks of a run's state. */
export interface StageFacts {
  looked: boolean;
  accepted: boolean;
  card: WorkStep[];
  done: Record<string, boolean>;
  joints: { made: boolean; proven: boolean }[];
  checkPoints: { proven: boolean }[];
}

export interface StageRow {
  id: Stage;
  name: string;
  /** Still to be done; the first that is open is where the work stands. */
  open: (s: StageFacts) => boolean;
}

const stepOpen = (s: StageFacts, stage: WorkStep['stage']) => s.card.some((step) => step.stage === stage && !s.done[step.id]);

export const STAGE_ROWS: readonly StageRow[] = [
  { id: 'look', name: 'Look', open: (s) => !s.accepted && !s.looked },
  { id: 'match', name: 'Match', open: (s) => !s.accepted },
  { id: 'shut', name: 'Shut', open: (s) => stepOpen(s, 'shut') },
  { id: 'make', name: 'Make', open: (s) => stepOpen(s, 'make') || s.joints.some((j) => !j.made) },
  { id: 'prove', name: 'Prove', open: (s) => ![...s.joints, ...s.checkPoints].every((t) => t.proven) },
  { id: 'log', name: 'Log', open: () => true },
];

export const STAGES: readonly Stage[] = STAGE_ROWS.map((row) => row.id);
export const STAGE_NAMES = Object.fromEntries(STAGE_ROWS.map((row) => [row.id, row.name])) as Record<Stage, string>;

/** Where the work stands: the first stage that is open. */
export const stageOf = (s: StageFacts): Stage => STAGE_ROWS.find((row) => row.open(s))!.id;
