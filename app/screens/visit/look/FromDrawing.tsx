import { usePremises } from '../../../ui/held/index.ts';
import { conditionWords } from '../../../ui/water-words.ts';
import type { StageProps } from '../stage-props.ts';

/** What the drawing of the house knows of this run's stop, where that is newer or other than what was noted here; taken with one press. */
export default function FromDrawing({ run, state, write, premisesId }: Pick<StageProps, 'run' | 'state' | 'write' | 'premisesId'>) {
  const { book } = usePremises(premisesId);
  const drawn = book?.premises.water.find((t) => t.what === 'valve' && t.runId === run.id);
  if (drawn?.what !== 'valve' || drawn.condition === 'unknown') return null;
  const { kind, condition } = drawn;
  if (kind === 'check' || kind === 'regulator' || kind === 'street') return null;
  const isSame = state.stop?.kind === kind && state.stop.condition === condition;
  if (isSame || (state.stop !== null && (state.stopTriedMs ?? 0) >= (drawn.triedMs ?? 0))) return null;
  return (
    <p className="caution flex flex-wrap items-center justify-between gap-2">
      <span>
        On the drawing of this house: {kind}, {conditionWords(condition)}.
      </span>
      <button type="button" className="key" onClick={() => write('stop-tried', run.id, { kind, condition })}>
        It is so
      </button>
    </p>
  );
}
