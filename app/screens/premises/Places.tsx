import { useState } from 'react';
import { localToday } from '../../../sync/run.ts';
import { TakePremises } from '../../ui/book/index.ts';
import { usePremisesSearch } from '../../ui/held/index.ts';
import { dayWords } from '../../ui/words.ts';

/** Every premises of the shop: found as one types. */
export default function Places({ today }: { today: string }) {
  const [q, setQ] = useState('');
  const { found, isWhole } = usePremisesSearch(q);
  const now = typeof window === 'undefined' ? today : localToday();
  return (
    <div className="max-w-220">
      <h1>Places</h1>
      <label className="mt-3 grid gap-1">
        <span className="label">Find by name, address, telephone, room or appliance</span>
        <input className="field" maxLength={200} value={q} onChange={(e) => setQ(e.target.value)} />
      </label>
      <ul className="mt-3">
        {found.map((p) => (
          <li key={p.id}>
            <a href={`/premises/${p.id}`} className="grid min-h-14 border-b border-rule px-1 py-2 no-underline hover:bg-brass-light">
              <span className="font-head text-xl font-semibold">{p.name}</span>
              <span className="text-soft">
                {[
                  p.address,
                  p.by,
                  p.nextVisit ? `next ${dayWords(p.nextVisit, now)}` : p.lastVisit ? `last here ${dayWords(p.lastVisit, now)}` : 'never visited',
                  p.openFollowUps > 0 && `${p.openFollowUps} to follow up`,
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </span>
            </a>
          </li>
        ))}
      </ul>
      {found.length === 0 && (
        <p className="mt-3">
          {q.trim() !== '' ? `Nothing is found for "${q.trim()}"${isWhole ? '' : ' on this device'}.` : 'No premises yet.'}{' '}
          <a href="/call">Take a call</a> or <a href="/start">start work here</a> to write some down.
        </p>
      )}
      <details className="why mt-4 print:hidden">
        <summary>Take in a file of premises</summary>
        <TakePremises />
      </details>
      {!isWhole && found.length > 0 && <p className="mt-2 text-soft">Those that this device holds; asking the server for the rest.</p>}
    </div>
  );
}
