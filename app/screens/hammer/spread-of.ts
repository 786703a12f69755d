import { PLASTIC_TIMES, type Spread, type SurgeQuestion } from '../../../core/index.ts';

/** What is not known of a line one has not measured: how fast it shuts, the pressure of the hour, a plastic's give. */
export function spreadOf(q: SurgeQuestion, isPlastic: boolean): Spread {
  return {
    closeMs: [q.closeMs * 0.6, q.closeMs * 1.6],
    staticPsi: [Math.max(1, q.staticPsi - 10), q.staticPsi + 10],
    gpm: [q.gpm * 0.85, q.gpm * 1.1],
    ...(isPlastic ? { modulusTimes: PLASTIC_TIMES } : {}),
    ...(q.cushion ? { cushionTimes: [0.5, 1] } : {}),
  };
}
