/** The week: seven days with their visits, and what waits for one of them. */
import { few } from '../few.ts';
import type { StockedPlace } from '../stock/levels.ts';
import { addDays, daySheetOf, type PlannedVisit, type Recheck } from './day.ts';
import type { DayVisit } from './day-run.ts';
import type { VisitStatus } from './plan.ts';
import type { Waiting } from './waiting.ts';

/** A visit as a week shows it. */
export interface WeekVisit {
  id: string;
  title: string;
  onDate: string;
  startsAt: string;
  status: VisitStatus;
  minutes: number;
  /** On its list, and signed off of those. */
  runs: number;
  done: number;
  /** What it runs into, in words; '' where it runs into nothing. */
  into: string;
  /** What its van lacks for it. */
  lacks: { item: string; name: string }[];
}

export interface WeekSheet {
  monday: string;
  visits: WeekVisit[];
  waiting: Waiting[];
  /** Connections to be looked at again by the end of the week. */
  rechecks: Recheck[];
}

/** The Monday of a day's week. */
export function mondayOf(day: string): string {
  const weekday = new Date(`${day}T00:00:00Z`).getUTCDay();
  return addDays(day, -((weekday + 6) % 7));
}

/** @param around visits of the week, and those before it that a recheck may be due from */
export function weekSheetOf(monday: string, around: DayVisit[], waiting: Waiting[], stocked: readonly StockedPlace[], at: Date): WeekSheet {
  const days = Array.from({ length: 7 }, (_, i) => addDays(monday, i));
  return {
    monday,
    visits: days.flatMap((day) => weekVisitsOf(daySheetOf(day, around, stocked, at).visits)),
    waiting,
    rechecks: daySheetOf(days[6]!, around, stocked, at).rechecks,
  };
}

/** @param day visits of one day */
export function weekVisitsOf(day: readonly PlannedVisit[]): WeekVisit[] {
  const titles = new Map(day.map((v) => [v.visit.id, v.visit.title]));
  return day.map(({ visit: { id, title, onDate, startsAt }, status, span, runs, overlaps, lacks }) => {
    const nameOf = (item: string) => runs.find((r) => r.summary.needs[item])?.summary.needs[item]?.name ?? item;
    return {
      id,
      title,
      onDate,
      startsAt,
      status,
      minutes: span.minutes,
      runs: runs.length,
      done: runs.filter((r) => r.summary.signedOffMs !== null).length,
      into: few(overlaps.map((other) => titles.get(other) ?? 'another')),
      lacks: lacks.map((item) => ({ item, name: nameOf(item) })),
    };
  });
}

/** The time that a visit is moved to by so many minutes, to the quarter; it stays within its day. */
export function movedBy(startsAt: string, minutes: number): string {
  const at = Number(startsAt.slice(0, 2)) * 60 + Number(startsAt.slice(3)) + minutes;
  const quarter = Math.min(23 * 60 + 45, Math.max(0, Math.round(at / 15) * 15));
  return `${String(Math.floor(quarter / 60)).padStart(2, '0')}:${String(quarter % 60).padStart(2, '0')}`;
}
