import { useState } from 'react';
import type { PremisesBook } from '../../../record/premises/book.ts';
import { newId, say, saying } from '../../ui/book.ts';
import { FollowUpRow } from '../../ui/FollowUpRow.tsx';

/** What is still to be done here: written down, closed with what was done. */
export function FollowUps({ book, today }: { book: PremisesBook; today: string }) {
  const [text, setText] = useState('');
  const [dueOn, setDueOn] = useState('');
  const open = book.followUps.filter((f) => f.closed === null).sort((a, b) => ((a.dueOn ?? '9') < (b.dueOn ?? '9') ? -1 : 1));
  const closed = book.followUps.filter((f) => f.closed !== null);
  const add = () => {
    const said = text.trim();
    if (said === '') return;
    setText('');
    setDueOn('');
    say([saying('follow-up', newId(), 'made', { premisesId: book.premises.id, text: said, ...(dueOn ? { dueOn } : {}) })], 'To be followed up');
  };
  return (
    <section aria-label="To follow up">
      <h2 className="border-b border-ink pb-1">To follow up</h2>
      {open.length === 0 && <p className="py-2">Nothing is open.</p>}
      <ul>
        {open.map((f) => (
          <FollowUpRow key={f.id} f={f} today={today}>
            {f.runId && <span className="text-soft">{book.runs.find((r) => r.id === f.runId)?.name}</span>}
          </FollowUpRow>
        ))}
      </ul>
      <form
        className="mt-2 grid gap-2 print:hidden"
        onSubmit={(e) => {
          e.preventDefault();
          add();
        }}
      >
        <label className="grid gap-1">
          <span className="label">Something to be done</span>
          <input className="field" maxLength={2000} value={text} onChange={(e) => setText(e.target.value)} />
        </label>
        <div className="flex flex-wrap items-end gap-3">
          <label className="grid gap-1">
            <span className="label">By, if a day is known</span>
            <input className="field" type="date" value={dueOn} onChange={(e) => setDueOn(e.target.value)} />
          </label>
          <button type="submit" className="key" disabled={text.trim() === ''}>
            Write it down
          </button>
        </div>
      </form>
      {closed.length > 0 && (
        <details className="why mt-3">
          <summary>Done ({closed.length})</summary>
          <ul>
            {closed.map((f) => (
              <li key={f.id} className="border-b border-faint py-2">
                {f.text}
                <span className="block text-soft">done: {f.closed!.reason}</span>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
