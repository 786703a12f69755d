import { useState } from 'react';
import { forThisShop } from '../../../sync/shop-here.ts';

/** Takes in a visit file; says where and why when it will not do. */
export function Import() {
  const [said, setSaid] = useState<{ good: boolean; text: string; href?: string } | null>(null);
  const take = async (file: File | undefined) => {
    if (!file) return;
    try {
      const response = await fetch(forThisShop('/api/v1/visits'), { method: 'POST', headers: { 'content-type': 'application/json' }, body: file });
      const body = await response.json();
      if (response.ok)
        setSaid({
          good: true,
          text: body.isNew || body.added > 0 ? `Taken in: ${body.added} entries.` : 'This shop has that visit already.',
          href: `/visits/${body.visitId}`,
        });
      else setSaid({ good: false, text: `${body.at ? `${body.at}: ` : ''}${body.detail}` });
    } catch {
      setSaid({ good: false, text: 'The server does not answer. Nothing was imported; try again.' });
    }
  };
  return (
    <section aria-label="Take in a visit" className="print:hidden">
      <h2 className="border-b border-ink pb-1">Take in a visit</h2>
      <label className="mt-2 grid grid-cols-[minmax(0,1fr)] gap-1">
        <span className="label">Visit file (JSON)</span>
        <input type="file" accept="application/json,.json" className="min-h-12 max-w-full" onChange={(e) => take(e.target.files?.[0])} />
      </label>
      <p aria-live="polite">
        {said && (
          <span className={said.good ? '' : 'caution block'}>
            {said.text} {said.href && <a href={said.href}>Open it</a>}
          </span>
        )}
      </p>
    </section>
  );
}
