import { useEffect, useState } from 'react';
import type { EntryOf, ReadRun, RunRow, RunState } from '../../../../record/index.ts';
import type { Write } from '../../../ui/held/index.ts';
import { clock } from '../../../ui/words.ts';
import { elapsedOf } from './stopwatch.ts';
import { neededS } from './watched-for.ts';

const READ = ['dry', 'damp', 'drip', 'running'] as const;

interface Left {
  run: RunRow;
  state: RunState;
  look: EntryOf<'look-begun'>;
}

/** Tissues left in place, of all the visit's runs, on every stage: each with its clock, read in two presses. */
export default function Tissues({ reads, current, write }: { reads: Map<string, ReadRun>; current: string; write: Write }) {
  const left: Left[] = [...reads.values()].flatMap(({ run, state }) =>
    (state?.openLooks ?? []).filter((l) => l.body.left).map((look) => ({ run, state: state!, look })),
  );
  const [, tick] = useState(0);
  const [reading, setReading] = useState<string | null>(null);
  const isAny = left.length > 0;
  useEffect(() => {
    if (!isAny) return;
    const timer = setInterval(() => tick((n) => n + 1), 1000);
    return () => clearInterval(timer);
  }, [isAny]);
  if (!isAny) return null;
  return (
    <ul aria-label="Tissues left in place" className="flex flex-wrap gap-x-5 border-b border-rule bg-sheet px-3 md:px-6 print:hidden">
      {left.map(({ run, state, look }) => {
        const id = look.jointId ?? look.checkPointId;
        const joint = state.joints.find((j) => j.id === id);
        const label = joint?.label ?? state.checkPoints.find((c) => c.id === id)?.label ?? 'Joint';
        const elapsedS = elapsedOf(look);
        const wantedS = neededS(state, joint?.seal ?? null);
        const end = (finding: (typeof READ)[number]) => {
          const target = look.jointId ? { jointId: look.jointId } : { checkPointId: look.checkPointId ?? undefined };
          write('look-ended', run.id, { begunId: look.id, finding, drops: null, elapsedS: Math.round(elapsedS) }, target);
          setReading(null);
        };
        return (
          <li key={look.id} className="flex min-h-12 flex-wrap items-center gap-x-3">
            <span>
              {run.id !== current && `${run.name}, `}
              <b>{label}</b> tissue {clock(elapsedS)} <span className="text-soft">of {clock(wantedS)}</span>
              {elapsedS >= wantedS && ' ✓ long enough'}
            </span>
            {reading === look.id ? (
              READ.map((f) => (
                <button key={f} type="button" className="key" onClick={() => end(f)}>
                  {f}
                </button>
              ))
            ) : (
              <button type="button" className="min-h-11 cursor-pointer underline" onClick={() => setReading(look.id)}>
                Read {label}
              </button>
            )}
          </li>
        );
      })}
    </ul>
  );
}
