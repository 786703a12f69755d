import type { PlannedVisit } from '../../../record/index.ts';

/** A visit of a list as the API gives it. */
export function visitAnswer({ visit, runs, status, overlaps, lacks, span }: PlannedVisit): object {
  const { premises, arrivedMs, leftMs, ...head } = visit;
  const instant = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString());
  return {
    ...head,
    minutes: span.minutes,
    minutesPlanned: visit.minutes,
    minutesSlow: span.slow,
    premises,
    arrived: instant(arrivedMs),
    left: instant(leftMs),
    status,
    runs: runs.map((r) => ({ id: r.id, name: r.name, work: r.work, stage: r.summary.stage })),
    overlaps,
    lacks,
  };
}
