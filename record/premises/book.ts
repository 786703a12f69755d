/** A premises with all that stands and happens there, as its entries have it: the same on the server and on a device. */
import type { BookEntry, SubjectKind } from '../book/entry.ts';
import { type FieldConflict, standingOf } from '../book/fold.ts';
import type { States } from '../book/states.ts';
import type { Entry } from '../kinds.ts';
import type { RunRow, VisitHead, VisitSheet } from '../visit/sheet.ts';
import type { FollowUp, Visit } from '../visit/states.ts';
import type { Appliance, Place, Premises, Run } from './states.ts';

export interface PremisesBook {
  premises: Premises;
  places: Place[];
  appliances: Appliance[];
  runs: Run[];
  /** As many as the reader holds. */
  visits: Visit[];
  followUps: FollowUp[];
  conflicts: (FieldConflict & { subjectId: string })[];
}

/**
 * @param id      of the premises
 * @param entries of the premises and of what belongs to it; what belongs to others is left out
 * @returns null where the premises was never made, or was taken back
 */
export function premisesBook(id: string, entries: readonly BookEntry[]): PremisesBook | null {
  const bySubject = new Map<string, BookEntry[]>();
  for (const entry of entries) {
    const list = bySubject.get(entry.subject.id);
    if (list) list.push(entry);
    else bySubject.set(entry.subject.id, [entry]);
  }
  const conflicts: PremisesBook['conflicts'] = [];
  const all = <K extends SubjectKind>(kind: K): States[K][] =>
    [...bySubject].flatMap(([subjectId, said]) => {
      if (said[0]!.subject.kind !== kind) return [];
      const { state, conflicts: two } = standingOf(kind, subjectId, said);
      conflicts.push(...two.map((c) => ({ ...c, subjectId })));
      return state ? [state] : [];
    });
  const premises = all('premises').find((p) => p.id === id);
  if (!premises) return null;
  const here = <T extends { premisesId: string }>(list: T[]): T[] => list.filter((one) => one.premisesId === id);
  const appliances = here(all('appliance'));
  const ofAppliance = new Set(appliances.map((a) => a.id));
  return {
    premises,
    places: here(all('place')).sort(byName),
    appliances: appliances.sort(byName),
    runs: all('run')
      .filter((r) => ofAppliance.has(r.applianceId))
      .sort(byName),
    visits: here(all('visit')).sort((a, b) => (hourOf(a) < hourOf(b) ? -1 : 1)),
    followUps: here(all('follow-up')),
    conflicts,
  };
}

const byName = (a: { name: string; id: string }, b: { name: string; id: string }): number =>
  a.name === b.name ? (a.id < b.id ? -1 : 1) : a.name < b.name ? -1 : 1;

const hourOf = (v: Visit): string => `${v.onDate} ${v.startsAt} ${v.id}`;

/** The other side of what is fed hot and cold: where one is worked on, both go off. */
export const otherSides = ({ runs }: Pick<PremisesBook, 'runs'>, runId: string): Run[] => {
  const own = runs.find((r) => r.id === runId);
  return runs.filter((r) => own !== undefined && r.applianceId === own.applianceId && r.water !== own.water && r.retired === null);
};

export function headOf({ premises: p }: PremisesBook, v: Visit): VisitHead {
  return {
    id: v.id,
    title: v.title,
    onDate: v.onDate,
    startsAt: v.startsAt,
    minutes: v.minutes,
    note: v.note,
    vanId: v.vanId,
    cancelled: v.cancelled,
    arrivedMs: v.arrivedMs,
    leftMs: v.leftMs,
    premises: { id: p.id, name: p.name, timeZone: p.timeZone, address: p.address },
  };
}

/** The runs of a visit, in its order. */
export function runRowsOf(book: PremisesBook, visit: Visit): RunRow[] {
  return visit.runs.flatMap(({ runId, work, told, recheckOf, removed }) => {
    const run = book.runs.find((r) => r.id === runId);
    const appliance = run && book.appliances.find((a) => a.id === run.applianceId);
    if (!run || !appliance) return [];
    const place = book.places.find((p) => p.id === appliance.placeId);
    const checkPoints = [...run.checkPoints].sort((a, b) => (a.id < b.id ? -1 : 1));
    return [
      {
        id: run.id,
        name: run.name,
        water: run.water,
        applianceKind: appliance.kind,
        applianceName: appliance.name,
        place: place?.name ?? '',
        checkPoints,
        work,
        told,
        recheckOf,
        removed,
      },
    ];
  });
}

/** A visit as a page shows it; null where the book has none of that id. */
export function sheetFrom(book: PremisesBook, visitId: string, entries: Entry[]): VisitSheet | null {
  const visit = book.visits.find((v) => v.id === visitId);
  if (!visit) return null;
  return { visit: headOf(book, visit), runs: runRowsOf(book, visit), entries, gathered: visit.gathered, mainValve: book.premises.mainValve };
}
