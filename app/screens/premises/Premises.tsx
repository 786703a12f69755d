import { useEffect, useState } from 'react';
import { workKind } from '../../../core/index.ts';
import type { PremisesBook } from '../../../record/index.ts';
import { pressReason } from '../../../record/index.ts';
import type { LastState } from '../../../store/queries/index.ts';
import { type ApplianceRow, say, saying } from '../../ui/book/index.ts';
import { usePremises } from '../../ui/held/index.ts';
import { dayWords } from '../../ui/words.ts';
import { Details } from './Details.tsx';
import { FollowUps } from './FollowUps.tsx';
import { History } from './History.tsx';
import { Standing } from './Standing.tsx';

export interface Whole {
  book: PremisesBook;
  last: LastState[];
}

interface Props {
  /** null on a page that was kept for use without a connection. */
  initial: Whole | null;
  /** The server has none of this id: a device may have made it and not sent it yet. */
  isUnknown: boolean;
  today: string;
  appliances: ApplianceRow[];
}

/** A premises: what stands where, what happened there, what is open. */
export default function Premises({ initial, isUnknown, today, appliances }: Props) {
  const [id, setId] = useState<string | null>(initial?.book.premises.id ?? null);
  useEffect(() => {
    setId((known) => known ?? /^\/premises\/([0-9a-f-]{36})/.exec(location.pathname)?.[1] ?? null);
    setAsked(true);
  }, []);
  const [isAsked, setAsked] = useState(initial !== null);
  const { book, last, isLastKnown, isRead } = usePremises(id, initial);
  if (!book) {
    return isRead || (isAsked && id === null) ? (
      <div>
        <h1>{isUnknown ? 'No such premises' : 'Not on this device'}</h1>
        <p className="mt-3">
          {isUnknown
            ? 'There are none at this address, on the server or on this device.'
            : 'It carries the premises of its next visits and those that were opened on it. This one wants the connection.'}{' '}
          <a href="/premises">All places.</a>
        </p>
      </div>
    ) : (
      <h1>Reading what this device holds ...</h1>
    );
  }
  const { premises } = book;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-5">
        <div className="flex flex-wrap items-center gap-3">
          <h1>{premises.name}</h1>
          <span className="ml-auto flex flex-wrap gap-3 print:hidden">
            <a className="key key-main" href={`/call?premises=${premises.id}`}>
              Book a visit
            </a>
            <a className="key" href={`/water?premises=${premises.id}`}>
              Water
            </a>
            <a className="key" href={`/start?premises=${premises.id}`}>
              Start work here
            </a>
          </span>
        </div>
        {premises.retired !== null && (
          <p className="caution flex flex-wrap items-center gap-3">
            Retired: {premises.retired}
            <button
              type="button"
              className="key"
              onClick={() =>
                say([saying('premises', premises.id, 'restored', { reason: pressReason('in-use-again') })], `${premises.name} brought back`)
              }
            >
              Bring it back
            </button>
          </p>
        )}
        <Conflicts book={book} />
        <Standing {...{ book, today, appliances }} last={isLastKnown ? last : null} />
        <Visits {...{ book, today }} />
        <p className="print:hidden">
          <a className="inline-flex min-h-12 items-center" href={`/ledger?premises=${premises.id}`}>
            Connections made here, in the ledger
          </a>{' '}
          <a className="ml-4 inline-flex min-h-12 items-center" href={`/timeline/${premises.id}`}>
            Through the years
          </a>{' '}
          <a className="ml-4 inline-flex min-h-12 items-center" href={`/due?premises=${premises.id}&ahead=365`}>
            What is due here
          </a>
        </p>
        <History id={premises.id} book={book} />
      </div>
      <aside className="grid content-start gap-6">
        <FollowUps book={book} today={today} />
        <Details book={book} />
      </aside>
    </div>
  );
}

/** Two devices said something else of the same thing without knowing of each other: both are shown, and one press settles it. */
function Conflicts({ book }: { book: PremisesBook }) {
  if (book.conflicts.length === 0) return null;
  const all = [book.premises, ...book.places, ...book.appliances, ...book.runs, ...book.visits, ...book.followUps];
  const kindOf = (id: string) =>
    id === book.premises.id
      ? 'premises'
      : book.places.some((p) => p.id === id)
        ? 'place'
        : book.appliances.some((a) => a.id === id)
          ? 'appliance'
          : book.runs.some((r) => r.id === id)
            ? 'run'
            : book.visits.some((v) => v.id === id)
              ? 'visit'
              : 'follow-up';
  const words = (value: unknown) => (value === null || value === '' ? 'nothing' : typeof value === 'object' ? JSON.stringify(value) : String(value));
  return (
    <section aria-label="Said twice" className="border-2 border-ink p-3">
      <h2>Two devices said this, neither knowing of the other</h2>
      <ul>
        {book.conflicts.map((c) => {
          const subject = all.find((one) => one.id === c.subjectId);
          const name = subject && ('name' in subject ? subject.name : 'title' in subject ? subject.title : subject.text);
          const settle = (value: unknown) =>
            say([saying(kindOf(c.subjectId), c.subjectId, 'changed', { [c.field]: value })], `${c.field}: ${words(value)}`);
          return (
            <li key={c.entries.join()} className="flex flex-wrap items-center gap-3 border-t border-rule py-2">
              <span>
                {name}, {c.field}:
              </span>
              {[...c.values].reverse().map((value, i) => (
                <button key={words(value)} type="button" className="key" onClick={() => settle(value)}>
                  {words(value)} {i === 0 && <span className="font-text text-base font-normal">stands now</span>}
                </button>
              ))}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

const MOST_VISITS = 12;

function Visits({ book, today }: { book: PremisesBook; today: string }) {
  const [isAll, setAll] = useState(false);
  const newest = [...book.visits].reverse();
  const shown = isAll ? newest : newest.slice(0, MOST_VISITS);
  return (
    <section aria-label="Visits">
      <h2 className="border-b border-ink pb-1">Visits</h2>
      {newest.length === 0 && <p className="py-2">None yet.</p>}
      <ul>
        {shown.map((v) => (
          <li key={v.id}>
            <a
              href={`/visits/${v.id}`}
              className="flex min-h-12 flex-wrap items-baseline gap-x-3 border-b border-faint py-2 no-underline hover:bg-brass-light"
            >
              <span className="min-w-28">
                {dayWords(v.onDate, today)} {v.startsAt}
              </span>
              <b className={v.cancelled === null ? '' : 'line-through'}>{v.title}</b>
              <span className="text-soft">
                {v.cancelled === null
                  ? [...new Set(v.runs.filter((r) => r.removed === null).map((r) => workKind(r.work).name))].join(', ')
                  : `cancelled: ${v.cancelled}`}
              </span>
            </a>
          </li>
        ))}
      </ul>
      {newest.length > shown.length && (
        <button type="button" className="key mt-2" onClick={() => setAll(true)}>
          All {newest.length}
        </button>
      )}
    </section>
  );
}
