import { useEffect, useState } from 'react';
import { endLabel } from '../../../../core/index.ts';
import type { RunRow } from '../../../../record/index.ts';
import { type RunState, STOP_CONDITIONS } from '../../../../record/index.ts';
import type { LastTime as Last } from '../../../../store/queries/index.ts';
import { localToday } from '../../../../sync/run.ts';
import { askLastTime, heldLastTime, type Write } from '../../../ui/held/index.ts';
import { Picture } from '../../../ui/pictures/index.ts';
import { dayWords } from '../../../ui/words.ts';

const SIDES = { from: 'Water side', to: 'Inlet', rejoin: 'To be joined again' } as const;
type Side = keyof typeof SIDES;

/** As many as stand in a row or two. */
const MOST_PICTURES = 8;

interface Props {
  run: RunRow;
  state: RunState;
  write: Write;
  visitId: string;
}

/** What was found here last time: each is looked at again, and confirmed with one press, or all of it. */
export function LastTime({ run, state, write, visitId }: Props) {
  const last = useLastTime(run.id, visitId);
  if (!last) return null;
  const ends = (Object.keys(SIDES) as Side[]).filter((side) => last[side] !== null && state[side] === null);
  const stop = last.stop && state.stop === null ? last.stop : null;
  if (ends.length === 0 && !stop && last.pictures.length === 0) return null;
  const seen = (side: Side) => write('end-seen', run.id, { side, end: last[side], how: 'seen' });
  const tried = () => stop && write('stop-tried', run.id, stop);
  return (
    <section aria-label="Last time" className="border border-dashed border-ink p-3">
      <div className="flex flex-wrap items-center gap-3">
        <h3 className="min-w-0 flex-1">
          Seen on <a href={`/visits/${last.visitId}?run=${run.id}`}>{dayWords(last.onDate, localToday())}</a>
          {ends.length > 0 || stop ? ': look whether it is still so' : ''}
        </h3>
        {ends.length + (stop ? 1 : 0) > 1 && (
          <button
            type="button"
            className="key key-main"
            onClick={() => {
              for (const side of ends) seen(side);
              tried();
            }}
          >
            All of it is still so
          </button>
        )}
      </div>
      <ul>
        {ends.map((side) => (
          <li key={side} className="flex flex-wrap items-center gap-3 py-1">
            <span className="min-w-0 flex-1">
              {SIDES[side]}: <b>{endLabel(last[side]!)}</b>
            </span>
            <button type="button" className="key" onClick={() => seen(side)}>
              Still so
            </button>
          </li>
        ))}
        {stop && (
          <li className="flex flex-wrap items-center gap-3 py-1">
            <span className="min-w-0 flex-1">
              Stop: <b>{stop.kind === 'none' ? 'none' : `${stop.kind}, ${STOP_CONDITIONS[stop.condition]}`}</b>
            </span>
            <button type="button" className="key" onClick={tried}>
              Still so
            </button>
          </li>
        )}
      </ul>
      {last.pictures.length > 0 && (
        <div className="my-2 flex flex-wrap gap-2">
          {last.pictures.slice(-MOST_PICTURES).map((p) => (
            <Picture key={p.picture} id={p.picture} text={p.text ?? `Picture of ${dayWords(last.onDate, localToday())}`} className="h-24 w-32" />
          ))}
        </div>
      )}
      {last.parts.length > 0 && <p className="text-soft">Fitted then: {last.parts.join('; ')}.</p>}
    </section>
  );
}

/** As this device holds it from before, then as the server says. */
function useLastTime(runId: string, visitId: string): Last | null {
  const [last, setLast] = useState<Last | null>(null);
  useEffect(() => {
    let isOver = false;
    const read = async () => {
      const kept = await heldLastTime(visitId, runId);
      if (kept && !isOver) setLast(kept);
      const now = await askLastTime(visitId, runId);
      if (now !== undefined && !isOver) setLast(now);
    };
    read();
    return () => {
      isOver = true;
    };
  }, [runId, visitId]);
  return last;
}
