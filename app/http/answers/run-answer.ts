/** A run of a visit as the API gives it: where each stage stands, its joints, whether it is signed off, what is not settled. */

import type { ReadRun } from '../../../record/index.ts';
import { STAGES } from '../../../record/index.ts';

export function runAnswer({ run, state, unreadable }: ReadRun): object {
  if (!state) return { ...run, unreadable };
  return {
    ...run,
    stages: Object.fromEntries(STAGES.map((s) => [s, stageAnswer(state.stages[s])])),
    joints: state.joints.map(({ id, n, a, b, seal, made, turns24, finding, mlPerDay, proven, byRound }) => ({
      id,
      n,
      a,
      b,
      seal,
      made,
      turns24,
      finding,
      mlPerDay,
      proven,
      byRound,
    })),
    signedOff: state.signedOff && { at: new Date(state.signedOff.atMs).toISOString(), exceptions: state.signedOff.exceptions },
    conflicts: state.conflicts.map(({ what, targetId, entries }) => ({ what, targetId, entries })),
  };
}

const stageAnswer = ({ state, reason }: { state: string; reason?: string }) => (reason === undefined ? { state } : { state, reason });
