import type { DayVisit } from './day-run.ts';

/** A run of today or tomorrow of which no joint is made yet: a chain may still be taken to it. */
export interface OpenRun {
  visitId: string;
  runId: string;
  name: string;
  /** The acceptance that another would take the place of. */
  acceptedId: string | null;
}

/** Of visits of today and tomorrow; those that wait for a chain first. */
export function openRunsOf(visits: DayVisit[], today: string): OpenRun[] {
  const runs = visits.flatMap(({ visit, runs }) =>
    runs
      .filter(({ summary: s }) => s.signedOffMs === null && s.joined === 0 && s.offList === null && s.unreadable === null)
      .map((run) => ({
        visitId: visit.id,
        runId: run.id,
        name: `${run.name}, ${visit.title}, ${visit.onDate === today ? 'today' : 'tomorrow'}`,
        acceptedId: run.summary.acceptedId,
      })),
  );
  return [...runs.filter((r) => r.acceptedId === null), ...runs.filter((r) => r.acceptedId !== null)];
}
