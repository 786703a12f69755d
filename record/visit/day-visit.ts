import { summaryOf } from '../run/summary.ts';
import { type DayVisit, dayRunOf } from './day-run.ts';
import { type RunCatalogue, readRun, type VisitSheet } from './sheet.ts';

/** A visit as days and lists show it, worked out from what is recorded on it. */
export function dayVisitOf({ visit, runs, entries }: VisitSheet, catalogue: RunCatalogue): DayVisit {
  const ofRun = (runId: string) => entries.filter((e) => e.runId === runId);
  return {
    visit,
    runs: runs.map((run) => {
      const own = ofRun(run.id);
      // The book's word on the list is said once, by the row.
      return dayRunOf(run, own.length === 0 ? null : summaryOf(readRun({ ...run, removed: null }, own, catalogue)));
    }),
  };
}
