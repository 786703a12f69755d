import { useSyncExternalStore } from 'react';
import { useKeys } from '../keys/index.ts';
import { lastPress, onPress, takeBack } from './presses.ts';

/** What was just recorded, and its way back: quiet, on every screen, and off the next thing to press: at the foot of the
 * side panel, on a small screen at the top. */
export default function PressBar() {
  const last = useSyncExternalStore(onPress, lastPress, () => null);
  useKeys({ z: last ? takeBack : null });
  return (
    <div
      role="status"
      className="pointer-events-none fixed z-20 max-w-full p-1 empty:hidden max-lg:top-0 max-lg:right-0 lg:bottom-1 lg:left-1 lg:max-w-58 print:hidden"
    >
      {last && (
        <div className="pointer-events-auto flex max-w-150 flex-wrap items-center gap-x-3 gap-y-1 border border-ink bg-sheet px-3 py-1 lg:py-2">
          <span className="line-clamp-3 min-w-0">
            {last.words}
            {last.entries.length > 1 && !last.isWhole && ` and ${last.entries.length - 1} more`}
          </span>
          <button type="button" className="key" onClick={takeBack}>
            {last.isBack ? 'Put it back' : 'Take it back'} <kbd className="max-lg:hidden">z</kbd>
          </button>
        </div>
      )}
    </div>
  );
}
