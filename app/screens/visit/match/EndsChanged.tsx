import { endLabel } from '../../../../core/index.ts';
import type { RunState } from '../../../../record/index.ts';
import { changedEnds, untouchedJoints } from '../../../../record/index.ts';

const SIDES = { from: 'The water side', to: 'The inlet', rejoin: 'The old line' } as const;

/** An end that was noted otherwise after the chain was accepted: what no longer holds, what stays good, and the way to match again. */
export default function EndsChanged({ state, onMatch }: { state: RunState; onMatch: () => void }) {
  const changed = changedEnds(state);
  const broken = changed.filter((c) => !c.holds);
  if (broken.length === 0) return null;
  const stay = untouchedJoints(state, changed);
  return (
    <section aria-label="Another end" className="caution m-3 flex flex-wrap items-center gap-3" role="alert">
      <div className="min-w-0 flex-1 basis-80">
        {broken.map((c) => (
          <p key={c.side}>
            {SIDES[c.side]} is {c.now === null ? 'not there' : endLabel(c.now)}, not {endLabel(c.was)}: <b>{c.joint} no longer holds</b>
            {c.part && ` (${c.part})`}.
          </p>
        ))}
        {stay.length > 0 && (
          <p>
            {stay.join(', ')} {stay.length === 1 ? 'stays' : 'stay'} good, with turns and looks, in any chain that keeps{' '}
            {stay.length === 1 ? 'it' : 'them'}.
          </p>
        )}
      </div>
      <button type="button" className="key key-main" onClick={onMatch}>
        Match again
      </button>
    </section>
  );
}
