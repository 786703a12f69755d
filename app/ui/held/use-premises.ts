/** Premises in the browser: what the device holds of them with what waits here, and what the server adds of years gone by. */
import { useCallback, useEffect, useRef, useState } from 'react';
import type { PremisesBook, Visit } from '../../../record/index.ts';
import type { LastState } from '../../../store/queries/index.ts';
import type { Holding } from '../../../sync/protocol.ts';
import { get, sync } from '../../../sync/run.ts';

export interface PremisesView {
  /** null while it is read, and where neither the device nor the server has it. */
  book: PremisesBook | null;
  /** How each run stood last, by run: as the server has it. */
  last: Map<string, LastState>;
  /** The server said how they stood: a run of which nothing is known was never worked on. */
  isLastKnown: boolean;
  /** The store was read, and the server asked. */
  isRead: boolean;
}

interface Answer {
  visits: Visit[];
  runs: { id: string; last: LastState | null }[];
}

const NOTHING: PremisesView = { book: null, last: new Map(), isLastKnown: false, isRead: false };

/** @param initial the server's own, on its page */
export function usePremises(id: string | null, initial: { book: PremisesBook; last: LastState[] } | null = null): PremisesView {
  const [view, setView] = useState<PremisesView>(() =>
    initial ? { book: initial.book, last: byRun(initial.last), isLastKnown: true, isRead: true } : NOTHING,
  );
  const turn = useRef(0);
  const shownTurn = useRef(0);
  const read = useCallback(async (of: string, more: Pick<Answer, 'visits'> | null, last: LastState[] | null, isRead: boolean) => {
    turn.current += 1;
    const mine = turn.current;
    const found = await sync
      .device()
      .then((store) => store.premises(of))
      .catch(() => null);
    // A reading that was begun later and is shown already knows more.
    const held = mine > shownTurn.current ? found : null;
    shownTurn.current = Math.max(shownTurn.current, mine);
    setView((shown) => {
      const before = shown.book?.premises.id === of ? shown : NOTHING;
      const visits = new Map([...(more?.visits ?? before.book?.visits ?? []), ...(held?.visits ?? [])].map((v) => [v.id, v]));
      const base = held ?? before.book;
      return {
        book: base && { ...base, visits: [...visits.values()].sort((a, b) => (a.onDate + a.startsAt < b.onDate + b.startsAt ? -1 : 1)) },
        last: last ? byRun(last) : before.last,
        isLastKnown: last !== null || before.isLastKnown,
        isRead: isRead || before.isRead,
      };
    });
  }, []);
  useEffect(() => {
    if (id === null) {
      setView(NOTHING);
      return;
    }
    let isOver = false;
    const begin = async () => {
      await read(id, initial ? { visits: initial.book.visits } : null, initial?.last ?? null, initial !== null);
      await hold(id);
      const answer = initial ? null : await get<Answer>(`/api/v1/premises/${id}`);
      if (!isOver) await read(id, answer, answer?.runs.flatMap((r) => r.last ?? []) ?? null, true);
    };
    begin();
    const stop = sync.subscribe(() => void read(id, null, null, false));
    return () => {
      isOver = true;
      stop();
    };
  }, [id, initial, read]);
  return view;
}

const byRun = (list: LastState[]): Map<string, LastState> => new Map(list.map((l) => [l.runId, l]));

/** Premises that were opened are kept on this device. */
async function hold(id: string): Promise<void> {
  try {
    const store = await sync.device();
    if (await store.premises(id)) return;
    const holding = await get<Holding>(`/api/v1/book/holding?premises=${id}`);
    if (holding) await store.keepHolding(holding);
  } catch {
    // Without a store there is what the server gives.
  }
}
