import { useSyncExternalStore } from 'react';
import { lastPress, onPress, takeBack } from './presses.ts';
import { useKeys } from './use-keys.ts';

/** What was just recorded, and its way back: quiet, on every screen; on a small one at the top, off the next thing to press. */
export default function PressBar() {
  const last = useSyncExternalStore(onPress, lastPress, () => null);
  useKeys({ z: last ? takeBack : null });
  return (
    <div role="status" className="pointer-events-none fixed right-0 z-20 max-w-full p-1 empty:hidden max-lg:top-0 lg:bottom-2 print:hidden">
      {last && (
        <div className="pointer-events-auto flex max-w-150 flex-wrap items-center gap-x-3 border border-ink bg-sheet px-4 py-1">
          <span className="min-w-0">
            {last.words}
            {last.ids.length > 1 && ` and ${last.ids.length - 1} more`}
          </span>
          <button type="button" className="key" onClick={takeBack}>
            {last.isBack ? 'Put it back' : 'Take it back'} <kbd className="max-lg:hidden">z</kbd>
          </button>
        </div>
      )}
    </div>
  );
}
