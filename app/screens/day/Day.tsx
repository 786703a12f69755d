import { useMemo, useState } from 'react';
import { addDays, type DayRun, type DaySheet, daySheetOf, few, pressReason, STAGES, standWords, unpackDay } from '../../../record/index.ts';
import { newEntry } from '../../../sync/entry.ts';
import { localToday, sync } from '../../../sync/run.ts';
import { useHeldVisits } from '../../ui/day/index.ts';
import { fetched } from '../../ui/form/index.ts';
import { noteNewPress, useCatalogue } from '../../ui/held/index.ts';
import { pipOf } from '../../ui/pips.ts';
import { useAddress } from '../../ui/use-address.ts';
import { hoursWords } from '../../ui/words.ts';
import { FollowUps, Rechecks, Shortages } from './Beside.tsx';
import { Import } from './Import.tsx';
import { LeakReported } from './LeakReported.tsx';

interface Props {
  /** A day's sheet, packed. */
  packed: string;
  /** Nothing is written down in this shop yet. */
  isNew: boolean;
  /** The shop's day when the page was made. */
  today: string;
  address: Record<string, string>;
}

const DayAlong = fetched('What to have along', () => import('./DayAlong.tsx'));
const FirstRun = fetched('The beginning', () => import('./FirstRun.tsx'));

const DAY = /^\d{4}-\d\d-\d\d$/;

const longDay = new Intl.DateTimeFormat('en', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' });
const long = (d: string) => longDay.format(new Date(`${d}T00:00:00Z`));

const word = ({ summary, recheckOf }: DayRun) => {
  if (recheckOf) return summary.recheck === 'due' ? 'to be looked at again' : `looked at again: ${summary.recheck}`;
  return standWords(summary);
};

/** The day's visits, what the van lacks for them, which connections are to be looked at again. */
export default function Day({ packed, isNew, today: made, address }: Props) {
  const initial = useMemo(() => unpackDay(packed), [packed]);
  const asked = useAddress(address);
  const catalogue = useCatalogue();

  const [loadedOn] = useState(() => made);
  const today = typeof window === 'undefined' || loadedOn >= localToday() ? loadedOn : localToday();
  const day = asked.day && DAY.test(asked.day) ? asked.day : today;
  const held = useHeldVisits(catalogue, day, day);
  const holds = held?.span != null && day >= held.span.from && day <= held.span.to;
  const sheet = useMemo(() => {
    if (holds && held && catalogue) {
      // What is due elsewhere only the server knows.
      const elsewhere = day === initial.day ? initial.followUps.filter((f) => !held.premisesIds.has(f.premisesId)) : [];
      return daySheetOf(day, held.visits, catalogue.places, new Date(), [...held.waiting, ...elsewhere]);
    }
    return day === initial.day ? initial : null;
  }, [holds, held, catalogue, day, initial]);
  const begins = isNew && sheet?.visits.length === 0;
  const nameOf = (d: string) => (d === today ? 'Today' : d === addDays(today, 1) ? 'Tomorrow' : d === addDays(today, -1) ? 'Yesterday' : '');
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        <h1>
          {nameOf(day) && <span>{nameOf(day)}, </span>}
          {long(day)}
        </h1>
        <nav aria-label="Days" className="ml-auto flex gap-2">
          <a className="key" href={`/?day=${addDays(day, -1)}`}>
            Day before
          </a>
          {day !== today && (
            <a className="key" href="/">
              Today
            </a>
          )}
          <a className="key" href={`/?day=${addDays(day, 1)}`}>
            Day after
          </a>
          <a className="key" href={`/week?day=${day}`}>
            Week
          </a>
        </nav>
      </div>
      {!begins && asked.along === undefined && (
        <p className="mt-3 flex flex-wrap gap-3 print:hidden">
          <a className="key key-main" href="/call">
            Take a call <kbd className="max-md:hidden">c</kbd>
          </a>
          <a className="key" href="/start">
            Start work here
          </a>
          {sheet && sheet.visits.length > 0 && (
            <a className="key" href={`/?day=${day}&along`}>
              To have along
            </a>
          )}
        </p>
      )}
      {asked.along !== undefined ? (
        <DayAlong day={day} catalogue={catalogue} />
      ) : sheet ? (
        <div className="mt-4 grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
          {begins ? <FirstRun /> : <Visits sheet={sheet} marked={asked.visit ?? null} isToday={day === today} />}
          <aside className="grid grid-cols-[minmax(0,1fr)] content-start gap-6">
            <Shortages sheet={sheet} />
            <Rechecks sheet={sheet} today={today} />
            <FollowUps sheet={sheet} today={today} />
            <LeakReported />
            <Import />
          </aside>
        </div>
      ) : (
        <p className="mt-4 border border-rule bg-sheet p-4">
          This day is not kept on this device{held?.span ? `, which carries ${held.span.from} to ${held.span.to}` : ''}. It wants the connection.
        </p>
      )}
    </>
  );
}

