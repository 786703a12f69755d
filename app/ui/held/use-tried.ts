/** Stops as they were tried on the runs of a premises: what the server knows of its last visits, and what this device holds. */
import { useEffect, useMemo, useState } from 'react';
import { type PremisesBook, type TriedStop, triedIn } from '../../../record/index.ts';
import type { LastState } from '../../../store/queries/index.ts';
import { sync } from '../../../sync/run.ts';

const ofLast = (last: ReadonlyMap<string, LastState>): TriedStop[] =>
  [...last.values()].flatMap(({ runId, summary: { stop } }) => (stop ? [{ runId, ...stop }] : []));

export function useTried(book: PremisesBook | null, last: ReadonlyMap<string, LastState>): TriedStop[] {
  const [held, setHeld] = useState<TriedStop[]>([]);
  useEffect(() => {
    if (!book) return;
    let isOver = false;
    const read = async () => {
      const store = await sync.device();
      const entries = await Promise.all(book.visits.map((v) => store.entriesOf(v.id)));
      if (!isOver) setHeld(triedIn(entries.flat()));
    };
    // Without a store there is what the server gives.
    read().catch(() => {});
    return () => {
      isOver = true;
    };
  }, [book]);
  return useMemo(() => [...ofLast(last), ...held], [last, held]);
}
