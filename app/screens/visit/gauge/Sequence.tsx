import type { Decay } from '../../../../core/index.ts';
import { clock } from '../../../ui/words.ts';
import { LET_OUTS, SETTLE_MIN, type StepId, stepOf } from './step-of.ts';
import type { GaugeState } from './use-gauge.ts';

/** The test step by step, with its clock: one hand is enough. */
export function Sequence({ live, decay, ml }: { live: GaugeState; decay: Decay | null; ml: number }) {
  const at = stepOf(live, decay);
  const more = decay?.verdict === 'undecided' ? decay.minutesMore : null;
  const steps: [StepId, string, string][] = [
    ['shut', 'Shut the line at both ends, gauge on', 'then press Begin'],
    ['settle', 'Let it settle', `${clock(Math.max(0, SETTLE_MIN - (live.last?.minutes ?? 0)) * 60)} more`],
    ['let-out', `Let ${ml} mL out`, `${live.letOut.length} of ${LET_OUTS} done`],
    ['wait', 'Wait, touch nothing', more === null ? 'the readings decide' : `about ${clock(more * 60)} more decides`],
    ['read', 'Read it', 'keep it with the run'],
  ];
  const now = steps.findIndex(([id]) => id === at);
  return (
    <ol className="grid gap-1" aria-label="The test step by step">
      {steps.map(([id, what, detail], i) => (
        <li
          key={id}
          aria-current={i === now ? 'step' : undefined}
          className={`flex gap-3 px-2 py-1 ${i === now ? 'border-l-6 border-l-brass-deep bg-sheet text-lg font-bold' : 'text-soft'}`}
        >
          <span className="w-6">{i < now ? '✓' : i + 1}</span>
          <span>
            {what}
            {i === now && <span className="font-normal">: {detail}</span>}
          </span>
        </li>
      ))}
    </ol>
  );
}
