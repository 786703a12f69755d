import { useState } from 'react';
import type { WorkStep } from '../../../../core/index.ts';
import type { StageProps } from '../stage-props.ts';

/** What goes wrong at a step: the ways out that are known, and what the card did not foresee, said in words and kept with the run. */
export function Wrong({ step, run, write }: { step: WorkStep } & Pick<StageProps, 'run' | 'write'>) {
  const [text, setText] = useState('');
  const [kept, setKept] = useState<string | null>(null);
  const keep = (what: string, said: { text: string } | { wayId: string } = { text: what.trim() }) => {
    if (what.trim() === '') return;
    write('noted', run.id, { ...said, stepId: step.id });
    setKept(what.trim());
    setText('');
  };
  return (
    <details className="why mt-3 print:hidden">
      <summary>Something is wrong</summary>
      <div className="mt-1 grid max-w-140 gap-2">
        {step.recoveries?.map((way) => (
          <details key={way.id} className="border border-rule bg-sheet px-3">
            <summary className="flex min-h-14 cursor-pointer items-center font-bold">{way.title}</summary>
            <ol className="ml-5 list-decimal pb-2">
              {way.steps.map((one) => (
                <li key={one}>{one}</li>
              ))}
            </ol>
            <button type="button" className="key mb-2" onClick={() => keep(way.title, { wayId: way.id })}>
              Put it on record
            </button>
          </details>
        ))}
        <label className="grid gap-1">
          <span className="label">{step.recoveries ? 'Something else?' : 'What is it?'} Kept with the run; the step stays open.</span>
          <input
            className="field"
            maxLength={1000}
            value={text}
            onChange={(e) => setText(e.target.value)}
            onKeyDown={(e) => e.key === 'Enter' && keep(text)}
          />
        </label>
        <button type="button" className="key justify-self-start" disabled={text.trim() === ''} onClick={() => keep(text)}>
          Keep it
        </button>
        <p aria-live="polite">{kept && `Kept: ${kept}`}</p>
      </div>
    </details>
  );
}
