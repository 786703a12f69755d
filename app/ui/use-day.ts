/** Days in the browser: as the server gave them, and as the device's store has them once something changes or there is no connection. */
import { useEffect, useState } from 'react';
import { summaryOf } from '../../record/run/summary.ts';
import { type DayVisit, dayRunOf } from '../../record/visit/day.ts';
import { readRun } from '../../record/visit/sheet.ts';
import type { DeviceFacts } from '../../sync/device.ts';
import { sync } from '../../sync/run.ts';
import type { ClientCatalogue } from './catalogue.ts';

export interface HeldDays {
  visits: DayVisit[];
  /** First and last day this device holds; null while it holds none. */
  span: DeviceFacts['kit'];
}

/** Every visit that this device holds, with where its runs stand; null until the store is read. Read anew whenever something changes. */
export function useHeldVisits(catalogue: ClientCatalogue | null): HeldDays | null {
  const [held, setHeld] = useState<HeldDays | null>(null);
  useEffect(() => {
    if (!catalogue) return;
    let turn = 0;
    const read = async () => {
      turn += 1;
      const mine = turn;
      const days = await heldVisits(catalogue).catch(() => ({ visits: [], span: null }));
      if (mine === turn) setHeld(days);
    };
    read();
    return sync.subscribe(read);
  }, [catalogue]);
  return held;
}

async function heldVisits(catalogue: ClientCatalogue): Promise<HeldDays> {
  const store = await sync.device();
  const [kept, { kit }] = await Promise.all([store.visits(), store.facts()]);
  const sheets = await Promise.all(kept.map((v) => store.visit(v.visit.id)));
  const visits = sheets
    .flatMap((sheet) => (sheet ? [sheet] : []))
    .map(({ visit, runs, entries }) => ({ visit, runs: runs.map((run) => dayRunOf(run, summaryOf(readRun(run, entries, catalogue)))) }))
    .sort((a, b) => (hourOf(a) < hourOf(b) ? -1 : 1));
  return { visits, span: kit };
}

const hourOf = ({ visit }: DayVisit): string => `${visit.onDate} ${visit.startsAt} ${visit.id}`;
