/** Days in the browser: as the server gave them, and as the device's store has them once something changes or there is no connection. */
import { useEffect, useState } from 'react';
import { type DayVisit, dayVisitOf, headOf, runRowsOf, type Waiting, waitingOf } from '../../../record/index.ts';
import type { DeviceFacts } from '../../../sync/device.ts';
import { sync } from '../../../sync/run.ts';
import type { ClientCatalogue } from '../held/index.ts';

export interface HeldDays {
  visits: DayVisit[];
  /** What is open at the premises of these visits, and which premises those are. */
  waiting: Waiting[];
  premisesIds: Set<string>;
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
      const days = await heldVisits(catalogue, from, to).catch(() => ({ visits: [], waiting: [], premisesIds: new Set<string>(), span: null }));
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
  const books = await store.books({ from, to }, begun);
  const wanted = books.flatMap((book) =>
    book.visits.filter((v) => (v.onDate >= from && v.onDate <= to) || begun.has(v.id)).map((visit) => ({ book, visit })),
  );
  const listed = books.flatMap((book) =>
    book.visits.filter((v) => v.cancelled === null).flatMap((v) => v.runs.map((r) => ({ ...r, onDate: v.onDate }))),
  );
  const again = listed.filter((r) => r.recheckOf !== null && r.removed === null);
  const signed = new Map(await Promise.all([...new Set(again.map((r) => r.recheckOf!))].map(async (id) => [id, await store.entriesOf(id)] as const)));
  const rechecks = {
    entriesOf: (id: string) => signed.get(id),
    bookedOn: (visitId: string, runId: string) => again.findLast((r) => r.recheckOf === visitId && r.runId === runId)?.onDate,
  };
  const visits = await Promise.all(
    wanted.map(async ({ book, visit }) => {
      const entries = begun.has(visit.id) ? await store.entriesOf(visit.id) : [];
      return dayVisitOf({ visit: headOf(book, visit), runs: runRowsOf(book, visit), entries }, catalogue, rechecks);
    }),
  );
  return {
    visits: visits.sort((a, b) => (hourOf(a) < hourOf(b) ? -1 : 1)),
    waiting: books.flatMap(waitingOf),
    premisesIds: new Set(books.map((b) => b.premises.id)),
    span: kit,
  };
}

const hourOf = ({ visit }: DayVisit): string => `${visit.onDate} ${visit.startsAt} ${visit.id}`;
