import { DndContext, type DragEndEvent, MouseSensor, TouchSensor, useSensor, useSensors } from '@dnd-kit/core';
import { useMemo, useState } from 'react';
import { addDays, type PlannedVisit } from '../../../record/visit/day.ts';
import { mondayOf, movedBy, type WeekSheet, weekSheetOf } from '../../../record/visit/week.ts';
import { localToday } from '../../../sync/run.ts';
import { say, saying } from '../../ui/book.ts';
import { useCatalogue } from '../../ui/catalogue.ts';
import { useAddress } from '../../ui/use-address.ts';
import { useHeldVisits } from '../../ui/use-day.ts';
import { useKeys } from '../../ui/use-keys.ts';
import { dayWords } from '../../ui/words.ts';
import { DayList } from './DayList.tsx';
import { LEAF, Leaf } from './Leaf.tsx';

interface Props {
  initial: WeekSheet;
  today: string;
  address: Record<string, string>;
}

const DAY = /^\d{4}-\d\d-\d\d$/;
const headFormat = new Intl.DateTimeFormat('en', { day: 'numeric', month: 'long', timeZone: 'UTC' });

/** The week as seven leaves of a rule: moved by drag or by keys, what runs into what said in words, what waits for a day beside. */
export default function Week({ initial, today: made, address }: Props) {
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
    return { ...own, visits: [...initial.visits.filter((v) => !ids.has(v.visit.id)), ...own.visits] };
  }, [held, catalogue, monday, initial]);
  const [picked, setPicked] = useState<string | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
  );
  const move = (v: PlannedVisit, days: number, minutes: number) => {
    const body = { onDate: addDays(v.visit.onDate, days), startsAt: minutes === 0 ? v.visit.startsAt : movedBy(v.visit.startsAt, minutes) };
    if (body.onDate === v.visit.onDate && body.startsAt === v.visit.startsAt) return;
    say([saying('visit', v.visit.id, 'changed', body)], `${v.visit.title} moved to ${body.onDate} ${body.startsAt}`);
  };
  const onDragEnd = ({ active, over, delta }: DragEndEvent) => {
    const v = sheet?.visits.find((one) => one.visit.id === active.id);
    if (!v || !over) return;
    const width = over.rect.width || 1;
    const days = (Date.parse(String(over.id)) - Date.parse(v.visit.onDate)) / 86_400_000;
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
                const visits = sheet.visits.filter((v) => v.visit.onDate === day);
                return (
                  <li key={day}>
                    <div className="max-md:hidden">
                      <Leaf {...{ day, today, visits, picked, move }} onPick={setPicked} />
                    </div>
                    <div className="md:hidden">
                      <DayList {...{ day, today, visits, move }} />
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

function Beside({ sheet, today }: { sheet: WeekSheet; today: string }) {
  const lacks = new Map<string, string[]>();
  for (const v of sheet.visits) for (const item of v.lacks) lacks.set(item, [...(lacks.get(item) ?? []), v.visit.title]);
  const names = new Map(
    sheet.visits.flatMap((v) => v.runs.flatMap((r) => Object.entries(r.summary.needs).map(([item, n]) => [item, n.name] as const))),
  );
  return (
    <aside className="grid content-start gap-5">
      <section aria-label="Waiting for a day">
        <h2 className="border-b border-ink pb-1">Waiting for a day</h2>
        {sheet.waiting.length + sheet.rechecks.length === 0 && <p className="py-2">Nothing waits.</p>}
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
          {sheet.rechecks.slice(0, 6).map((r) => (
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
          {[...lacks].map(([item, titles]) => (
            <li key={item} className="border-b border-faint py-2">
              ▲ {names.get(item) ?? item}
              <span className="block text-soft">{titles.join(', ')}</span>
            </li>
          ))}
        </ul>
      </section>
    </aside>
  );
}
