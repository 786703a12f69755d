import { useState } from 'react';
import { turns24, type WorkStep, writeTurns } from '../../../../core/index.ts';
import { isProof, type JointState } from '../../../../record/index.ts';
import { ReasonForm } from '../../../ui/form/index.ts';
import type { StageProps } from '../stage-props.ts';
import { Timer } from './Timer.tsx';

type Props = { step: WorkStep } & Pick<StageProps, 'run' | 'state' | 'write'>;

/** The press that says a step is done: a joint with its turns, a question with its answer, or a tick. */
export function StepAction({ step, run, state, write }: Props) {
  const joint = state.joints.find((j) => j.n === step.joint);
  const done = () => write('step-done', run.id, { stepId: step.id, done: true });
  if (step.gate && (!joint || joint.made || !joint.budget)) return <Gate {...{ step, run, state, write, joint }} />;
  if (joint) return <Turns key={joint.id} {...{ step, run, write, joint }} />;
  return (
    <>
      {step.timerS && <Timer seconds={step.timerS} />}
      <button type="button" className="key key-main key-glove mt-2" onClick={done}>
        Done
      </button>
    </>
  );
}

function Turns({ step, run, write, joint }: Pick<Props, 'step' | 'run' | 'write'> & { joint: JointState }) {
  const [turns, setTurns] = useState(turns24(step.turns ?? 0));
  const made = () => write('joint-made', run.id, { turns24: turns, stepId: step.id }, { jointId: joint.id });
  if (!joint.budget) {
    return (
      <>
        {step.timerS && <Timer seconds={step.timerS} />}
        <button type="button" className="key key-main key-glove mt-2" onClick={made}>
          Done: {joint.label} made
        </button>
      </>
    );
  }
  const { most24 } = joint.budget;
  return (
    <div className="mt-2">
      <fieldset className="grid grid-cols-2 items-center gap-2 md:flex md:flex-wrap" aria-label={`Turns given to ${joint.label}`}>
        <button type="button" className="key key-glove" onClick={() => setTurns(Math.max(0, turns - 3))} aria-label="An eighth less">
          less
        </button>
        <output className="min-w-36 text-center font-head text-2xl font-semibold max-md:order-first max-md:col-span-2">{writeTurns(turns)}</output>
        <button type="button" className="key key-glove" disabled={turns + 3 > most24} onClick={() => setTurns(turns + 3)} aria-label="An eighth more">
          more
        </button>
        <button type="button" className="key key-main key-glove max-md:col-span-2" onClick={made}>
          Done, {writeTurns(turns)}
        </button>
      </fieldset>
      <p className="text-soft">At most {writeTurns(most24)}: past that it is remade.</p>
    </div>
  );
}

/** A question that is answered before the work goes on. Water and power take another proof, named; others may be gone past with a reason. */
function Gate({ step, run, state, write, joint }: Props & { joint: JointState | undefined }) {
  const answer = (given: 'yes' | 'no' | 'another proof' | 'past it', note = '') => {
    if (joint && !joint.made && given !== 'no') write('joint-made', run.id, { turns24: 0, stepId: step.id }, { jointId: joint.id });
    write('gate-answered', run.id, { stepId: step.id, answer: given, note });
  };
  const proves = isProof(step);
  const off = step.reckoned?.find((r) => r.isOff);
  return (
    <div className="mt-2 border-2 border-ink p-3">
      {state.gates[step.id]?.answer === 'no' && <p className="caution mb-2">Answered no. Do not go on: put it right, then answer again.</p>}
      <p className="text-lg font-bold">{step.gate}</p>
      {step.timerS && <Timer seconds={step.timerS} />}
      {off && (
        <p className="caution mt-1">{off.title} does not keep to what is asked: put it right and measure again, or go past it with a reason.</p>
      )}
      <div className="mt-2 flex gap-3">
        <button type="button" className="key key-main key-glove" disabled={off !== undefined} onClick={() => answer('yes')}>
          Yes
        </button>
        <button type="button" className="key key-glove" onClick={() => answer('no')}>
          No
        </button>
      </div>
      <details className="why mt-3">
        <summary>{proves ? 'It is proved another way' : 'Go past it, with a reason'}</summary>
        {proves ? (
          <ReasonForm label="What proves it off" submit="Proved so" onReason={(proof) => answer('another proof', proof)} />
        ) : (
          <ReasonForm label="Why it is gone past" submit="Go past it" onReason={(reason) => answer('past it', reason)} />
        )}
      </details>
    </div>
  );
}
