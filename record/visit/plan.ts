/** What a day's plan says of its visits: how far each is, how long it takes, and which run into each other. */
import { workKind } from '../../core/index.ts';
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
  const isDone = (r: DayRun) => (r.recheckOf ? isLookedAt(r) : r.summary.signedOffMs !== null || (hasLeft && !workKind(r.work).joins));
  if (listed.length > 0 ? listed.every(isDone) : hasLeft) return 'done';
  return visit.arrivedMs !== null || runs.some((r) => r.isBegun) ? 'under way' : 'planned';
}

/** Looked at again and dry, or closed with a reason. */
const isLookedAt = ({ summary }: DayRun): boolean => summary.recheck === 'dry' || summary.recheck === 'closed';

export interface VisitSpan {
  minutes: number;
  /** Where it goes slowly. */
  slow: number;
  /** Somebody said how long; otherwise the kinds of work do. */
  isPlanned: boolean;
}

/** Minutes of a visit: as planned, or as its kinds of work usually take, in this shop where it knows; with what they take where it goes slowly. */
export function spanOf({ visit, runs, own }: DayVisit): VisitSpan {
  // Hot and cold of one appliance are one piece of work.
  const works = new Map<string, DayRun['work']>();
  for (const r of runs) if (r.summary.offList === null && !r.recheckOf) works.set(`${r.place}/${r.appliance}/${r.work}`, r.work);
  const expected = workMinutes([...works.values()], own);
  if (visit.minutes === null) return { minutes: expected.usual, slow: expected.slow, isPlanned: false };
  return { minutes: visit.minutes, slow: Math.max(visit.minutes, expected.slow), isPlanned: true };
}

/** Minutes since midnight of 'HH:MM'. */
export const minuteOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3));

/**
 * Visits that run into each other on their day, by id; cancelled ones run into nothing.
 *
 * @param spanOfVisit how long each takes, where that is known already
 */
export function overlapsOf(visits: readonly DayVisit[], spanOfVisit: (visit: DayVisit) => VisitSpan = spanOf): Map<string, string[]> {
  const spans = visits
    .filter((v) => v.visit.cancelled === null)
    .map((v) => {
      const from = minuteOf(v.visit.startsAt);
      return { id: v.visit.id, onDate: v.visit.onDate, from, to: from + spanOfVisit(v).minutes };
    });
  const own = new Map(spans.map((s) => [s.id, s]));
  return new Map(
    visits.map(({ visit: { id } }) => {
      const one = own.get(id);
      const others = one ? spans.filter((s) => s !== one && s.onDate === one.onDate && s.from < one.to && one.from < s.to) : [];
      return [id, others.map((s) => s.id)];
    }),
  );
}
