import { describeEntry, describer, deviceNames, historyOf, type RunRow, type RunState, type VisitSheet, wholeOf } from '../../../../record/index.ts';
import { sync } from '../../../../sync/run.ts';
import type { Write } from '../../../ui/held/index.ts';
import { useUnits } from '../../../ui/units/index.ts';
import { localTime } from '../../../ui/words.ts';

const WHAT = {
  chain: 'Two devices each accepted a chain, neither knowing of the other.',
  'sign-off': 'Two devices each signed this run off, neither knowing of the other.',
  finding: 'Two devices looked at the same joint at the same time and saw different things. The worse stands until you say which.',
} as const;

/** Where two devices decided the same thing both are shown, and a person says which stands. */
export default function Conflicts({ run, state, sheet, write }: { run: RunRow; state: RunState; sheet: VisitSheet; write: Write }) {
  const units = useUnits();
  const conflict = state.conflicts[0];
  if (!conflict) return null;
  const history = historyOf(sheet.entries, run.id);
  const words = describer(state, history, units);
  const device = deviceNames(sheet.entries);
  const both = conflict.entries.flatMap((id) => history.all.filter(({ first }) => first.id === id));
  return (
    <section role="alert" aria-label="To be settled" className="m-3 border-2 border-ink bg-sheet p-4">
      <h2>▲ {conflict.targetId ? `${words.target(conflict.targetId)}: ` : ''}which of the two stands?</h2>
      <p className="mt-1">{WHAT[conflict.what]}</p>
      <ul className="mt-2 grid gap-2 md:grid-cols-2">
        {both.map(({ first, stands }) => {
          const told = describeEntry(stands ?? first, words);
          return (
            <li key={first.id} className="grid content-between gap-2 border border-rule p-3">
              <span>
                <b>{told.what}</b>
                <span className="block text-soft">
                  {first.deviceId === sync.deviceId ? 'this device' : device(first.deviceId)}, {localTime(told.atMs, sheet.visit.premises.timeZone)}
                </span>
              </span>
              <button
                type="button"
                className="key justify-self-start"
                onClick={() => {
                  for (const other of both) {
                    if (other.first.id === first.id) continue;
                    const reason = 'Two devices decided this; the other one stands';
                    for (const id of wholeOf(other)) write('withdrawn', run.id, { reason }, { correctsId: id });
                  }
                }}
              >
                This one stands
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
