/** A run of a visit as days and lists show it. */
import type { WorkKindId } from '../../core/make/work-kinds.ts';
import { type RunSummary, UNTOUCHED } from '../run/summary.ts';
import type { RunRow, VisitHead } from './sheet.ts';
import type { Told } from './states.ts';

export interface DayRun {
  id: string;
  name: string;
  appliance: string;
  place: string;
  work: WorkKindId;
  /** Something is recorded on it in this visit. */
  isBegun: boolean;
  summary: RunSummary;
  /** Ends as they were told; left out where none were. */
  told?: Told[];
  water: 'cold' | 'hot';
}

export interface DayVisit {
  visit: VisitHead;
  runs: DayRun[];
}

/** @param summary of what is recorded on it; null where nothing is */
export const dayRunOf = (run: Omit<RunRow, 'checkPoints'>, summary: RunSummary | null): DayRun => ({
  id: run.id,
  name: run.name,
  appliance: run.applianceName,
  place: run.place,
  work: run.work,
  isBegun: summary !== null,
  ...(run.told.length > 0 ? { told: run.told } : {}),
  water: run.water,
  // The book's word is not in a summary, which follows from what is recorded on the run.
  summary: { ...(summary ?? UNTOUCHED), offList: run.removed ?? summary?.offList ?? null },
});
