import type { Writing } from './use-write.ts';

/** What was pressed and not recorded, and why. */
export function Refused({ refused, dismiss }: Pick<Writing, 'refused' | 'dismiss'>) {
  if (!refused) return null;
  return (
    <div
      role="alert"
      className="fixed right-0 bottom-34 z-20 m-2 flex max-w-150 flex-wrap items-center gap-3 border-2 border-ink bg-sheet px-4 py-2 lg:bottom-18 print:hidden"
    >
      <span>
        <b>▲ Not recorded.</b> {refused}
      </span>
      <button type="button" className="key" onClick={dismiss}>
        Understood
      </button>
    </div>
  );
}
