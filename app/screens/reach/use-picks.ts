import { type Remote, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { LengthPick, LengthQuestion } from '../../../core/index.ts';
import type { ReachWorker } from './reach.worker.ts';

/**
 * Lengths for a question, the last one that was worked out until the next is: while one is under way only the newest question waits.
 *
 * @param first  what the server worked out for the question the page came with
 */
export function usePicks(question: LengthQuestion | null, first: LengthPick[]): LengthPick[] {
  const [picks, setPicks] = useState(first);
  const worker = useRef<Remote<ReachWorker> | null>(null);
  const state = useRef<{ isBusy: boolean; next: LengthQuestion | null; isOver: boolean }>({ isBusy: false, next: null, isOver: false });
  useEffect(() => {
    const thread = new Worker(new URL('./reach.worker.ts', import.meta.url), { type: 'module' });
    worker.current = wrap<ReachWorker>(thread);
    state.current.isOver = false;
    const line = state.current;
    return () => {
      line.isOver = true;
      thread.terminate();
    };
  }, []);
  useEffect(() => {
    if (!question) return;
    const line = state.current;
    line.next = question;
    if (line.isBusy) return;
    line.isBusy = true;
    (async () => {
      try {
        while (line.next && worker.current && !line.isOver) {
          const asked = line.next;
          line.next = null;
          const found = await worker.current.pick(asked);
          if (!line.isOver) setPicks(found);
        }
      } finally {
        // What went wrong with one question never stands before the next.
        line.isBusy = false;
      }
    })();
  }, [question]);
  return picks;
}
