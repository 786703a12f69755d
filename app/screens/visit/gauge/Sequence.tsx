import type { Decay } from '../../../../core/index.ts';
import { clock } from '../../../ui/words.ts';
import type { GaugeState } from './use-gauge.ts';

/** How often a measured volume is let out, and how long a line is left alone before it: less tells less. */
export const LET_OUTS = 2;
export const SETTLE_MIN = 0.5;

type StepId = 'shut' | 'settle' | 'let-out' | 'wait' | 'read';

/** Which step it is at: shut, settle, let out, wait, read. */
export function stepOf(live: Pick<GaugeState, 'line' | 'letOut' | 'last' | 'fault'>, decay: Decay | null): StepId {
  if (live.line === null || live.fault !== null) return 'shut';
  if (live.letOut.length === 0 && (live.last?.minutes ?? 0) < SETTLE_MIN) return 'settle';
  if (live.letOut.length < LET_OUTS) return 'let-out';
  return decay && decay.verdict !== 'undecided' ? 'read' : 'wait';
}

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
