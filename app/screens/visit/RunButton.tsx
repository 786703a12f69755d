import { type ReadRun, STAGES, standWords, summaryOf } from '../../../record/index.ts';
import { pipOf } from '../../ui/pips.ts';

/** A run in the visit's list: its name, where it stands, a pip for each stage. */
export function RunButton({ name, read, current, onChoose }: { name: string; read: ReadRun | undefined; current: boolean; onChoose: () => void }) {
  const state = read?.state;
  const finding = state && [...state.joints, ...state.checkPoints].find((t) => t.finding);
  return (
    <button
      type="button"
      onClick={onChoose}
      ref={current ? showInRow : undefined}
      aria-current={current ? 'true' : undefined}
      className={`block min-h-12 w-full min-w-40 cursor-pointer border-t border-rule px-4 py-1.5 text-left lg:min-h-16 lg:py-2 short:flex short:items-baseline short:gap-2 short:py-1 ${current ? 'border-l-6 border-l-brass-deep bg-sheet' : ''}`}
    >
      <span className="font-head text-xl font-semibold">{name}</span>
      <span className={`block ${finding ? 'font-bold' : 'text-soft'}`}>{read ? wordOf(read) : ''}</span>
      <span className="mt-1 grid grid-cols-6 gap-1 short:hidden" aria-hidden="true">
        {STAGES.map((s) => (
          <span key={s} className={`h-1.5 ${pipOf(state?.stages[s].state ?? 'open', state?.stage === s)}`} />
        ))}
      </span>
    </button>
  );
}

function wordOf(read: ReadRun): string {
  const { state } = read;
  const finding = state && [...state.joints, ...state.checkPoints].find((t) => t.finding);
  const isTrouble = !state || state.conflicts.length > 0;
  if (finding && !isTrouble) return `▲ ${finding.label} ${finding.finding}`;
  if (state && state.offList !== null && !isTrouble) return 'off the list';
  return `${isTrouble ? '▲ ' : ''}${standWords(summaryOf(read))}`;
}

/** On a phone the runs stand in a row that scrolls: the present one is brought into it. */
function showInRow(button: HTMLButtonElement | null): void {
  const row = button?.parentElement;
  if (row) row.scrollLeft = button.offsetLeft - row.offsetLeft - (row.clientWidth - button.clientWidth) / 2;
}
