import type { RunRow, RunState } from '../../../../record/index.ts';
import { pressReason } from '../../../../record/index.ts';
import type { Write } from '../../../ui/held/index.ts';

/** A running leak, in reach at every stage: water off first, then power. */
export function RunningLeak({
  run,
  state,
  mainValve,
  write,
  open,
  onClose,
}: {
  run: RunRow;
  state: RunState;
  /** Where it is; null where nobody said. */
  mainValve: string | null;
  write: Write;
  open: boolean;
  onClose: () => void;
}) {
  const running = [...state.joints, ...state.checkPoints].filter((t) => t.finding === 'running');
  if (!open && running.length === 0) return null;
  const off = () => {
    for (const t of running) {
      const target = state.joints.some((j) => j.id === t.id) ? { jointId: t.id } : { checkPointId: t.id };
      write('remedied', run.id, { action: 'shut', turns24: 0, movedJointIds: [] }, target);
    }
    if (running.length === 0) write('noted', run.id, { text: pressReason('leak-shut') });
    onClose();
  };
  return (
    <section role="alert" className="border-b-4 border-ink bg-brass-light px-4 py-3">
      <h2 className="text-2xl">{running.length > 0 ? `${running.map((t) => t.label).join(', ')} running` : 'A running leak'}</h2>
      <ol className="list-decimal pl-6 text-lg">
        <li>
          <b>Water off:</b>{' '}
          {state.stop && state.stop.kind !== 'none' && state.stop.condition === 'works'
            ? `the ${state.stop.kind} stop, then the main if it does not hold.`
            : 'the main: there is no stop here that can be trusted.'}{' '}
          {mainValve && (
            <>
              The main valve: <b>{mainValve}</b>.
            </>
          )}
        </li>
        <li>
          <b>Then power, at the breaker.</b> Never reach for a plug in water.
        </li>
        <li>Open the lowest outlet to take the pressure off.</li>
      </ol>
      <div className="mt-2 flex flex-wrap gap-3">
        <button type="button" className="key key-main" onClick={off}>
          Water is off
        </button>
        {running.length === 0 && (
          <button type="button" className="key" onClick={onClose}>
            Not running
          </button>
        )}
      </div>
    </section>
  );
}
