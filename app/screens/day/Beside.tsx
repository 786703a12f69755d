import { type DaySheet, runsWithoutChain } from '../../../record/index.ts';
import { FollowUpRow, say } from '../../ui/book/index.ts';
import { amountWords, useUnits } from '../../ui/units/index.ts';
import { dayWords, localTime } from '../../ui/words.ts';

/** As many as a day sheet shows; the rest stand in the ledger. */
const MOST_RECHECKS = 12;

export function Shortages({ sheet }: { sheet: DaySheet }) {
  const units = useUnits();
  const open = runsWithoutChain(sheet.visits);
  const amount = (n: number, unit: 'piece' | 'inch') => amountWords(n, unit === 'inch', units);
  return (
    <section aria-label="Short on the van">
      <div className="flex items-end gap-3 border-b border-ink pb-1">
        <h2>Short on the van</h2>
        <a className="ml-auto underline" href={`/stock?load=${sheet.day}`}>
          Load it
        </a>
      </div>
      {sheet.shortages.length === 0 && <p className="py-2">Nothing: every accepted chain is covered.</p>}
      <ul>
        {sheet.shortages.map((s) => (
          <li key={s.item} className="border-b border-faint py-2">
            <b>{s.unit === 'inch' ? `${amount(s.quantity - s.onVan, s.unit)} of` : `${s.quantity - s.onVan} x`}</b> {s.name}
            <div className="text-soft">
              need {amount(s.quantity, s.unit)}, on {s.van?.name.toLowerCase() === 'van' ? 'the van' : (s.van?.name ?? 'the van')}{' '}
              {amount(s.onVan, s.unit)} · {s.forRuns.join(', ')}
            </div>
            {s.elsewhere.length > 0 && <div>lies on: {s.elsewhere.map((e) => `${e.place} (${amount(e.quantity, s.unit)})`).join(', ')}</div>}
          </li>
        ))}
      </ul>
      {open.length > 0 && (
        <p className="py-2 text-soft">
          {open.length === 1 ? '1 run has no chain yet: what it likely takes' : `${open.length} runs have no chain yet: what they likely take`} stands
          under Load it, where the ends are known.
        </p>
      )}
    </section>
  );
}

export function FollowUps({ sheet, today }: { sheet: DaySheet; today: string }) {
  if (sheet.followUps.length === 0) return null;
  return (
    <section aria-label="To follow up">
      <h2 className="border-b border-ink pb-1">To follow up</h2>
      <ul>
        {sheet.followUps.map((f) => (
          <FollowUpRow key={f.id} f={f} today={today}>
            <a className="inline-flex min-h-11 items-center text-soft" href={`/premises/${f.premisesId}`}>
              {f.premises}
            </a>{' '}
            <a className="inline-flex min-h-11 items-center print:hidden" href={`/call?premises=${f.premisesId}`}>
              Give it a day
            </a>
          </FollowUpRow>
        ))}
      </ul>
    </section>
  );
}

export function Rechecks({ sheet, today }: { sheet: DaySheet; today: string }) {
  // A run is on one visit's list once: what was signed off twice is looked at again at its newest.
  const open = sheet.rechecks.filter((r, i, all) => r.bookedOn === null && all.findIndex((o) => o.runId === r.runId) === i);
  const book = async () => {
    const { sayingsOfRechecks } = await import('../../ui/book/book-rechecks.ts');
    say(sayingsOfRechecks(open, today), `${open.length === 1 ? 'A recheck' : `${open.length} rechecks`} booked`);
  };
  return (
    <section aria-label="Rechecks due">
      <h2 className="border-b border-ink pb-1">Rechecks due</h2>
      {sheet.rechecks.length === 0 && <p className="py-2">None.</p>}
      {open.length > 0 && (
        <button type="button" className="key mt-2 print:hidden" onClick={book}>
          Book {open.length === 1 ? 'it' : `the ${open.length}`} as a visit
        </button>
      )}
      <ul>
        {sheet.rechecks.slice(0, MOST_RECHECKS).map((r) => (
          <li key={r.visitId + r.runId}>
            <a
              className="grid min-h-12 border-b border-faint py-2 no-underline hover:bg-brass-light"
              href={`/visits/${r.visitId}?run=${r.runId}&stage=prove`}
            >
              <b>{r.run}</b>
              <span className="text-soft">
                {r.notDry ? 'not dry' : r.overdue ? 'overdue' : 'due'} · {r.place} · {localTime(r.dueMs, r.timeZone)}
                {r.bookedOn && <b className="block text-ink">booked for {dayWords(r.bookedOn, today)}</b>}
              </span>
            </a>
          </li>
        ))}
      </ul>
      {sheet.rechecks.length > MOST_RECHECKS && (
        <p className="py-2">
          <a href="/ledger?recheck=due">All that are due, in the ledger</a>
        </p>
      )}
    </section>
  );
}
