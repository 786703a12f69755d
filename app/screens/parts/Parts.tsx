import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { endName, pressure, said, temperature } from '../../../core/index.ts';
import { forThisShop } from '../../../sync/shop-here.ts';
import { type CsvFault, CsvFaults } from '../../ui/form/index.ts';
import { catalogueChanged, useCatalogue } from '../../ui/held/index.ts';
import { InUnits } from '../../ui/units/index.ts';
import { money } from '../../ui/words.ts';
import { linesOf } from './lines-of.ts';

interface Going {
  step: string;
  share: number;
}

/** Rows shown at first, and with each press more. */
const ROWS = 60;

/** The parts the shop matches with, searched as one types; its own come and go as a CSV file. */
export default function Parts() {
  const catalogue = useCatalogue();
  const [words, setWords] = useState('');
  const [rows, setRows] = useState(ROWS);
  const wanted = useDeferredValue(words);
  const found = useMemo(() => {
    const all = wanted.toLowerCase().split(/\s+/).filter(Boolean);
    return (catalogue?.parts ?? []).filter((p) =>
      all.every((w) =>
        `${p.id} ${p.name} ${p.kind} ${p.material ?? ''} ${p.ends.map((e) => `${e.code} ${endName(e.code)}`).join(' ')}`.toLowerCase().includes(w),
      ),
    );
  }, [catalogue, wanted]);
  const search = (text: string) => {
    setWords(text);
    setRows(ROWS);
  };
  const left = found.length - rows;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <div className="min-w-0">
        <h1>Parts</h1>
        <label className="mt-2 grid max-w-140 gap-1">
          <span className="label">Search by name, kind, end or material</span>
          <input className="field" maxLength={100} value={words} onChange={(e) => search(e.target.value)} />
        </label>
        <p className="my-2 text-lg" aria-live="polite">
          {catalogue
            ? `${found.length} of ${catalogue.parts.length} parts${left > 0 ? `, the first ${rows}` : ''}. Catalogue ${catalogue.version}.`
            : 'Reading the parts ...'}
        </p>
        <section className="scroll" tabIndex={0} aria-label="Parts found">
          <table className="w-full">
            <thead>
              <tr>
                <th>Part</th>
                <th>Ends</th>
                <th>Material</th>
                <th>Rating</th>
                <th>Price</th>
                <th>Van</th>
              </tr>
            </thead>
            <tbody>
              {found.slice(0, rows).map((p) => (
                <tr key={p.id} className="border-t border-rule align-top">
                  <td className="py-1.5 pr-4">{p.name}</td>
                  <td className="py-1.5 pr-4">
                    {p.ends.map((e) => (
                      <div key={e.id}>
                        {endName(e.code)} <span className="code text-sm whitespace-nowrap">{e.code}</span>
                      </div>
                    ))}
                  </td>
                  <td className="py-1.5 pr-4">{p.material ?? ''}</td>
                  <td className="py-1.5 pr-4 whitespace-nowrap">
                    <InUnits said={said`${pressure(p.maxPsi)}, ${temperature(p.maxF)}`} />
                  </td>
                  <td className="py-1.5 pr-4 text-right">{money(p.priceCents, catalogue?.currency ?? 'USD')}</td>
                  <td className="py-1.5 text-right">{catalogue?.stock[p.id] ?? 0}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        {left > 0 && (
          <button type="button" className="key mt-3" onClick={() => setRows(rows + ROWS)}>
            Show {Math.min(ROWS, left)} more
          </button>
        )}
      </div>
      <OwnParts />
    </div>
  );
}

function OwnParts() {
  const [going, setGoing] = useState<Going | null>(null);
  const [said, setSaid] = useState('');
  const [faults, setFaults] = useState<CsvFault[]>([]);
  const abort = useRef<AbortController | null>(null);
  const take = async (file: File | undefined) => {
    if (!file) return;
    abort.current = new AbortController();
    setFaults([]);
    setSaid('');
    setGoing({ step: 'sending', share: 0 });
    try {
      const response = await fetch(forThisShop('/api/v1/parts/import'), {
        method: 'POST',
        headers: { 'content-type': 'text/csv' },
        body: file,
        signal: abort.current.signal,
      });
      if (!response.ok || !response.body) throw new Error(((await response.json()) as { detail?: string }).detail ?? response.statusText);
      for await (const line of linesOf(response.body)) {
        if (line.progress) setGoing({ step: line.progress.step, share: line.progress.of === 0 ? 1 : line.progress.done / line.progress.of });
        if (line.faults) setFaults(line.faults);
        if (line.faults) setSaid(`${line.faults.length} ${line.faults.length === 1 ? 'fault' : 'faults'}: nothing was imported.`);
        if (line.problem) setSaid(line.problem.detail);
        if (line.done) {
          setSaid(`Taken in: ${line.parts} parts.`);
          catalogueChanged();
        }
      }
    } catch (error) {
      setSaid(abort.current.signal.aborted ? 'Called off. Nothing was imported.' : `${(error as Error).message} Nothing was imported.`);
    } finally {
      setGoing(null);
    }
  };
  return (
    <aside className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-3" aria-label="Own parts">
      <h2 className="border-b border-ink pb-1">Own parts</h2>
      <p>A CSV file with the columns of those below. It takes the place of the own parts there were, all of it or nothing.</p>
      <a className="key" href="/api/v1/parts/own.csv">
        Own parts as CSV
      </a>
      <a className="key" href="/api/v1/parts/all.csv">
        All parts as CSV
      </a>
      <label className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-1">
        <span className="label">Take in a file (CSV)</span>
        <input
          type="file"
          accept=".csv,text/csv"
          className="min-h-12 max-w-full"
          disabled={going !== null}
          onChange={(e) => take(e.target.files?.[0])}
        />
      </label>
      {going && (
        <div className="grid gap-2">
          <label className="grid gap-1">
            <span>{going.step} ...</span>
            <progress className="h-4 w-full" max={1} value={going.share} />
          </label>
          <button type="button" className="key" onClick={() => abort.current?.abort()}>
            Call it off
          </button>
        </div>
      )}
      <p aria-live="polite">{said}</p>
      <CsvFaults faults={faults} />
    </aside>
  );
}
