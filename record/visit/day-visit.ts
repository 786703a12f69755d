import type { Entry } from '../kinds.ts';
import { summaryOf } from '../run/told/summary.ts';
import { type DayVisit, dayRunOf } from './day-run.ts';
import { type RunCatalogue, readRun, type VisitSheet } from './sheet.ts';
import type { OwnMinutes } from './work-minutes.ts';

/** What is known of looking again, beside the visit itself. */
export interface Rechecks {
  /** What is recorded in the visit that signed a run off. */
  entriesOf: (visitId: string) => readonly Entry[] | undefined;
  /** The day of a visit that is booked to look at a run of this one again. */
  bookedOn: (visitId: string, runId: string) => string | undefined;
}

const NO_RECHECKS: Rechecks = { entriesOf: () => undefined, bookedOn: () => undefined };

/** A visit as days and lists show it, worked out from what is recorded on it. */
export function dayVisitOf(
  { visit, runs, entries }: Pick<VisitSheet, 'visit' | 'runs' | 'entries'>,
  catalogue: RunCatalogue & { ownMinutes?: OwnMinutes },
  rechecks: Rechecks = NO_RECHECKS,
): DayVisit {
  const ofRun = (runId: string) => entries.filter((e) => e.runId === runId);
  return {
    visit,
    ...(catalogue.ownMinutes ? { own: catalogue.ownMinutes } : {}),
    runs: runs.map((run) => {
      const own = run.recheckOf === null ? ofRun(run.id) : (rechecks.entriesOf(run.recheckOf) ?? []).filter((e) => e.runId === run.id);
      // The book's word on the list is said once, by the row.
      return dayRunOf(
        run,
        own.length === 0 ? null : summaryOf(readRun({ ...run, removed: null }, own, catalogue)),
        rechecks.bookedOn(visit.id, run.id),
      );
    }),
  };
}
