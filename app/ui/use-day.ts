/** Days in the browser: as the server gave them, and as the device's store has them once something changes or there is no connection. */
import { useEffect, useState } from 'react';
import { headOf, type PremisesBook, runRowsOf } from '../../record/premises/book.ts';
import { summaryOf, UNTOUCHED } from '../../record/run/summary.ts';
import { type DayVisit, dayRunOf } from '../../record/visit/day.ts';
import { readRun } from '../../record/visit/sheet.ts';
import type { Visit } from '../../record/visit/states.ts';
import type { DeviceFacts, DeviceStore } from '../../sync/device.ts';
import { sync } from '../../sync/run.ts';
import type { ClientCatalogue } from './catalogue.ts';

export interface HeldDays {
  visits: DayVisit[];
  /** First and last day this device holds; null while it holds none. */
  span: DeviceFacts['kit'];
}

/**
 * Visits of some days that this device holds, with where their runs stand, and those before with something recorded, for their rechecks; null
 * until the store is read. Read anew whenever something changes.
 */
export function useHeldVisits(catalogue: ClientCatalogue | null, from: string, to: string): HeldDays | null {
  const [held, setHeld] = useState<HeldDays | null>(null);
  useEffect(() => {
    if (!catalogue) return;
    let turn = 0;
    const read = async () => {
      turn += 1;
      const mine = turn;
      const days = await heldVisits(catalogue, from, to).catch(() => ({ visits: [], span: null }));
      if (mine === turn) setHeld(days);
    };
    read();
    return sync.subscribe(read);
  }, [catalogue, from, to]);
  return held;
}

async function heldVisits(catalogue: ClientCatalogue, from: string, to: string): Promise<HeldDays> {
  const store = await sync.device();
  const [{ kit }, begun] = await Promise.all([store.facts(), store.visitsWithEntries()]);
  const first = kit && kit.from < from ? kit.from : from;
  const books = await store.books({ from: BEFORE_ALL, to: to > first ? to : first });
  const wanted = books.flatMap((book) =>
    book.visits.filter((v) => (v.onDate >= from && v.onDate <= to) || begun.has(v.id)).map((visit) => ({ book, visit })),
  );
  const visits = await Promise.all(wanted.map(({ book, visit }) => dayVisit(store, book, visit, begun.has(visit.id), catalogue)));
  return { visits: visits.sort((a, b) => (hourOf(a) < hourOf(b) ? -1 : 1)), span: kit };
}

const BEFORE_ALL = '1970-01-01';

async function dayVisit(store: DeviceStore, book: PremisesBook, visit: Visit, isBegun: boolean, catalogue: ClientCatalogue): Promise<DayVisit> {
  const entries = isBegun ? await store.entriesOf(visit.id) : [];
  const runs = runRowsOf(book, visit).map((run) => {
    const own = entries.filter((e) => e.runId === run.id);
    // The book's word on the list is said once, by the row.
    return dayRunOf(run, own.length === 0 ? UNTOUCHED : summaryOf(readRun({ ...run, removed: null }, own, catalogue)));
  });
  return { visit: headOf(book, visit), runs };
}

const hourOf = ({ visit }: DayVisit): string => `${visit.onDate} ${visit.startsAt} ${visit.id}`;
