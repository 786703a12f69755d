import { type ComponentProps, useState } from 'react';
import type { ReportHere as Report } from '../../ui/book/index.ts';
import { fetched } from '../../ui/form/index.ts';
import { useLedger } from '../../ui/held/index.ts';

const ReportHere = fetched<ComponentProps<typeof Report>>('The report of a leak', async () => ({
  default: (await import('../../ui/book/ReportHere.tsx')).ReportHere,
}));

const MOST = 5;

/** Somebody calls about a leak: the connection is found, and the callback reported. */
export function LeakReported() {
  const [q, setQ] = useState('');
  const address = q.trim() === '' ? null : new URLSearchParams({ q }).toString();
  const { answer: page, isLost } = useLedger(address);
  const rows = address === null || !page ? null : page.rows.slice(0, MOST);
  return (
    <section aria-label="A leak is reported" className="print:hidden">
      <h2 className="border-b border-ink pb-1">A leak is reported</h2>
      <label className="mt-2 grid gap-1">
        <span className="label">Find the connection: place, run or part</span>
        <input className="field" value={q} maxLength={200} onChange={(e) => setQ(e.target.value)} />
      </label>
      <div aria-live="polite">
        {isLost && <p className="py-2">The server does not answer: past connections want the connection.</p>}
        {rows?.length === 0 && <p className="py-2">Nothing signed off fits. Search for fewer words.</p>}
        <ul>
          {(rows ?? []).map((r) => (
            <li key={r.visitId + r.runId} className="border-b border-faint py-2">
              <a className="font-bold" href={`/ledger/${r.visitId}/${r.runId}`}>
                {r.run}
              </a>{' '}
              <span className="text-soft">
                {r.place}, {r.onDate}
              </span>
              <div className="mt-1">
                <ReportHere visitId={r.visitId} runId={r.runId} label="It leaks" />
              </div>
            </li>
          ))}
        </ul>
      </div>
    </section>
  );
}
