import { useEffect, useState } from 'react';
import { type Along, type TakeAlong, textIn } from '../../../core/index.ts';
import { few } from '../../../record/index.ts';
import { useUnits } from '../units/index.ts';
import { hoursWords } from '../words.ts';
import { readList, usesOf } from './along-list.ts';

/** What to have along, ticked when it is loaded; what is missing is named before one leaves. */
export function AlongList({ along, day }: { along: TakeAlong; day: string }) {
  const { ticked, tick } = useTicks(day);
  const missing = [...along.tools, ...along.materials].filter((row) => !ticked.has(row.what));
  const runs = [...new Set(along.people.at.map((a) => a.run))];
  return (
    <section className="mt-4" aria-label="To have along">
      <h2>To have along</h2>
      {along.people.count > 1 && (
        <p className="caution mt-1">
          {along.people.count} people: {(runs.length > 1 ? runs : [...new Set(along.people.at.map((a) => a.step))]).join('; ')}.
        </p>
      )}
      <p className="mt-1" aria-live="polite">
        {missing.length === 0 ? (
          '✓ All of it is loaded.'
        ) : (
          <>
            ▲ Not loaded yet, {missing.length} of {along.tools.length + along.materials.length}: <b>{few(missing.map((row) => row.what))}</b>.
          </>
        )}{' '}
        The steps come to about {hoursWords(along.minutes)}.
      </p>
      <div className="grid gap-x-8 sm:grid-cols-2 print:grid-cols-[2fr_1fr]">
        <Rows title="Tools" rows={along.tools} {...{ ticked, tick }} />
        <Rows title="Materials" rows={along.materials} {...{ ticked, tick }} />
      </div>
    </section>
  );
}

function Rows({ title, rows, ticked, tick }: { title: string; rows: Along[]; ticked: ReadonlySet<string>; tick: (what: string) => void }) {
  const units = useUnits();
  if (rows.length === 0) return null;
  return (
    <section className="mt-2">
      <h3 className="text-xl">{title}</h3>
      <ul className={title === 'Tools' ? 'print:columns-2' : ''}>
        {rows.map((row) => (
          <li key={row.what} className="break-inside-avoid border-b border-rule">
            <label className="flex min-h-12 cursor-pointer items-center gap-3 py-1 print:min-h-0 print:gap-1 print:py-0 print:text-xs print:leading-tight">
              <input type="checkbox" className="size-6 shrink-0 print:size-3" checked={ticked.has(row.what)} onChange={() => tick(row.what)} />
              <span>
                <b>{row.what}</b>
                {row.sizes.length > 0 && `, ${textIn(row.sizes.join('; '), units)}`} <span className="text-soft">{usesOf(row)}</span>
              </span>
            </label>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What this device ticked for a day: packing is nobody's record, and is gone with the day. */
function useTicks(day: string) {
  const key = `along ${day}`;
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  useEffect(() => {
    for (const old of Object.keys(localStorage)) if (old.startsWith('along ') && old < key) localStorage.removeItem(old);
    setTicked(new Set(readList(localStorage.getItem(key))));
  }, [key]);
  const tick = (what: string) => {
    const next = new Set(ticked);
    if (!next.delete(what)) next.add(what);
    setTicked(next);
    try {
      localStorage.setItem(key, JSON.stringify([...next]));
    } catch {
      // Full or forbidden: the ticks last as long as the page.
    }
  };
  return { ticked, tick };
}
