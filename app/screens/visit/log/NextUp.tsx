import { STAGE_NAMES, sentenceOf } from '../../../../record/index.ts';
import { localTime } from '../../../ui/words.ts';
import type { StageProps } from '../stage-props.ts';

/** What comes after this: of the run, of the visit's other runs, of the day. */
export function NextUp({
  state,
  others,
  chooseRun,
  go,
  timeZone,
  onDate,
}: Pick<StageProps, 'state' | 'others' | 'chooseRun' | 'go' | 'timeZone' | 'onDate'>) {
  const { nextStep, next } = sentenceOf(state);
  const waiting = others.filter((r) => r.state && r.state.signedOff === null && r.state.offList === null);
  return (
    <aside aria-label="What comes next" className="grid content-start gap-4 border border-ink bg-sheet p-4 print:hidden">
      <h2>What comes next</h2>
      {next && next !== 'log' && (
        <section>
          <h3 className="label">This run</h3>
          <p className="text-lg first-letter:uppercase">{nextStep}</p>
          <button type="button" className="key mt-1" onClick={() => go(next)}>
            Go to {STAGE_NAMES[next]}
          </button>
        </section>
      )}
      {state.signedOff && state.recheck === 'due' && (
        <section>
          <h3 className="label">This run, again</h3>
          <p className="text-lg">Look at its joints once more after {localTime(state.signedOff.recheckDueMs, timeZone)}.</p>
        </section>
      )}
      <section>
        <h3 className="label">Of this visit</h3>
        {waiting.length === 0 ? (
          <p className="text-lg">No other run waits.</p>
        ) : (
          <ul className="grid gap-2">
            {waiting.map((r) => (
              <li key={r.run.id}>
                <button type="button" className="key w-full text-left" onClick={() => chooseRun(r.run.id)}>
                  <span>{r.run.name}</span>
                  <span className="text-soft">{r.state?.stage ? `to ${STAGE_NAMES[r.state.stage].toLowerCase()}` : ''}</span>
                </button>
              </li>
            ))}
          </ul>
        )}
      </section>
      <a className="key justify-self-start" href={`/?day=${onDate}`}>
        The day
      </a>
    </aside>
  );
}
