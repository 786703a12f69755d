import { useKeys } from '../../ui/use-keys.ts';
import type { Writing } from './use-write.ts';

/** What was just recorded, and its way back; what was refused, and why. */
export function PressBar({ refused, dismiss, last, takeBack }: Pick<Writing, 'refused' | 'dismiss' | 'last' | 'takeBack'>) {
  useKeys({ z: last ? takeBack : null });
  return (
    <div className="pointer-events-none fixed right-0 bottom-18 z-20 grid max-w-full justify-items-end gap-2 p-2 lg:bottom-2 print:hidden">
      {refused && (
        <div role="alert" className="pointer-events-auto flex max-w-150 flex-wrap items-center gap-3 border-2 border-ink bg-sheet px-4 py-2">
          <span>
            <b>▲ Not recorded.</b> {refused}
          </span>
          <button type="button" className="key" onClick={dismiss}>
            Understood
          </button>
        </div>
      )}
      <div role="status" className="pointer-events-auto empty:hidden">
        {last && (
          <div className="flex max-w-150 flex-wrap items-center gap-3 border border-ink bg-sheet px-4 py-1">
            <span className="min-w-0">{last.words}</span>
            <button type="button" className="key" onClick={takeBack}>
              {last.isBack ? 'Put it back' : 'Take it back'} <kbd>z</kbd>
            </button>
          </div>
        )}
      </div>
    </div>
  );
}
