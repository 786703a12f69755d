import { DndContext, type DragEndEvent, MouseSensor, TouchSensor, useSensor, useSensors } from '@dnd-kit/core';
import { useEffect, useMemo, useState } from 'react';
import { addDays, few, mondayOf, movedBy, unpackWeek, type WeekSheet, type WeekVisit, weekSheetOf } from '../../../record/index.ts';
import { localToday } from '../../../sync/run.ts';
import { say, saying } from '../../ui/book/index.ts';
import { useHeldVisits } from '../../ui/day/index.ts';
import { useCatalogue } from '../../ui/held/index.ts';
import { useKeys } from '../../ui/keys/index.ts';
import { useAddress } from '../../ui/use-address.ts';
import { dayWords } from '../../ui/words.ts';
import { DayList } from './DayList.tsx';
import { Leaf } from './Leaf.tsx';
import { LEAF } from './room.ts';

interface Props {
  /** A week's sheet, packed. */
  packed: string;
  today: string;
  address: Record<string, string>;
}

const DAY = /^\d{4}-\d\d-\d\d$/;
const headFormat = new Intl.DateTimeFormat('en', { day: 'numeric', month: 'long', timeZone: 'UTC' });

/** The week as seven leaves of a rule: moved by drag or by keys, what runs into what said in words, what waits for a day beside. */
export default function Week({ packed, today: made, address }: Props) {
  const initial = useMemo(() => unpackWeek(packed), [packed]);
  const isAtHand = useAtHand();
  const asked = useAddress(address).day;
  const catalogue = useCatalogue();
  const today = typeof window === 'undefined' || made >= localToday() ? made : localToday();
  const monday = mondayOf(asked && DAY.test(asked) ? asked : today);
  const sunday = addDays(monday, 6);
  const held = useHeldVisits(catalogue, monday, sunday);
  const sheet = useMemo(() => {
    // The device carries no week gone by: the server's own stands for its days, and what was changed here for the others.
    if (!held?.span || !catalogue) return initial.monday === monday ? initial : null;
    const own = weekSheetOf(monday, held.visits, initial.waiting, catalogue.places, new Date());
    if (initial.monday !== monday) return own;
    const ids = new Set(held.visits.map((v) => v.visit.id));
    return { ...own, visits: [...initial.visits.filter((v) => !ids.has(v.id)), ...own.visits] };
  }, [held, catalogue, monday, initial]);
  const [picked, setPicked] = useState<string | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
  );
  const move = (v: WeekVisit, days: number, minutes: number) => {
    const body = { onDate: addDays(v.onDate, days), startsAt: minutes === 0 ? v.startsAt : movedBy(v.startsAt, minutes) };
    if (body.onDate === v.onDate && body.startsAt === v.startsAt) return;
    say([saying('visit', v.id, 'changed', body)], `${v.title} moved to ${body.onDate} ${body.startsAt}`);
  };
  const onDragEnd = ({ active, over, delta }: DragEndEvent) => {
    const v = sheet?.visits.find((one) => one.id === active.id);
    if (!v || !over) return;
    const width = over.rect.width || 1;
    const days = (Date.parse(String(over.id)) - Date.parse(v.onDate)) / 86_400_000;
    move(v, days, (delta.x / width) * LEAF.minutes);
  };
  useKeys({ t: () => location.assign('/week') });
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        <h1>Week of {headFormat.format(new Date(`${monday}T00:00:00Z`))}</h1>
        <nav aria-label="Weeks" className="ml-auto flex flex-wrap gap-2">
          <a className="key" href={`/week?day=${addDays(monday, -7)}`} aria-label="Week before">
            ‹
          </a>
          <a className="key" href="/week">
            This week <kbd className="max-md:hidden">t</kbd>
          </a>
          <a className="key" href={`/week?day=${addDays(monday, 7)}`} aria-label="Week after">
            ›
          </a>
          <a className="key key-main" href="/call">
            Take a call <kbd className="max-md:hidden">c</kbd>
          </a>
        </nav>
      </div>
      {sheet ? (
        <div className="mt-3 grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_18rem]">
          <DndContext id="week" sensors={sensors} onDragEnd={onDragEnd}>
            <ol className="grid gap-1">
              {Array.from({ length: 7 }, (_, i) => addDays(monday, i)).map((day) => {
                const visits = sheet.visits.filter((v) => v.onDate === day);
                return (
                  <li key={day}>
                    <div className="max-md:hidden">
                      <Leaf {...{ day, today, visits, picked, move, isAtHand }} onPick={setPicked} />
                    </div>
                    <div className="md:hidden">
                      <DayList {...{ day, today, visits, move, isAtHand }} />
                    </div>
                  </li>
                );
              })}
            </ol>
          </DndContext>
          <Beside sheet={sheet} today={today} />
        </div>
      ) : (
        <p className="mt-4 border border-rule bg-sheet p-4">This week is not kept on this device. It wants the connection.</p>
      )}
    </>
  );
}

/** The page's program is there: before that the week is read, and nothing of it can be moved. */
function useAtHand(): boolean {
  const [is, setIs] = useState(false);
  useEffect(() => setIs(true), []);
  return is;
}

function Beside({ sheet, today }: { sheet: WeekSheet; today: string }) {
  const rechecks = sheet.rechecks.filter((r) => r.bookedOn === null);
  const lacks = new Map<string, { name: string; titles: string[] }>();
  for (const { title, lacks: own } of sheet.visits) {
    for (const { item, name } of own) lacks.set(item, { name, titles: [...(lacks.get(item)?.titles ?? []), title] });
  }
  return (
    <aside className="grid content-start gap-5">
      <section aria-label="Waiting for a day">
        <h2 className="border-b border-ink pb-1">Waiting for a day</h2>
        {sheet.waiting.length + rechecks.length === 0 && <p className="py-2">Nothing waits.</p>}
        <ul>
          {sheet.waiting.map((w) => (
            <li key={w.id} className="border-b border-faint py-2">
              <b>{w.text}</b>
              <span className="block text-soft">
                {w.premises}
                {w.dueOn && `, by ${dayWords(w.dueOn, today)}`}
              </span>
              <a className="inline-flex min-h-11 items-center" href={`/call?premises=${w.premisesId}`}>
                Give it a day
              </a>
            </li>
          ))}
          {rechecks.slice(0, 6).map((r) => (
            <li key={r.visitId + r.runId} className="border-b border-faint py-2">
              <a className="inline-flex min-h-11 items-center" href={`/visits/${r.visitId}?run=${r.runId}&stage=prove`}>
                Recheck: {r.run}
              </a>
              <span className="block text-soft">
                {r.place}, {r.premises}
              </span>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="This week lacks">
        <h2 className="border-b border-ink pb-1">This week lacks</h2>
        {lacks.size === 0 && <p className="py-2">Nothing: every accepted chain is on the van.</p>}
        <ul>
          {[...lacks].map(([item, { name, titles }]) => (
            <li key={item} className="border-b border-faint py-2">
              ▲ {name}
              <span className="block text-soft">{few(titles)}</span>
            </li>
          ))}
        </ul>
      </section>
    </aside>
  );
}
