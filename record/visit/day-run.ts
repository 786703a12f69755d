/** A run of a visit as days and lists show it. */
import type { WorkKindId } from '../../core/index.ts';
import { type RunSummary, UNTOUCHED } from '../run/told/summary.ts';
import type { RunRow, VisitHead } from './sheet.ts';
import type { Told } from './states.ts';
import type { OwnMinutes } from './work-minutes.ts';

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
  /** The visit that signed it off, where it is here to be looked at again; its summary is then that visit's. */
  recheckOf?: string;
  /** The day of a visit that is booked to look at it again. */
  recheckOn?: string;
}

export interface DayVisit {
  visit: VisitHead;
  runs: DayRun[];
  /** What the shop's own record says of minutes; left out: first guesses. */
  own?: OwnMinutes;
}

/**
 * @param summary   of what is recorded on it, for one that is looked at again by the visit that signed it off; null where nothing is
 * @param recheckOn day of a visit that is booked to look at it again
 */
export const dayRunOf = (run: Omit<RunRow, 'checkPoints'>, summary: RunSummary | null, recheckOn?: string): DayRun => ({
  id: run.id,
  name: run.name,
  appliance: run.applianceName,
  place: run.place,
  work: run.work,
  isBegun: run.recheckOf === null ? summary !== null : summary !== null && summary.recheck !== 'due',
  ...(run.recheckOf === null ? {} : { recheckOf: run.recheckOf }),
  ...(recheckOn === undefined ? {} : { recheckOn }),
  ...(run.told.length > 0 ? { told: run.told } : {}),
  water: run.water,
  // The book's word is not in a summary, which follows from what is recorded on the run.
  summary: { ...(summary ?? UNTOUCHED), offList: run.removed ?? (run.recheckOf === null ? (summary?.offList ?? null) : null) },
});
