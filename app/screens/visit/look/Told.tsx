import { endLabel } from '../../../../core/index.ts';
import type { RunRow, RunState, Told as ToldEnd } from '../../../../record/index.ts';
import type { Write } from '../../../ui/held/index.ts';

const SIDES = { from: 'Water side', to: 'Inlet', rejoin: 'To be joined again' } as const;

/** Ends as they were told when the call was taken: never seen, so each is asked for again, and confirmed with one press. */
export function Told({ run, state, write }: { run: RunRow; state: RunState; write: Write }) {
  const open = run.told.filter((t) => state[t.side] === null);
  if (open.length === 0) return null;
  return (
    <section aria-label="Told on the telephone" className="border border-dashed border-ink p-3">
      <h3>Told on the telephone: look whether it is so</h3>
      <ul>
        {open.map((t: ToldEnd) => (
          <li key={t.side} className="flex flex-wrap items-center gap-3 py-1">
            <span className="min-w-0 flex-1">
              {SIDES[t.side]}: <b>{endLabel(t.end)}</b>
            </span>
            <button type="button" className="key" onClick={() => write('end-seen', run.id, { side: t.side, end: t.end, how: 'seen' })}>
              It is so
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