/** @param marked a visit that was just booked */
function Visits({ sheet, marked, isToday }: { sheet: DaySheet; marked: string | null; isToday: boolean }) {
  const titleOf = (id: string) => sheet.visits.find((v) => v.visit.id === id)?.visit.title ?? 'another';
  return (
    <section aria-label="Visits">
      {sheet.visits.length === 0 && <NoVisits isToday={isToday} />}
      <ol>
        {sheet.visits.map(({ visit, places, runs, short, off, status, overlaps, span }) => (
          <li key={visit.id} className="grid grid-cols-[4.5rem_minmax(0,1fr)] gap-3 md:grid-cols-[5.5rem_minmax(0,1fr)]">
            <div className="border-r-2 border-ink pt-3 pr-3 text-right font-head text-2xl font-semibold">
              {visit.startsAt}
              <span className="block font-text text-base font-normal text-soft">{hoursWords(span.minutes)}</span>
            </div>
            <article className={`mb-4 border bg-sheet ${visit.id === marked ? 'border-2 border-brass-deep' : 'border-ink'}`}>
              <div className="flex flex-wrap items-stretch border-b border-rule">
                <a
                  href={`/visits/${visit.id}`}
                  className="flex min-h-14 min-w-0 flex-1 basis-60 flex-wrap items-baseline gap-x-3 px-4 py-2 no-underline wrap-anywhere hover:bg-brass-light"
                >
                  <h2 className={status === 'cancelled' ? 'line-through' : ''}>{visit.title}</h2>
                  <span>{status}</span>
                  <span className="text-soft">{places.filter((p) => p !== visit.title).join(', ')}</span>
                  {short > 0 && (
                    <b className="ml-auto">
                      {short} {short === 1 ? 'run' : 'runs'} short on the van
                    </b>
                  )}
                </a>
                <a className="inline-flex min-h-11 min-w-0 items-center px-3 text-soft wrap-anywhere" href={`/premises/${visit.premises.id}`}>
                  {visit.premises.name}
                </a>
                <a className="inline-flex min-h-11 items-center px-3 text-soft print:hidden" href={`/visits/${visit.id}?plan`}>
                  Move<span className="sr-only"> {visit.title}, or change its list</span>
                </a>
              </div>
              {visit.cancelled !== null && <p className="px-4 pt-2">Cancelled: {visit.cancelled}</p>}
              {overlaps.length > 0 && <p className="px-4 pt-2 font-bold">▲ Runs into {few(overlaps.map(titleOf))}</p>}
              {visit.note && <p className="px-4 pt-2">{visit.note}</p>}
              <ul className="grid grid-cols-[minmax(0,1fr)] md:grid-cols-2">
                {runs.map((run) => (
                  <li key={run.id}>
                    <RunLink visitId={visit.id} run={run} />
                  </li>
                ))}
              </ul>
              {off.length > 0 && (
                <p className="border-t border-rule px-4 py-2 text-soft">
                  Off the list: {off.map((run) => `${run.name} (${run.summary.offList})`).join(', ')}
                </p>
              )}
            </article>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** '45 min', '2 h 15' */

/** A day without visits is a beginning: how one comes to be. */
function NoVisits({ isToday }: { isToday: boolean }) {
  return (
    <div className="border border-rule bg-sheet p-4">
      <h2>{isToday ? 'No visits today' : 'No visits on this day'}</h2>
      <ul className="mt-2 grid gap-1">
        <li>
          <a href="/call">Take a call</a>: who, what, when, as it is told on the telephone.
        </li>
        <li>
          <a href="/start">Start work here</a>: where you stand, in four presses; names can come later.
        </li>
        <li>
          A visit or <a href="/parts">parts</a> come in as files too.
        </li>
      </ul>
    </div>
  );
}

function RunLink({ visitId, run }: { visitId: string; run: DayRun }) {
  const { summary } = run;
  const loud = summary.finding !== null || summary.unreadable !== null || summary.conflicts > 0;
  return (
    <>
      <a
        href={run.recheckOf ? `/visits/${run.recheckOf}?run=${run.id}&stage=prove` : `/visits/${visitId}?run=${run.id}`}
        className="grid min-h-16 grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3 px-4 py-2 no-underline hover:bg-brass-light"
      >
        <span className="font-head text-xl font-semibold">{run.name}</span>
        <span className={loud ? 'font-bold' : ''}>
          {loud && <span aria-hidden="true">▲ </span>}
          {word(run)}
        </span>
        <span className="col-span-2 grid grid-cols-6 gap-1" aria-hidden="true">
          {STAGES.map((stage) => (
            <span key={stage} className={`h-1.5 ${pip(run, stage)}`} />
          ))}
        </span>
      </a>
      {summary.unreadable && (
        <p className="flex flex-wrap items-center gap-3 px-4 pb-2">
          <span className="caution">{summary.unreadable}</span>
          <button type="button" className="key" onClick={() => takeOff(visitId, run.id)}>
            Take it off the list
          </button>
        </p>
      )}
    </>
  );
}

const LETTERS = { o: 'open', d: 'done', s: 'skipped' } as const;

function pip({ summary: { stage, stages, unreadable } }: DayRun, of: (typeof STAGES)[number]): string {
  if (unreadable) return 'bg-faint';
  return pipOf(LETTERS[stages[STAGES.indexOf(of)] as keyof typeof LETTERS], of === stage);
}

/** What is recorded on it stays; the visit's page puts it back. */
function takeOff(visitId: string, runId: string): void {
  sync
    .keep((deviceId) => [newEntry({ deviceId, visitId, runId }, 'listed', { on: false, reason: pressReason('cannot-be-read') })])
    .then(([kept]) => noteNewPress({ entries: [{ id: kept!.entry.id, visitId, runId }], words: 'Taken off the list', isBack: false }))
    .catch(() => {
      // Said on the strip.
    });
}
