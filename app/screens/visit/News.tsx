import type { RunRow, VisitSheet } from '../../../record/index.ts';
import { describeEntry, describer, type Entry, historyOf, ordered, type RunState } from '../../../record/index.ts';
import { useUnits } from '../../ui/units/index.ts';
import { localTime } from '../../ui/words.ts';

const MOST = 8;

/** What changed here while this device was away, or looked elsewhere: seen before the work goes on. */
export function News(props: { run: RunRow; state: RunState; sheet: VisitSheet; news: Entry[]; onSeen: () => void }) {
  const { run, state, sheet, news, onSeen } = props;
  const units = useUnits();
  if (news.length === 0) return null;
  const words = describer(state, historyOf(sheet.entries, run.id), units);
  const told = ordered(news).map((e) => describeEntry(e, words));
  return (
    <section aria-label="Recorded by another device" role="status" className="m-3 border border-ink bg-sheet p-3">
      <h2 className="text-xl">Recorded here by another device meanwhile</h2>
      <ul className="mt-1">
        {told.slice(-MOST).map((t) => (
          <li key={t.id}>
            <span className="code">{localTime(t.atMs, sheet.visit.premises.timeZone).slice(11)}</span> <b>{t.who}</b> {t.what}
          </li>
        ))}
      </ul>
      {told.length > MOST && <p className="text-soft">and {told.length - MOST} before: see what happened here.</p>}
      <button type="button" className="key mt-2" onClick={onSeen}>
        Seen
      </button>
    </section>
  );
}
