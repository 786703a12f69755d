import { useEffect, useState } from 'react';
import { type TakeAlong, takeAlong, workKind } from '../../../core/index.ts';
import { alongCard, contextOf, headOf, readRun, runRowsOf } from '../../../record/index.ts';
import { sync } from '../../../sync/run.ts';
import { AlongList } from '../../ui/chains/index.ts';
import type { ClientCatalogue } from '../../ui/held/index.ts';

interface DayList {
  along: TakeAlong;
  /** Runs for whose joints nothing is chosen yet. */
  unchosen: string[];
  runs: number;
}

/** What to have along for all visits of a day, merged: a wrench that three of them use is loaded once. */
export default function DayAlong({ day, catalogue }: { day: string; catalogue: ClientCatalogue | null }) {
  const [list, setList] = useState<DayList | null>(null);
  const [fault, setFault] = useState(false);
  useEffect(() => {
    if (!catalogue) return;
    const read = () =>
      dayList(day, catalogue)
        .then(setList)
        .catch(() => setFault(true));
    read();
    return sync.subscribe(read);
  }, [day, catalogue]);
  return (
    <section aria-label="To have along for the day" className="mt-2">
      <p className="flex flex-wrap gap-3 print:hidden">
        <a className="key" href={`/?day=${day}`}>
          Back to the day
        </a>
        <button type="button" className="key key-main" onClick={() => print()}>
          Print
        </button>
      </p>
      {fault && <p className="caution mt-3">This device's own store does not open: the list of each visit stands on its work card.</p>}
      {!fault && list === null && <p className="mt-3">Reading the day's visits</p>}
      {list && list.runs === 0 && <p className="mt-3">No work is planned on this day, or this device does not carry it.</p>}
      {list && list.runs > 0 && (
        <>
          <AlongList along={list.along} day={day} />
          {list.unchosen.length > 0 && (
            <p className="caution mt-3">
              No chain is chosen yet for {list.unchosen.join(', ')}: the tools of their joints come with it; what to load for them stands on the day,
              under what the van lacks.
            </p>
          )}
        </>
      )}
    </section>
  );
}

async function dayList(day: string, catalogue: ClientCatalogue): Promise<DayList> {
  const store = await sync.device();
  const books = await store.books({ from: day, to: day }, new Set());
  const visits = books.flatMap((book) => book.visits.filter((v) => v.onDate === day && v.cancelled === null).map((visit) => ({ book, visit })));
  const perVisit = await Promise.all(
    visits.map(async ({ book, visit }) => {
      const entries = await store.entriesOf(visit.id);
      return runRowsOf(book, visit).flatMap((run) => {
        if (run.removed !== null || run.recheckOf !== null) return [];
        const own = entries.filter((e) => e.runId === run.id);
        const { state } = readRun(run, own, catalogue);
        if (!state || state.signedOff || state.offList !== null) return [];
        const steps = alongCard(contextOf(run, catalogue), state);
        return [{ run: `${headOf(book, visit).title}: ${run.name}`, steps, isUnchosen: !state.hasCard && workKind(run.work).joins }];
      });
    }),
  );
  const runs = perVisit.flat();
  return { along: takeAlong(runs), unchosen: runs.filter((r) => r.isUnchosen).map((r) => r.run), runs: runs.length };
}
