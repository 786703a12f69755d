import { withQuantities } from '../../../../core/index.ts';
import type { RunRow } from '../../../../record/index.ts';
import { type RunState, STAGES, type Stage, sentenceOf } from '../../../../record/index.ts';
import type { ClientCatalogue } from '../../../ui/held/index.ts';
import { InUnits } from '../../../ui/units/index.ts';
import { StepWords } from '../card/StepWords.tsx';
import { jointUnderWork } from '../joint-under-work.ts';
import { TheLine } from '../TheLine.tsx';

interface Props {
  run: RunRow;
  state: RunState;
  /** As the address asks; the one it has come to unless it does. */
  stage: string | null;
  catalogue: Pick<ClientCatalogue, 'parts'>;
}

/** A run as the server knows it, to be read at once: where it stands, its line, and of its card the present step and what comes after. Nothing in it is pressed. */
export function FirstCard({ run, state, stage: asked, catalogue }: Props) {
  const stage = STAGES.includes(asked as Stage) ? (asked as Stage) : (state.stage ?? 'log');
  const { text, nextStep, next } = sentenceOf(state);
  const steps = state.card.filter((s) => s.stage === stage);
  const present = steps.findIndex((s) => !state.done[s.id]);
  return (
    <div>
      <p className="min-h-13 border-b border-rule bg-sheet px-3 py-2 text-lg max-md:text-base md:px-6">
        {text} {next !== stage && nextStep}
      </p>
      <div className="grid grid-cols-[6.25rem_minmax(0,1fr)] lg:block">
        <TheLine run={run} state={state} catalogue={catalogue} ringed={jointUnderWork(state, stage)} />
        <div className="border-ink p-3 max-lg:border-l max-lg:border-rule md:px-6 lg:py-4">
          {present === -1 || (stage !== 'shut' && stage !== 'make') ? (
            <p className="text-soft">One moment ...</p>
          ) : (
            <ol className="max-w-220">
              {steps.slice(present).map((step, i) => (
                <li
                  key={step.id}
                  className={`border-b border-rule py-3 ${i === 0 ? 'border-l-6 border-l-brass-deep bg-sheet pl-3' : 'pl-4 max-lg:hidden'}`}
                >
                  <div className="flex items-baseline gap-3">
                    <span className="font-head text-xl font-semibold">{present + i + 1}</span>
                    <h3 className="text-xl">
                      <InUnits said={withQuantities(step.title)} />
                    </h3>
                  </div>
                  {i === 0 && <StepWords step={step} />}
                </li>
              ))}
            </ol>
          )}
        </div>
      </div>
    </div>
  );
}
