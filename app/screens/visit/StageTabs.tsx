import { useRef } from 'react';
import { type RunState, STAGE_NAMES, STAGES, type Stage } from '../../../record/index.ts';

/** The six stages, with how far each is. */
export function StageTabs({ stage, state, onChoose }: { stage: Stage; state: RunState | null; onChoose: (s: Stage) => void }) {
  const tabs = useRef<HTMLDivElement>(null);
  const move = (event: React.KeyboardEvent) => {
    const step = { ArrowRight: 1, ArrowLeft: -1, Home: -STAGES.length, End: STAGES.length }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const to = STAGES[Math.min(STAGES.length - 1, Math.max(0, STAGES.indexOf(stage) + step))] as Stage;
    onChoose(to);
    tabs.current?.querySelector<HTMLElement>(`#tab-${to}`)?.focus();
  };
  return (
    <div ref={tabs} role="tablist" aria-label="Stages" className="grid grid-cols-6 border-b border-ink" onKeyDown={move}>
      {STAGES.map((s, i) => {
        const is = state?.stages[s].state ?? 'open';
        return (
          <button
            key={s}
            type="button"
            role="tab"
            id={`tab-${s}`}
            tabIndex={s === stage ? 0 : -1}
            aria-selected={s === stage}
            aria-controls="panel"
            className="leaf"
            data-done={is !== 'open'}
            onClick={() => onChoose(s)}
          >
            {STAGE_NAMES[s]} <span className="text-base text-soft max-md:hidden">{i + 1}</span>
            {is === 'done' && (
              <span className="text-base">
                ✓ <span className="max-xl:sr-only">done</span>
              </span>
            )}
            {is === 'skipped' && (
              <span className="text-base">
                ↷ <span className="max-xl:sr-only">skipped</span>
              </span>
            )}
          </button>
        );
      })}
    </div>
  );
}
