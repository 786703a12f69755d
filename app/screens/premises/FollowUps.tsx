import type { PremisesBook } from '../../../record/index.ts';
import { FollowUpForm, FollowUpRow } from '../../ui/book/index.ts';

/** What is still to be done here: written down, closed with what was done. */
export function FollowUps({ book, today }: { book: PremisesBook; today: string }) {
  const open = book.followUps.filter((f) => f.closed === null).sort((a, b) => ((a.dueOn ?? '9') < (b.dueOn ?? '9') ? -1 : 1));
  const closed = book.followUps.filter((f) => f.closed !== null);
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
      <div className="mt-2">
        <FollowUpForm premisesId={book.premises.id} label="Something to be done" words="To be followed up" />
      </div>
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
