import { useState } from 'react';
import { minutesLeft } from '../../../../record/index.ts';
import { fetched } from '../../../ui/form/index.ts';
import { PicturesOfJoints } from '../look/PicturesOf.tsx';
import type { StageProps } from '../stage-props.ts';
import { DoneBy } from './DoneBy.tsx';
import { AlongCard, OnPhone } from './OnPhone.tsx';
import { SkipStage } from './SkipStage.tsx';
import { Step } from './Step.tsx';
import { useAwake } from './use-awake.ts';

const WhichWater = fetched('Which water goes off', () => import('./WhichWater.tsx'));

/** The work card of one stage: steps in order, gates that are not skipped, turns noted per joint. */
export default function MakeStage({
  run,
  context,
  state,
  write,
  go,
  part,
  visitId,
  premisesId,
  gathered,
  others,
  catalogue,
  timeZone,
}: StageProps & { part: 'shut' | 'make' }) {
  const steps = state.card.filter((s) => s.stage === part);
  const [looked, setLooked] = useState<number | null>(null);
  const isAwake = useAwake(state.hasCard && !state.signedOff);
  if (!state.hasCard) {
    return (
      <p>
        The card is made from the accepted chain.{' '}
        <button type="button" className="cursor-pointer underline" onClick={() => go('match')}>
          Choose one
        </button>
      </p>
    );
  }
  const present = steps.findIndex((s) => !state.done[s.id]);
  const behind = present === -1 ? steps : steps.slice(0, present);
  const ahead = present === -1 ? [] : steps.slice(present);
  const next = part === 'shut' ? 'make' : 'prove';
  const isWaterSafe = state.stages.shut.state !== 'open';
  const left = minutesLeft(state.card, state.done, catalogue.ownStepMinutes);
  const minutes = `About ${left.usual} min left on the card, ${left.slow} where it goes slowly`;
  const look = { steps, present, looked, done: state.done, onLook: setLooked };
  const waits = part === 'make' && !isWaterSafe && steps[present]?.opens === true;
  return (
    <div className="max-w-220">
      <h2 className="max-lg:sr-only">{part === 'shut' ? 'Shut the water, and prove it' : 'Work card'}</h2>
      {part === 'shut' && !state.signedOff && <WhichWater {...{ run, catalogue, state, write, others, premisesId, visitId }} />}
      {state.notes.map((note, i) => (
        <p key={i} className="caution mt-1">
          {note}
        </p>
      ))}
      {state.stages[part].state === 'skipped' && (
        <p className="caution mt-1">
          {part === 'shut' ? 'Proved another way' : 'Skipped, with the reason'}: {state.stages[part].reason}
        </p>
      )}
      {part === 'make' && state.stages.shut.state === 'skipped' && (
        <p className="caution mt-1">The water was not proved dead on the card. Proved another way: {state.stages.shut.reason}</p>
      )}
      {waits && <WaterFirst run={run} write={write} go={go} />}
      {present !== -1 && <OnPhone {...look} left={left} timeZone={timeZone} own={catalogue.ownStepMinutes} />}
      {left.usual > 0 && !state.signedOff && (
        <p className="mt-1 text-soft max-lg:hidden print:hidden">
          {minutes}
          <DoneBy left={left} timeZone={timeZone} />
          {isAwake && '. The screen stays awake while the card is open.'}
        </p>
      )}
      {behind.length > 0 && (
        <details className={`why to-print mt-1 ${present === -1 ? '' : 'max-lg:hidden print:block'}`}>
          <summary>Steps done ({behind.length})</summary>
          <ol>
            {behind.map((step) => (
              <Step key={step.id} step={step} n={steps.indexOf(step) + 1} done present={false} {...{ run, context, state, catalogue, write }} />
            ))}
          </ol>
        </details>
      )}
      <ol className="mt-2">
        {ahead.map((step) => (
          <Step
            key={step.id}
            step={step}
            n={steps.indexOf(step) + 1}
            done={state.done[step.id] ?? false}
            present={steps.indexOf(step) === present}
            waits={waits}
            isOnPhone={looked === null && steps.indexOf(step) === present}
            {...{ run, context, state, catalogue, write }}
          />
        ))}
      </ol>
      {present !== -1 && <AlongCard {...look} />}
      {part === 'make' && <PicturesOfJoints joints={state.joints} now={steps[present]?.joint} runId={run.id} {...{ visitId, gathered }} />}
      {part === 'shut' && state.stages.shut.state === 'open' && !state.signedOff && (
        <details className="why mt-3">
          <summary>The water is proved off another way</summary>
          <SkipStage stage="shut" run={run} write={write} />
        </details>
      )}
      {present === -1 && (
        <button type="button" className="key key-main mt-4" onClick={() => go(next)}>
          On to {next === 'make' ? 'Make' : 'Prove'}
        </button>
      )}
    </div>
  );
}

/** The first step that opens the line waits for the water. */
function WaterFirst({ run, write, go }: Pick<StageProps, 'run' | 'write' | 'go'>) {
  return (
    <section role="alert" className="my-3 border-2 border-ink bg-sheet p-4">
      <h3 className="text-2xl">▲ The water is not proved dead</h3>
      <p className="mt-1 text-lg">The next step opens the line. Shut the water and prove it first.</p>
      <button type="button" className="key key-main mt-2" onClick={() => go('shut')}>
        Go to Shut
      </button>
      <details className="why mt-3">
        <summary>It is proved off another way: named, kept and shown for ever</summary>
        <SkipStage stage="shut" run={run} write={write} />
      </details>
    </section>
  );
}
