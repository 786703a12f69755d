import type { ReadRun, RunRow } from '../../../record/index.ts';
import { type RunState, STAGE_NAMES, type Stage, sentenceOf } from '../../../record/index.ts';

interface Props {
  run: RunRow;
  state: RunState;
  stage: Stage;
  reads: Map<string, ReadRun> | null;
  onDate: string;
  go: (stage: Stage) => void;
  chooseRun: (id: string) => void;
  onHistory: () => void;
}

/** Where the run stands, in one sentence, and the way to what is next. */
export function Standing({ run, state, stage, reads, onDate, go, chooseRun, onHistory }: Props) {
  const { text, nextStep, next } = sentenceOf(state);
  const others = [...(reads?.values() ?? [])].filter((r) => r.run.id !== run.id && r.state && r.state.signedOff === null && r.state.offList === null);
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule bg-sheet px-3 py-1 short:py-0 md:px-6">
      <p className={`min-w-0 flex-1 basis-40 py-1 text-lg max-md:text-base ${state.signedOff ? 'md:basis-80' : ''}`} aria-live="polite">
        {text} {next !== stage && nextStep}
      </p>
      {next && next !== stage && (
        <button type="button" className="key" onClick={() => go(next)}>
          Go to {STAGE_NAMES[next]}
        </button>
      )}
      {state.signedOff && others[0] && (
        <button type="button" className="key" onClick={() => chooseRun(others[0]!.run.id)}>
          Next run: {others[0].run.name}
        </button>
      )}
      {state.signedOff && (
        <a className="key" href={`/?day=${onDate}`}>
          Back to the day
        </a>
      )}
      <button type="button" className="min-h-11 cursor-pointer underline print:hidden" onClick={onHistory}>
        What happened here <kbd className="max-md:hidden">h</kbd>
      </button>
    </div>
  );
}
