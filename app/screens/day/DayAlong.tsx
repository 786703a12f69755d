import { useEffect, useState } from 'react';
import { sync } from '../../../sync/run.ts';
import { AlongList } from '../../ui/chains/index.ts';
import type { ClientCatalogue } from '../../ui/held/index.ts';
import { type DayList, dayList } from './day-list.ts';

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
