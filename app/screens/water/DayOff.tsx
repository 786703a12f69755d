import { proxy, wrap } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import {
  InputError,
  losing,
  planIsolation,
  type Span,
  type WaterNetwork,
  type WindowJob,
  type WindowsAnswer,
  wetPlaces,
} from '../../../core/index.ts';
import type { OwnMinutes, PremisesBook } from '../../../record/index.ts';
import { dayWords } from '../../ui/words.ts';
import { clock, jobsOf, minutesOf, quietOf } from './day-jobs.ts';
import type { WindowsWorker } from './windows.worker.ts';

interface Props {
  book: PremisesBook;
  net: WaterNetwork;
  nameOf: (id: string) => string;
  today: string;
  own: OwnMinutes;
}

/** The visits of one day joined: when the water is off, at which valves, and for whom. */
export function DayOff({ book, net, nameOf, today, own }: Props) {
  const days = [...new Set(book.visits.filter((v) => v.cancelled === null && v.onDate >= today).map((v) => v.onDate))].sort();
  const [day, setDay] = useState(days[0] ?? today);
  const [from, setFrom] = useState('07:00');
  const [to, setTo] = useState('18:00');
  const visits = useMemo(() => book.visits.filter((v) => v.onDate === day && v.cancelled === null), [book, day]);
  const { jobs, undrawn } = useMemo(() => jobsOf(visits, book, own), [visits, book, own]);
  // Work that leaves nobody else dry wants no hour of its own.
  const [alone, together] = useMemo(() => {
    const plans = jobs.map((job) => ({ job, plan: planIsolation(net, { workOn: job.workOn }) }));
    const isAlone = ({ plan }: (typeof plans)[number]) => plan.possible && losing(net, plan).length === 0;
    return [plans.filter(isAlone).map((p) => p.job), plans.filter((p) => !isAlone(p)).map((p) => p.job)];
  }, [net, jobs]);
  const before = useMemo(() => wetPlaces(net, []), [net]);
  const quiet = useMemo(() => quietOf(book.premises.quiet), [book]);
  const span = useMemo(() => ({ from: minutesOf(from), to: minutesOf(to) }), [from, to]);
  const { answer, part, wrong } = useJoined(net, together, span, quiet);
  const title = (id: string) => visits.find((v) => v.id === id)?.title ?? id;
  const withoutWater = (dry: readonly string[]) => {
    const gone = dry.filter((id) => before.has(id));
    return gone.length === 0 ? 'Nobody else is without water.' : `Without water: ${gone.map(nameOf).join(', ')}.`;
  };
  if (days.length === 0) return <p className="text-lg">No visit is booked here from today on.</p>;
  return (
    <section aria-label="A day’s work joined" className="grid gap-3">
      <div className="grid grid-cols-2 gap-2 print:hidden">
        <label className="col-span-2 grid">
          <span className="label">Day</span>
          <select className="field" value={day} onChange={(e) => setDay(e.target.value)}>
            {days.map((d) => (
              <option key={d} value={d}>
                {dayWords(d, today)}
              </option>
            ))}
          </select>
        </label>
        <label className="grid">
          <span>Not before</span>
          <input className="field" type="time" value={from} onChange={(e) => setFrom(e.target.value)} />
        </label>
        <label className="grid">
          <span>Not after</span>
          <input className="field" type="time" value={to} onChange={(e) => setTo(e.target.value)} />
        </label>
      </div>
      {book.premises.quiet && (
        <p className="text-soft">
          Quiet hours of the house: {book.premises.quiet.from} to {book.premises.quiet.to}. No water goes off then.
        </p>
      )}
      {undrawn.length > 0 && <p className="caution">Not in the drawing, and left out: {undrawn.join(', ')}. Draw where they hang on the water.</p>}
      {part < 1 && <progress className="w-full" max={1} value={part} aria-label="Joining the work" />}
      {wrong && <p className="caution">{wrong}</p>}
      {answer && (
        <>
          <h2>
            {answer.windows.length === 0
              ? 'No water goes off'
              : answer.windows.length === 1
                ? 'Water off once'
                : `Water off ${answer.windows.length} times`}
          </h2>
          <ol className="grid gap-2">
            {answer.windows.map((w) => (
              <li key={w.from} className="border border-ink bg-sheet px-3 py-2">
                <b className="text-xl">
                  {clock(w.from)} to {clock(w.to)}
                </b>{' '}
                <span className="text-soft">{w.slowTo > w.to ? `${clock(w.slowTo)} where it goes slowly` : ''}</span>
                <p>{w.jobs.map(title).join(', ')}</p>
                <p>
                  Close {w.close.map(nameOf).join(', ')}. {withoutWater(w.dry)}
                </p>
              </li>
            ))}
          </ol>
          {alone.length > 0 && (
            <p>At any hour, each behind its own stops and nobody else without water: {alone.map((j) => title(j.id)).join(', ')}.</p>
          )}
          {answer.left.map((l) => (
            <p key={l.id} className="caution">
              {title(l.id)}:{' '}
              {l.why === 'no-plan'
                ? 'no valve keeps the water from it: the water company is wanted.'
                : 'does not fit into this day with time for the slow case.'}
            </p>
          ))}
        </>
      )}
    </section>
  );
}

/** Worked out beside the page; what is asked meanwhile takes its place. */
function useJoined(net: WaterNetwork, jobs: WindowJob[], day: Span, quiet: Span[]): { answer: WindowsAnswer | null; part: number; wrong: string } {
  const [state, setState] = useState<{ answer: WindowsAnswer | null; part: number; wrong: string }>({ answer: null, part: 0, wrong: '' });
  useEffect(() => {
    const thread = new Worker(new URL('./windows.worker.ts', import.meta.url), { type: 'module' });
    let isOver = false;
    const tell = (to: Partial<typeof state>) => !isOver && setState((now) => ({ ...now, ...to }));
    tell({ part: 0, wrong: '' });
    wrap<WindowsWorker>(thread)
      .join(
        net,
        jobs,
        day,
        quiet,
        proxy((part) => tell({ part })),
      )
      .then((answer) => tell({ answer, part: 1 }))
      .catch((error) => tell({ answer: null, part: 1, wrong: error instanceof InputError ? error.message : 'It could not be worked out.' }));
    return () => {
      isOver = true;
      thread.terminate();
    };
  }, [net, jobs, day, quiet]);
  return state;
}
