import { useEffect, useState } from 'react';
import type { DueKind, DueList, DueQuery, DueRow } from '../../../store/queries/index.ts';
import { sync } from '../../../sync/run.ts';
import { inAddress, Select, useAsked } from '../../ui/form/index.ts';
import { dayWords } from '../../ui/words.ts';
import { SeeTo } from './SeeTo.tsx';

interface Props {
  initial: DueList;
  query: DueQuery;
}

const KINDS: [DueKind, string][] = [
  ['recheck', 'Looks again'],
  ['follow-up', 'Follow-ups'],
  ['connector', 'Connectors by age'],
  ['stop', 'Stops to exercise'],
  ['insert', 'Stop-leak inserts'],
  ['spares', 'Spare inserts'],
  ['open-line', 'Open lines'],
];
const AHEAD: [string, string][] = [
  ['0', 'late or today'],
  ['30', 'the next 30 days'],
  ['60', 'the next 60 days'],
  ['365', 'the next year'],
];
const PAGE = 50;

/** What falls due: the late ones first, each with what to do and where. */
export default function Due({ initial, query: first }: Props) {
  const [query, setQuery] = useState(first);
  const { answer, isLost, again } = useAsked<DueList>('/api/v1/due', dueAddress(query), { query: dueAddress(first), answer: initial });
  const list = answer ?? initial;
  useEffect(() => {
    const address = dueAddress(query);
    history.replaceState(null, '', address ? `?${address}` : location.pathname);
  }, [query]);
  // What was seen to here, or taken back, is due no more once the server has it.
  const [before, setBefore] = useState(() => sync.standing.waiting);
  useEffect(
    () =>
      sync.subscribe(() => {
        const { waiting } = sync.standing;
        setBefore(waiting);
        if (before > 0 && waiting === 0) again();
      }),
    [before, again],
  );
  const set = (change: Partial<DueQuery>) => setQuery((q) => ({ ...q, offset: 0, ...change }));
  const offset = query.offset ?? 0;
  const total = query.kind ? (list.counts[query.kind]?.due ?? 0) : list.total;
  const late = Object.values(list.counts).reduce((sum, c) => sum + c.late, 0);
  return (
    <div>
      <div className="flex flex-wrap items-end gap-3 print:hidden">
        <Select
          label="Of"
          value={query.kind ?? ''}
          onChange={(kind) => set({ kind: (kind || undefined) as DueKind | undefined })}
          options={[['', 'everything'], ...KINDS]}
        />
        <Select label="Until" value={String(query.ahead ?? 60)} onChange={(ahead) => set({ ahead: Number(ahead) })} options={AHEAD} />
        <a className="key" href={`/api/v1/due.csv?${dueAddress(query)}`}>
          CSV
        </a>
        <a className="key" href="/api/v1/due.ics">
          For a calendar
        </a>
      </div>
      {query.premises && (
        <p className="mt-3 flex flex-wrap items-center gap-3">
          Only of {list.rows[0]?.premises.name ?? 'one premises'}.
          <button type="button" className="key" onClick={() => set({ premises: undefined })}>
            Of all
          </button>
        </p>
      )}
      <p className="my-3 text-lg" aria-live="polite">
        {isLost ? 'The server does not answer; this is what it said last. ' : ''}
        {list.total === 0
          ? 'Nothing falls due.'
          : `${list.total.toLocaleString('en')} due, ${late === 0 ? 'none late' : `${late.toLocaleString('en')} late`}.`}
      </p>
      <ul className="mb-3 flex flex-wrap gap-x-5 gap-y-1">
        {KINDS.filter(([kind]) => (list.counts[kind]?.due ?? 0) > 0).map(([kind, name]) => (
          <li key={kind}>
            {name}: <b>{list.counts[kind]!.due.toLocaleString('en')}</b>
            {list.counts[kind]!.late > 0 && <span> (▲ {list.counts[kind]!.late.toLocaleString('en')} late)</span>}
          </li>
        ))}
      </ul>
      <ol className="grid grid-cols-[minmax(0,1fr)]">
        {list.rows.map((row) => (
          <Row key={`${row.kind} ${row.visitId} ${row.runId} ${row.what} ${row.dueOn}`} row={row} today={list.today} />
        ))}
      </ol>
      <div className="mt-3 flex gap-3 print:hidden">
        {offset > 0 && (
          <button type="button" className="key" onClick={() => set({ offset: Math.max(0, offset - PAGE) })}>
            Sooner
          </button>
        )}
        {offset + PAGE < total && (
          <button type="button" className="key" onClick={() => set({ offset: offset + PAGE })}>
            Later
          </button>
        )}
      </div>
    </div>
  );
}

const dueAddress = ({ ahead, ...query }: DueQuery): string =>
  inAddress({ ...query, ahead: ahead === 60 || ahead === undefined ? undefined : String(ahead) });

function Row({ row, today }: { row: DueRow; today: string }) {
  const { isLate } = row;
  return (
    <li className="grid grid-cols-[minmax(0,1fr)] gap-x-4 gap-y-1 border-t border-rule py-2 sm:grid-cols-[8rem_minmax(0,1fr)_auto]">
      <span className={isLate ? 'font-bold' : ''}>
        {isLate ? '▲ ' : ''}
        {dayWords(row.dueOn, today)}
        {isLate && <span className="block text-sm">late</span>}
      </span>
      <span className="min-w-0">
        <b className="text-lg">
          {row.todo}
          {row.what && `: ${row.what}`}
        </b>
        <span className="block">
          {row.run ? <a href={whereOf(row)}>{row.run}</a> : <a href={`/premises/${row.premises.id}`}>{row.premises.name}</a>}
          {row.place && `, ${row.place}`}
          {row.run && `, ${row.premises.name}`}
        </span>
        {row.because && (
          <span className="block text-soft">
            {row.because}
            {row.since && ` Since ${row.since}.`}
          </span>
        )}
      </span>
      <SeeTo row={row} today={today} />
    </li>
  );
}

const whereOf = ({ visitId, runId, premises }: DueRow): string => (visitId ? `/ledger/${visitId}/${runId}` : `/premises/${premises.id}`);
