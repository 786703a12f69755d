/** The day sheet: worked out on the server from its derived tables, on a device from what it keeps. */

import { remember } from '../../core/index.ts';
import { recheckWaitsMs } from '../run/told/summary.ts';
import { type StockedPlace, vanOf } from '../stock/levels.ts';
import { type LoadRow, loadOf } from '../stock/load.ts';
import type { DayRun, DayVisit } from './day-run.ts';
import { overlapsOf, spanOf, statusOf, type VisitSpan, type VisitStatus } from './plan.ts';
import type { VisitHead } from './sheet.ts';
import type { Waiting } from './waiting.ts';
import type { OwnMinutes } from './work-minutes.ts';

/** What a van lacks for the day. */
export interface Shortage extends LoadRow {
  /** The van that goes there; null where the shop has none. */
  van: { id: string; name: string } | null;
}

export interface Recheck {
  visitId: string;
  runId: string;
  place: string;
  run: string;
  premises: string;
  /** Of the premises. */
  timeZone: string;
  dueMs: number;
  overdue: boolean;
  notDry: boolean;
  premisesId: string;
  work: DayRun['work'];
  /** The day of a visit that is booked for it; null where none is. */
  bookedOn: string | null;
}

/** A visit as a day shows it. */
export interface PlannedVisit extends DayVisit {
  status: VisitStatus;
  places: string[];
  /** Runs that the van lacks something for. */
  short: number;
  /** Items that it lacks for this visit. */
  lacks: string[];
  /** Taken off the list. */
  off: DayRun[];
  /** Other visits of the day that it runs into. */
  overlaps: string[];
  span: VisitSpan;
}

export interface DaySheet {
  day: string;
  /** What the shop's own record says of minutes; left out: first guesses. */
  own?: OwnMinutes;
  visits: PlannedVisit[];
  shortages: Shortage[];
  rechecks: Recheck[];
  /** Due by the end of the day, and open. */
  followUps: Waiting[];
}

/** A local day at a place, 'YYYY-MM-DD'. */
export function localDayOf(at: Date | number, timeZone: string): string {
  const make = () => new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' });
  return remember(formats, MOST_FORMATS, timeZone, make).format(at);
}

/** Making one costs more than using it a hundred times. */
const formats = new Map<string, Intl.DateTimeFormat>();
const MOST_FORMATS = 40;

/** A day some days later: '2026-02-28' + 1 -> '2026-03-01'. */
export function addDays(day: string, days: number): string {
  const [y, m, d] = day.split('-').map(Number);
  return new Date(Date.UTC(y as number, (m as number) - 1, (d as number) + days)).toISOString().slice(0, 10);
}

/**
 * The visits of a day, what the van lacks for them, and which connections are to be looked at again.
 *
 * @param around  the visits of the day, and of the days before it that a recheck may be due from
 * @param waiting follow-ups that are open
 */
export function daySheetOf(day: string, around: DayVisit[], stocked: readonly StockedPlace[], at: Date, waiting: readonly Waiting[] = []): DaySheet {
  const today = around.filter((v) => v.visit.onDate === day);
  const listedRuns = (v: DayVisit) => v.runs.filter((r) => r.summary.offList === null);
  // What is called off takes nothing from a van.
  const shortages = shortagesOf(
    today.filter((v) => v.visit.cancelled === null).map((v) => ({ vanId: v.visit.vanId, runs: listedRuns(v) })),
    stocked,
  );
  const short = new Set(shortages.map((s) => `${s.van?.id} ${s.item}`));
  const own = today.find((v) => v.own)?.own;
  return {
    day,
    ...(own ? { own } : {}),
    visits: plannedOf(today, (v, needed) => {
      const vanId = vanOf(stocked, v.visit.vanId)?.id;
      return needed.filter((item) => short.has(`${vanId} ${item}`));
    }),
    shortages,
    followUps: waiting.filter((w) => w.dueOn !== null && w.dueOn <= day),
    rechecks: around.flatMap((v) => listedRuns(v).flatMap((run) => recheckOf(v.visit, run, day, at))).sort((a, b) => b.dueMs - a.dueMs),
  };
}

/**
 * Visits of one day, each as the day shows it.
 *
 * @param lacksOf which of the items that its runs still need the van does not have
 */
export function plannedOf(today: readonly DayVisit[], lacksOf: (visit: DayVisit, needed: string[]) => string[]): PlannedVisit[] {
  const spans = new Map(today.map((v) => [v, spanOf(v)]));
  const overlaps = overlapsOf(today, (v) => spans.get(v)!);
  return today.map((v) => {
    const runs = v.runs.filter((r) => r.summary.offList === null);
    const needed = v.visit.cancelled === null ? [...new Set(runs.flatMap((r) => Object.keys(r.summary.needs)))] : [];
    const lacks = lacksOf(v, needed);
    return {
      visit: v.visit,
      runs,
      status: statusOf(v.visit, v.runs),
      overlaps: overlaps.get(v.visit.id) ?? [],
      span: spans.get(v)!,
      lacks,
      off: v.runs.filter((r) => r.summary.offList !== null),
      places: [...new Set(runs.map((r) => r.place))],
      short: runs.filter((r) => Object.keys(r.summary.needs).some((item) => lacks.includes(item))).length,
    };
  });
}

function shortagesOf(visits: { vanId: string | null; runs: DayRun[] }[], stocked: readonly StockedPlace[]): Shortage[] {
  return loadOf(visits, stocked)
    .flatMap(({ van, rows }) => rows.filter((r) => r.missing > 0).map((r) => ({ ...r, van })))
    .sort((a, b) => (a.name < b.name ? -1 : 1));
}

function recheckOf(visit: VisitHead, run: DayRun, day: string, at: Date): Recheck[] {
  const { recheck } = run.summary;
  const recheckDueMs = recheckWaitsMs(run.summary);
  // One that is booked to be looked at again is told by the visit that signed it off.
  if (run.recheckOf || recheckDueMs === null) return [];
  if (localDayOf(recheckDueMs, visit.premises.timeZone) > day) return [];
  return [
    {
      visitId: visit.id,
      runId: run.id,
      place: run.place,
      run: run.name,
      premises: visit.premises.name,
      timeZone: visit.premises.timeZone,
      dueMs: recheckDueMs,
      overdue: recheckDueMs < at.getTime(),
      notDry: recheck === 'not dry',
      premisesId: visit.premises.id,
      work: run.work,
      bookedOn: run.recheckOn ?? null,
    },
  ];
}
