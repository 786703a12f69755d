import { useEffect, useState } from 'react';
import { callbackRate, endLabel } from '../../../core/index.ts';
import type { LedgerPage, LedgerQuery } from '../../../store/queries/index.ts';
import { ReportHere } from '../../ui/book/index.ts';
import { Select } from '../../ui/form/index.ts';
import { useLedger } from '../../ui/held/index.ts';
import { money } from '../../ui/words.ts';

interface Props {
  initial: LedgerPage;
  query: LedgerQuery;
  appliances: { id: string; name: string }[];
  /** Kinds of seal, by id and in a word or two. */
  seals: [string, string][];
  /** Of the part that is asked for, where one is. */
  partName: string | null;
}

const PAGE = 40;

const addressOf = (q: LedgerQuery) =>
  new URLSearchParams(
    Object.entries(q).flatMap(([k, v]) => (v === undefined || v === '' || v === 'any' || v === 0 ? [] : [[k, String(v)]])),
  ).toString();

/** Past connections: filter and search as you type. */
export default function Ledger({ initial, query: first, appliances, seals, partName }: Props) {
  const [query, setQuery] = useState(first);
  const address = addressOf(query);
  const { answer: found, shown, isLost: lost } = useLedger(address, { query: addressOf(first), answer: initial });
  const page = found ?? initial;
  useEffect(() => {
    if (shown !== null) history.replaceState(null, '', shown ? `?${shown}` : location.pathname);
  }, [shown]);
  const set = (change: Partial<LedgerQuery>) => setQuery((q) => ({ ...q, offset: 0, ...change }));
  const rate = callbackRate({ joints: page.joints, callbacks: Math.min(page.joints, page.callbacks) });
  const offset = query.offset ?? 0;
  return (
    <div>
      <div className="grid grid-cols-[minmax(0,1fr)] items-end gap-3 sm:grid-cols-2 md:grid-cols-4 xl:grid-cols-[minmax(0,2fr)_repeat(4,minmax(0,1fr))]">
        <label className="grid gap-1">
          <span className="label">Search place, run, part or end</span>
          <input className="field" value={query.q ?? ''} maxLength={200} onChange={(e) => set({ q: e.target.value })} />
        </label>
        <Select
          label="Appliance"
          value={query.appliance ?? ''}
          onChange={(appliance) => set({ appliance })}
          options={[['', 'any'], ...appliances.map((a) => [a.id, a.name] as [string, string])]}
        />
        <Select label="Seal" value={query.seal ?? ''} onChange={(seal) => set({ seal })} options={[['', 'any'], ...seals]} />
        <Select
          label="Callbacks"
          value={query.callbacks ?? 'any'}
          onChange={(callbacks) => set({ callbacks: callbacks as LedgerQuery['callbacks'] })}
          options={[
            ['any', 'any'],
            ['only', 'with callbacks'],
            ['none', 'without'],
          ]}
        />
        <Select
          label="Recheck"
          value={query.recheck ?? 'any'}
          onChange={(recheck) => set({ recheck: recheck as LedgerQuery['recheck'] })}
          options={[
            ['any', 'any'],
            ['due', 'due'],
          ]}
        />
        <Select
          label="Finding"
          value={query.finding ?? 'any'}
          onChange={(finding) => set({ finding: finding as LedgerQuery['finding'] })}
          options={[
            ['any', 'any'],
            ['damp', 'was damp'],
            ['drip', 'dripped'],
            ['running', 'ran'],
          ]}
        />
        <label className="grid gap-1">
          <span className="label">End, as you say it</span>
          <input
            className="field"
            value={query.end ?? ''}
            maxLength={80}
            placeholder="3/8 comp"
            onChange={(e) => set({ end: e.target.value || undefined })}
          />
        </label>
        <label className="grid gap-1">
          <span className="label">Done from</span>
          <input
            className="field w-full min-w-0 px-2"
            type="date"
            value={query.from ?? ''}
            onChange={(e) => set({ from: e.target.value || undefined })}
          />
        </label>
        <label className="grid gap-1">
          <span className="label">to</span>
          <input
            className="field w-full min-w-0 px-2"
            type="date"
            value={query.to ?? ''}
            onChange={(e) => set({ to: e.target.value || undefined })}
          />
        </label>
        <a className="key" href={`/api/v1/ledger.csv?${address}`}>
          CSV
        </a>
      </div>
      {query.part && (
        <p className="mt-3 flex flex-wrap items-center gap-3">
          Only with {partName ?? query.part}.
          <button type="button" className="key" onClick={() => set({ part: undefined })}>
            With any
          </button>
        </p>
      )}
      {query.run && (
        <p className="mt-3 flex flex-wrap items-center gap-3">
          Only of {page.rows[0]?.run ?? 'one run'}, through the years.
          <button type="button" className="key" onClick={() => set({ run: undefined })}>
            Of all
          </button>
        </p>
      )}
      {query.premises && (
        <p className="mt-3 flex flex-wrap items-center gap-3">
          Only of {page.rows[0]?.premises ?? 'one premises'}.
          <button type="button" className="key" onClick={() => set({ premises: undefined })}>
            Of all
          </button>
        </p>
      )}
      <p className="my-3 text-lg" aria-live="polite">
        {lost
          ? 'The server does not answer; these are the last rows it gave.'
          : page.isMore
            ? `More than ${page.total.toLocaleString('en')} connections: search for more words.`
            : `${page.total.toLocaleString('en')} connections, ${page.joints.toLocaleString('en')} joints. `}
        {!lost &&
          page.joints > 0 &&
          `Callbacks: ${page.callbacks}, that is ${(rate.mean * 1000).toFixed(0)} in 1,000 joints (95 %: ${(rate.low * 1000).toFixed(0)} to ${(rate.high * 1000).toFixed(0)}).`}
      </p>
      <section className="scroll" tabIndex={0} aria-label="Connections">
        <table className="w-full">
          <thead>
            <tr>
              <th>Done on</th>
              <th>Run</th>
              <th>Ends</th>
              <th>Parts</th>
              <th>Joints</th>
              <th>Price</th>
              <th>Callbacks</th>
            </tr>
          </thead>
          <tbody>
            {page.rows.map((r) => (
              <tr key={r.visitId + r.runId} className="border-t border-rule align-top *:py-2">
                <td className="py-2 pr-3 whitespace-nowrap">{r.onDate}</td>
                <td className="pr-3">
                  <a className="inline-flex min-h-8 items-center font-bold" href={`/ledger/${r.visitId}/${r.runId}`}>
                    {r.run}
                  </a>
                  <div className="text-sm text-soft">{r.place}</div>
                </td>
                <td className="pr-3 text-sm">
                  {endLabel(r.from)}
                  <br />→ {endLabel(r.to)}
                </td>
                <td className="pr-3 text-sm">{r.parts}</td>
                <td className="pr-3 text-right">{r.joints}</td>
                <td className="pr-3 text-right">{money(r.priceCents, r.currency)}</td>
                <td>
                  {r.callbacks > 0 ? <b>▲ {r.callbacks}</b> : 'none'}
                  {r.exceptions > 0 && <div className="text-sm">{r.exceptions} with a reason</div>}
                  {!r.signedOff && <div className="text-sm font-bold">reopened</div>}
                  {(r.recheck === 'due' || r.recheck === 'not dry') && <div className="text-sm">recheck {r.recheck}</div>}
                  <ReportHere visitId={r.visitId} runId={r.runId} label="It leaks" />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      {page.total === 0 && <p className="py-4">Nothing fits. Clear a filter, or search for fewer words.</p>}
      <div className="mt-3 flex gap-3">
        {offset > 0 && (
          <button type="button" className="key" onClick={() => setQuery((q) => ({ ...q, offset: Math.max(0, offset - PAGE) }))}>
            Newer
          </button>
        )}
        {(page.isMore || offset + PAGE < page.total) && (
          <button type="button" className="key" onClick={() => setQuery((q) => ({ ...q, offset: offset + PAGE }))}>
            Older
          </button>
        )}
      </div>
    </div>
  );
}
