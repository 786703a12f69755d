import { type WorkStep, withQuantities } from '../../../../core/index.ts';
import { InUnits } from '../../../ui/units/index.ts';
import type { StageProps } from '../stage-props.ts';
import { MeasureHere } from './MeasureHere.tsx';
import { StepAction } from './StepAction.tsx';
import { StepWords } from './StepWords.tsx';
import { Wrong } from './Wrong.tsx';

/** A step in the list of the whole card: what to do, with what, and for the present one the press that says it is done. */
export function Step({
  step,
  n,
  done,
  present,
  waits = false,
  isOnPhone = true,
  run,
  context,
  state,
  catalogue,
  write,
}: { step: WorkStep; n: number; done: boolean; present: boolean; waits?: boolean; isOnPhone?: boolean } & Pick<
  StageProps,
  'run' | 'context' | 'state' | 'catalogue' | 'write'
>) {
  const measures = present && !waits && !state.signedOff && (step.measures ?? step.reckoned ?? step.figures) !== undefined;
  return (
    <li
      className={`border-b border-rule py-3 ${isOnPhone ? '' : 'max-lg:hidden print:list-item'} ${present ? 'border-l-6 border-l-brass-deep bg-sheet pl-3' : 'pl-4'}`}
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
      {(present || !done) && <StepWords step={step} isMeasuring={measures} own={catalogue.ownStepMinutes} />}
      {present && !waits && !state.signedOff && (
        <div className="print:hidden">
          {measures && <MeasureHere {...{ step, run, context, state, write }} />}
          <StepAction {...{ step, run, state, write }} />
        </div>
      )}
      {present && !state.signedOff && <Wrong step={step} run={run} write={write} />}
    </li>
  );
}
