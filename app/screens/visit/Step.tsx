import { useEffect, useState } from 'react';
import { turns24, type WorkStep, withQuantities, writeTurns } from '../../../core/index.ts';
import { InUnits } from '../../ui/InUnits.tsx';
import { Reasons } from '../../ui/Reasons.tsx';
import { clock } from '../../ui/words.ts';
import type { StageProps } from './stage-props.ts';

/** A step of the work card: what to do, with what, and the press that says it is done. */
export function Step({
  step,
  n,
  done,
  present,
  waits = false,
  run,
  state,
  write,
}: { step: WorkStep; n: number; done: boolean; present: boolean; waits?: boolean } & Pick<StageProps, 'run' | 'state' | 'write'>) {
  const answered = state.gates[step.id];
  return (
    <li
      className={`border-b border-rule py-3 ${present ? 'border-l-6 border-l-brass-deep bg-sheet pl-3' : 'pl-4'}`}
      aria-current={present ? 'step' : undefined}
    >
      <div className="flex items-baseline gap-3">
        <span className={`hidden size-4 shrink-0 border border-ink ${done ? '' : 'print:inline-block'}`} aria-hidden="true" />
        <span className="font-head text-xl font-semibold">{n}</span>
        <h3 className="text-xl">
          <InUnits said={withQuantities(step.title)} />
        </h3>
        {done && <span className="ml-auto font-bold">✓ done</span>}
      </div>
      {(present || !done) && (
        <>
          <p className="mt-1 text-lg">
            <InUnits said={withQuantities(step.detail)} />
          </p>
          {step.tool && <p className="text-soft">Tools: {step.tool}</p>}
          {step.cautions.map((c) => (
            <p key={c} className="caution mt-1">
              <InUnits said={withQuantities(c)} />
            </p>
          ))}
          <Reasons because={step.because.map((r) => ({ ...r, ...withQuantities(r.text) }))} />
        </>
      )}
      {present && answered?.answer === 'no' && <p className="caution mt-2">Answered no. Do not go on: put it right, then answer again.</p>}
      {present && !waits && !state.signedOff && (
        <div className="print:hidden">
          <Action {...{ step, run, state, write }} />
        </div>
      )}
      {present && !state.signedOff && <Wrong step={step} run={run} write={write} />}
    </li>
  );
}

function Action({ step, run, state, write }: { step: WorkStep } & Pick<StageProps, 'run' | 'state' | 'write'>) {
  const joint = state.joints.find((j) => j.n === step.joint);
  const [turns, setTurns] = useState(turns24(step.turns ?? 0));
  if (joint) {
    const made = () => write('joint-made', run.id, { turns24: turns }, { jointId: joint.id });
    if (!joint.budget) {
      return (
        <button type="button" className="key key-main mt-2" onClick={made}>
          Done: {joint.label} made
        </button>
      );
    }
    const { most24 } = joint.budget;
    return (
      <div className="mt-2">
        <fieldset className="grid grid-cols-2 items-center gap-2 md:flex md:flex-wrap" aria-label={`Turns given to ${joint.label}`}>
          <button type="button" className="key" onClick={() => setTurns(Math.max(0, turns - 3))} aria-label="An eighth less">
            less
          </button>
          <output className="min-w-36 text-center font-head text-2xl font-semibold max-md:order-first max-md:col-span-2">{writeTurns(turns)}</output>
          <button type="button" className="key" disabled={turns + 3 > most24} onClick={() => setTurns(turns + 3)} aria-label="An eighth more">
            more
          </button>
          <button type="button" className="key key-main max-md:col-span-2" onClick={made}>
            Done, {writeTurns(turns)}
          </button>
        </fieldset>
        <p className="text-soft">At most {writeTurns(most24)}: past that it is remade.</p>
      </div>
    );
  }
  if (step.gate) {
    const answer = (a: 'yes' | 'no') => write('gate-answered', run.id, { stepId: step.id, answer: a, note: '' });
    return (
      <div className="mt-2 border-2 border-ink p-3">
        <p className="text-lg font-bold">{step.gate}</p>
        {step.timerS && <Timer seconds={step.timerS} />}
        <div className="mt-2 flex gap-3">
          <button type="button" className="key key-main" onClick={() => answer('yes')}>
            Yes
          </button>
          <button type="button" className="key" onClick={() => answer('no')}>
            No
          </button>
        </div>
      </div>
    );
  }
  return (
    <button type="button" className="key key-main mt-2" onClick={() => write('step-done', run.id, { stepId: step.id, done: true })}>
      Done
    </button>
  );
}

/** Something the card did not foresee: said in words, kept with the run. */
function Wrong({ step, run, write }: { step: WorkStep } & Pick<StageProps, 'run' | 'write'>) {
  const [text, setText] = useState('');
  const [kept, setKept] = useState<string | null>(null);
  const keep = () => {
    if (text.trim() === '') return;
    write('noted', run.id, { text: `At "${step.title}": ${text.trim()}` });
    setKept(text.trim());
    setText('');
  };
  return (
    <details className="why mt-3">
      <summary>Something is wrong</summary>
      <div className="mt-1 grid max-w-140 gap-2">
        <label className="grid gap-1">
          <span className="label">What is it? Kept with the run; the step stays open.</span>
          <input
            className="field"
            maxLength={1000}
            value={text}
            onChange={(e) => setText(e.target.value)}
            onKeyDown={(e) => e.key === 'Enter' && keep()}
          />
        </label>
        <button type="button" className="key justify-self-start" disabled={text.trim() === ''} onClick={keep}>
          Keep it
        </button>
        <p aria-live="polite">{kept && `Kept: ${kept}`}</p>
      </div>
    </details>
  );
}

function Timer({ seconds }: { seconds: number }) {
  const [began, setBegan] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (began === null) return;
    const timer = setInterval(() => setNow(performance.now()), 500);
    return () => clearInterval(timer);
  }, [began]);
  if (began === null) {
    return (
      <button
        type="button"
        className="key mt-2"
        onClick={() => {
          setBegan(performance.now());
          setNow(performance.now());
        }}
      >
        Start {clock(seconds)}
      </button>
    );
  }
  const left = seconds - (now - began) / 1000;
  return <p className="font-head text-3xl font-semibold">{left > 0 ? `${clock(left)} to go` : `${clock(seconds)} over`}</p>;
}
