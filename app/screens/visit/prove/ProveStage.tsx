import { useState } from 'react';
import { METHODS, type Method, ROUNDS, type Round } from '../../../../core/index.ts';
import { Choices, fetched } from '../../../ui/form/index.ts';
import { useKeys } from '../../../ui/keys/index.ts';
import { recheckWords } from '../../../ui/words.ts';
import { PicturesOfJoints } from '../look/PicturesOf.tsx';
import type { StageProps } from '../stage-props.ts';
import { BesideLooks } from './BesideLooks.tsx';
import { Looking } from './Looking.tsx';
import { RemedyBox } from './RemedyBox.tsx';
import { RoundWords } from './RoundWords.tsx';
import { startStopwatch } from './stopwatch.ts';
import { Table } from './Table.tsx';
import { targetsIn, targetsOf } from './target.ts';

const MeterTest = fetched('The meter', () => import('../gauge/MeterTest.tsx'));
const Safety = fetched('Safety devices', () => import('./Safety.tsx'));
const NoiseAfter = fetched('Noise', () => import('./NoiseAfter.tsx'));
const GaugeTest = fetched('The gauge', () => import('../gauge/GaugeTest.tsx'));

/** The looks round by round: what is due, the clock of the look under way, what each joint has to show for itself. */
export default function ProveStage(props: StageProps) {
  const { run, state, write, go, timeZone, visitId, gathered } = props;
  const targets = targetsIn(state);
  const rounds: Round[] = state.signedOff ? [...state.rounds, 'next-day'] : state.rounds;
  /** Signed off, only the look again is still taken. */
  const choices: Round[] = state.signedOff ? ['next-day'] : rounds;
  const due = choices.find((r) => targetsOf(targets, r).some((t) => t.byRound[r]?.state !== 'dry')) ?? choices.at(-1)!;
  const open = state.openLooks.filter((l) => !l.body.left);
  const under = new Set(state.openLooks.filter((l) => l.body.left).map((l) => l.jointId ?? l.checkPointId));
  const [chosenRound, setRound] = useState<Round | null>(null);
  const [gauged, setGauged] = useState(false);
  const [method, setMethod] = useState<Method>('tissue');
  const round = open[0]?.body.round ?? chosenRound ?? due;
  /** A tissue is left under pressure: in the round that is due, or in Standing before it. */
  const isUnderPressure = ROUNDS.find((r) => r.id === round)?.pressure ?? false;
  const layRound: Round = isUnderPressure ? round : 'standing';
  const unmade = state.joints.filter((j) => !j.made);
  const trouble = targets.filter((t) => t.finding !== null);
  const begin = () => {
    for (const t of targetsOf(targets, round).filter((x) => x.finding === null)) {
      const id = write('look-begun', run.id, { round, method: method === 'ear' && isUnderPressure ? 'tissue' : method }, t.target);
      startStopwatch(id);
    }
  };
  /** A tissue under everything that has none yet: it looks on while other work is done. */
  const toLay = targetsOf(targets, layRound).filter((t) => t.finding === null && !under.has(t.id));
  const lay = () => {
    for (const t of toLay) startStopwatch(write('look-begun', run.id, { round: layRound, method: 'tissue', left: true }, t.target));
  };
  const isReady = state.hasCard && unmade.length === 0;
  useKeys({ b: isReady && open.length === 0 ? begin : null });
  if (!isReady) {
    return (
      <p>
        {state.hasCard ? `${unmade.map((j) => j.label).join(', ')} not made yet.` : 'There is nothing to prove yet.'}{' '}
        <button type="button" className="cursor-pointer underline" onClick={() => go('make')}>
          Go to the work card
        </button>
      </p>
    );
  }
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 xl:grid-cols-[minmax(0,1fr)_20rem]">
      <section>
        {trouble.map((t) =>
          state.signedOff ? (
            <p key={t.id} className="caution mb-4">
              {t.label} is {t.finding}. This run is signed off: reopen it in Log, then put it right.{' '}
              <button type="button" className="cursor-pointer underline" onClick={() => go('log')}>
                Go to Log
              </button>
            </p>
          ) : (
            <RemedyBox key={t.id} trouble={t} {...props} />
          ),
        )}
        <Table
          targets={targets}
          rounds={rounds}
          goal={state.signedOff ? state.proof.againMlPerDay : state.proof.doorMlPerDay}
          recheck={recheckWords(state, timeZone)}
        />
        <PicturesOfJoints joints={state.joints} now={state.joints.find((j) => j.finding !== null)?.n} runId={run.id} {...{ visitId, gathered }} />
        <BesideLooks {...props} targets={targets} />
        <Safety {...props} />
        {(state.survey.baseline?.noise || state.rounds.includes('working')) && <NoiseAfter {...props} />}
        <details className="why mt-4" onToggle={(e) => setGauged(e.currentTarget.open)}>
          <summary>By gauge or meter: what a shut line loses</summary>
          {gauged && (
            <>
              <GaugeTest {...props} />
              <MeterTest {...props} />
            </>
          )}
        </details>
        {state.stage === 'log' && (
          <p className="mt-4 text-lg">
            All of it is proven.{' '}
            <button type="button" className="key key-main" onClick={() => go('log')}>
              On to Log
            </button>
          </p>
        )}
      </section>
      <section aria-label="The look" className="grid content-start gap-3">
        {open.length === 0 ? (
          <div className="grid gap-3 border border-ink bg-sheet p-4">
            <h2>{ROUNDS.find((r) => r.id === round)?.name}</h2>
            <RoundWords round={round} card={state.card} />
            <label className="grid gap-1">
              <span className="label">Round</span>
              <select className="field" value={round} onChange={(e) => setRound(e.target.value as Round)}>
                {choices.map((r) => (
                  <option key={r} value={r}>
                    {ROUNDS.find((x) => x.id === r)?.name}
                  </option>
                ))}
              </select>
            </label>
            <Choices
              legend="How"
              options={[
                ['tissue', METHODS.tissue.name],
                ['eye', METHODS.eye.name],
                ['mirror', METHODS.mirror.name],
                ...(isUnderPressure ? [] : ([['ear', METHODS.ear.name]] as [Method, string][])),
              ]}
              value={method === 'ear' && isUnderPressure ? 'tissue' : method}
              onChange={setMethod}
            />
            <button type="button" className="key key-main" onClick={begin}>
              Begin the look <kbd>b</kbd>
            </button>
            {toLay.length > 0 && ROUNDS.find((r) => r.id === round)?.pressure && (
              <button type="button" className="key" onClick={lay}>
                Leave a tissue under {toLay.length === targets.length ? 'each' : toLay.map((t) => t.label).join(', ')}
              </button>
            )}
          </div>
        ) : (
          <Looking open={open} targets={targets} {...props} />
        )}
        <p className="text-soft">"It works" is never "it is dry": a filled tank proves nothing about a joint. Bounds are guides.</p>
      </section>
    </div>
  );
}
