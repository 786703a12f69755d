/** What a day's plan says of its visits: how far each is, how long it takes, and which run into each other. */
import { workKind } from '../../core/make/work-kinds.ts';
import type { DayRun, DayVisit } from './day-run.ts';
import type { VisitHead } from './sheet.ts';
import { workMinutes } from './work-minutes.ts';

export type VisitStatus = 'planned' | 'under way' | 'done' | 'cancelled';

/** How far a visit is, from what was recorded: nobody sets it. */
export function statusOf(visit: VisitHead, runs: readonly DayRun[]): VisitStatus {
  if (visit.cancelled !== null) return 'cancelled';
  const listed = runs.filter((r) => r.summary.offList === null);
  // Work that joins nothing has no chain to sign off: it is done when one has left.
  const hasLeft = visit.leftMs !== null && visit.leftMs > (visit.arrivedMs ?? 0);
  const isDone = (r: DayRun) => r.summary.signedOffMs !== null || (hasLeft && !workKind(r.work).joins);
  if (listed.length > 0 ? listed.every(isDone) : hasLeft) return 'done';
  return visit.arrivedMs !== null || runs.some((r) => r.isBegun) ? 'under way' : 'planned';
}

export interface VisitSpan {
  minutes: number;
  /** Where it goes slowly. */
  slow: number;
  /** Somebody said how long; otherwise the kinds of work do. */
  isPlanned: boolean;
}

/** Minutes of a visit: as planned, or as its kinds of work usually take; with what they take where it goes slowly. */
export function spanOf({ visit, runs }: DayVisit): VisitSpan {
  // Hot and cold of one appliance are one piece of work.
  const works = new Map(runs.filter((r) => r.summary.offList === null).map((r) => [`${r.place}/${r.appliance}/${r.work}`, r.work]));
  const expected = workMinutes([...works.values()]);
  if (visit.minutes === null) return { minutes: expected.usual, slow: expected.slow, isPlanned: false };
  return { minutes: visit.minutes, slow: Math.max(visit.minutes, expected.slow), isPlanned: true };
}

/** Minutes since midnight of 'HH:MM'. */
export const minuteOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3));

/** Visits of one day that run into each other, by id; cancelled ones run into nothing. */
export function overlapsOf(visits: readonly DayVisit[]): Map<string, string[]> {
  const spans = visits
    .filter((v) => v.visit.cancelled === null)
    .map((v) => {
      const from = minuteOf(v.visit.startsAt);
      return { id: v.visit.id, onDate: v.visit.onDate, from, to: from + spanOf(v).minutes };
    });
  return new Map(
    visits.map(({ visit }) => {
      const own = spans.find((s) => s.id === visit.id);
      const others = own ? spans.filter((s) => s !== own && s.onDate === own.onDate && s.from < own.to && own.from < s.to) : [];
      return [visit.id, others.map((s) => s.id)];
    }),
  );
}
