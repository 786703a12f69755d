import type { Decay } from '../../../../core/index.ts';
import type { GaugeState } from './use-gauge.ts';

/** How often a measured volume is let out, and how long a line is left alone before it: less tells less. */
export const LET_OUTS = 2;

export const SETTLE_MIN = 0.5;

export type StepId = 'shut' | 'settle' | 'let-out' | 'wait' | 'read';

/** Which step it is at: shut, settle, let out, wait, read. */
export function stepOf(live: Pick<GaugeState, 'line' | 'letOut' | 'last' | 'fault'>, decay: Decay | null): StepId {
  if (live.line === null || live.fault !== null) return 'shut';
  if (live.letOut.length === 0 && (live.last?.minutes ?? 0) < SETTLE_MIN) return 'settle';
  if (live.letOut.length < LET_OUTS) return 'let-out';
  return decay && decay.verdict !== 'undecided' ? 'read' : 'wait';
}
