/**
 * Days as a page carries them along for its own program: what is as usual and what follows from the rest is left out, and fields stand by their
 * place. A busy day is a sixth of what it is in full.
 */

import type { WorkKindId } from '../../core/index.ts';
import { type RunSummary, UNTOUCHED } from '../run/told/summary.ts';
import { type DaySheet, type PlannedVisit, plannedOf } from './day.ts';
import type { DayRun, DayVisit } from './day-run.ts';
import type { VisitHead } from './sheet.ts';
import type { Told } from './states.ts';
import type { WeekSheet, WeekVisit } from './week.ts';
import type { OwnMinutes } from './work-minutes.ts';

type PackedRun = [
  id: string,
  name: string,
  appliance: string,
  place: string,
  work: WorkKindId,
  isHot: 0 | 1,
  isBegun: 0 | 1,
  summary: Partial<RunSummary> | 0,
  told: Told[] | 0,
  recheckOf: string | 0,
  recheckOn: string | 0,
];
type Head = Omit<VisitHead, 'id' | 'title' | 'onDate' | 'startsAt' | 'premises'>;
type PackedVisit = [
  id: string,
  title: string,
  onDate: string,
  startsAt: string,
  premises: [id: string, name: string, timeZone: string, address: string | null],
  runs: PackedRun[],
  more: Partial<Head> | 0,
  lacks: string[] | 0,
];

const PLAIN_HEAD: Head = { minutes: null, note: null, vanId: null, cancelled: null, arrivedMs: null, leftMs: null };

/** What of an object is not as usual; 0 where all of it is. */
function unusual<T extends object>(value: T, usual: T): Partial<T> | 0 {
  let differs: Partial<T> | 0 = 0;
  for (const key in value) {
    if (isSame(value[key], usual[key])) continue;
    differs = differs || {};
    differs[key] = value[key];
  }
  return differs;
}

const isSame = (a: unknown, b: unknown): boolean =>
  a === b || (typeof a === 'object' && a !== null && typeof b === 'object' && isEmpty(a) && isEmpty(b));

/** Lists and tables; an object that says nothing is as good as another. */
function isEmpty(value: object | null): boolean {
  for (const _ in value) return false;
  return value !== null;
}

const packRun = ({ id, name, appliance, place, work, water, isBegun, summary, told, recheckOf, recheckOn }: DayRun): PackedRun => [
  id,
  name,
  appliance,
  place,
  work,
  water === 'hot' ? 1 : 0,
  isBegun ? 1 : 0,
  unusual(summary, UNTOUCHED),
  told ?? 0,
  recheckOf ?? 0,
  recheckOn ?? 0,
];

const unpackRun = ([id, name, appliance, place, work, isHot, isBegun, summary, told, recheckOf, recheckOn]: PackedRun): DayRun => ({
  id,
  name,
  appliance,
  place,
  work,
  water: isHot ? 'hot' : 'cold',
  isBegun: isBegun === 1,
  summary: { ...UNTOUCHED, ...(summary || {}) },
  ...(told === 0 ? {} : { told }),
  ...(recheckOf === 0 ? {} : { recheckOf }),
  ...(recheckOn === 0 ? {} : { recheckOn }),
});

function packVisit({ visit, runs, off, lacks }: PlannedVisit): PackedVisit {
  const { id, title, onDate, startsAt, premises: p, ...head } = visit;
  const all = [...runs, ...off].map(packRun);
  return [id, title, onDate, startsAt, [p.id, p.name, p.timeZone, p.address], all, unusual(head, PLAIN_HEAD), lacks.length === 0 ? 0 : lacks];
}

function unpackVisit([id, title, onDate, startsAt, [premisesId, name, timeZone, address], runs, more]: PackedVisit): DayVisit {
  const visit = { id, title, onDate, startsAt, ...PLAIN_HEAD, ...(more || {}), premises: { id: premisesId, name, timeZone, address } };
  return { visit, runs: runs.map(unpackRun) };
}

function unpackVisits(packed: PackedVisit[], own: OwnMinutes | undefined): PlannedVisit[] {
  const lacks = new Map(packed.map((v) => [v[0], v[7] || []]));
  const days = new Map<string, DayVisit[]>();
  for (const v of packed.map((p): DayVisit => ({ ...unpackVisit(p), ...(own ? { own } : {}) })))
    days.set(v.visit.onDate, [...(days.get(v.visit.onDate) ?? []), v]);
  return [...days.values()].flatMap((list) => plannedOf(list, (v) => lacks.get(v.visit.id) ?? []));
}

/** A day's sheet with its visits packed. */
export const packDay = (sheet: DaySheet): string => JSON.stringify({ ...sheet, visits: sheet.visits.map(packVisit) });

export function unpackDay(text: string): DaySheet {
  const { visits, ...rest } = JSON.parse(text) as Omit<DaySheet, 'visits'> & { visits: PackedVisit[] };
  return { ...rest, visits: unpackVisits(visits, rest.own) };
}

type PackedWeekVisit = [
  id: string,
  title: string,
  onDate: string,
  startsAt: string,
  status: WeekVisit['status'],
  minutes: number,
  runs: number,
  done: number,
  into: string,
  lacks: WeekVisit['lacks'] | 0,
];

const packWeekVisit = (v: WeekVisit): PackedWeekVisit => [
  v.id,
  v.title,
  v.onDate,
  v.startsAt,
  v.status,
  v.minutes,
  v.runs,
  v.done,
  v.into,
  v.lacks.length === 0 ? 0 : v.lacks,
];

const unpackWeekVisit = ([id, title, onDate, startsAt, status, minutes, runs, done, into, lacks]: PackedWeekVisit): WeekVisit => ({
  id,
  title,
  onDate,
  startsAt,
  status,
  minutes,
  runs,
  done,
  into,
  lacks: lacks || [],
});

/** A week's sheet with its visits packed. */
export const packWeek = (sheet: WeekSheet): string => JSON.stringify({ ...sheet, visits: sheet.visits.map(packWeekVisit) });

export function unpackWeek(text: string): WeekSheet {
  const { visits, ...rest } = JSON.parse(text) as Omit<WeekSheet, 'visits'> & { visits: PackedWeekVisit[] };
  return { ...rest, visits: visits.map(unpackWeekVisit) };
}
