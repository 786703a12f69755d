import { workKind } from '../../../core/index.ts';
import { localDayOf, type PremisesBook, recheckWaitsMs } from '../../../record/index.ts';
import type { LastState } from '../../../store/queries/index.ts';
import { dayWords } from '../../ui/words.ts';

const MOST_VISITS = 5;

/** What is open at the premises, and what was done there last. */
export function OpenHere({ book, last, today }: { book: PremisesBook; last: Map<string, LastState>; today: string }) {
  const open = book.followUps.filter((f) => f.closed === null);
  const due = [...last.values()].filter((l) => recheckWaitsMs(l.summary) !== null);
  const nameOf = (runId: string) => book.runs.find((r) => r.id === runId)?.name ?? 'a run';
  const before = book.visits
    .filter((v) => v.onDate < today && v.cancelled === null)
    .slice(-MOST_VISITS)
    .reverse();
  const ahead = book.visits.filter((v) => v.onDate >= today && v.cancelled === null);
  return (
    <div className="grid gap-4">
      {open.length + due.length > 0 && (
        <section aria-label="Open here">
          <h2 className="border-b border-ink pb-1">Open here</h2>
          <ul>
            {open.map((f) => (
              <li key={f.id} className="border-b border-faint py-2">
                {f.text} {f.dueOn && <span className="text-soft">by {dayWords(f.dueOn, today)}</span>}
              </li>
            ))}
            {due.map((l) => (
              <li key={l.runId} className="border-b border-faint py-2">
                {nameOf(l.runId)}: recheck {l.summary.recheck === 'due' ? '' : 'found it not dry, '}due{' '}
                {dayWords(localDayOf(recheckWaitsMs(l.summary) ?? 0, book.premises.timeZone), today)}
              </li>
            ))}
          </ul>
        </section>
      )}
      {ahead.length > 0 && (
        <section aria-label="Planned here">
          <h2 className="border-b border-ink pb-1">Planned here</h2>
          <ul>
            {ahead.map((v) => (
              <li key={v.id} className="border-b border-faint py-2">
                {dayWords(v.onDate, today)} {v.startsAt} <b>{v.title}</b>
              </li>
            ))}
          </ul>
        </section>
      )}
      {before.length > 0 && (
        <section aria-label="Last here">
          <h2 className="border-b border-ink pb-1">Last here</h2>
          <ul>
            {before.map((v) => (
              <li key={v.id} className="border-b border-faint py-2">
                {dayWords(v.onDate, today)} <b>{v.title}</b>
                <span className="block text-soft">{[...new Set(v.runs.map((r) => workKind(r.work).name))].join(', ')}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
