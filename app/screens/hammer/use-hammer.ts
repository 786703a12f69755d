import { proxy, type Remote, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Band, Effect, Spread, Surge, SurgeQuestion } from '../../../core/index.ts';
import type { HammerWorker } from './hammer.worker.ts';

export interface Hammered {
  /** To the newest question that was answered; null before the first. */
  both: { bare: Surge; cushioned: Surge | null; question: SurgeQuestion } | null;
  effects: Effect[];
  band: Band | null;
  /** A sweep is under way: runs done. */
  done: number | null;
  /** What the core said against a question. */
  wrong: string;
  sweep: (question: SurgeQuestion, spread: Spread) => void;
  stop: () => void;
}

export const SWEEP_RUNS = 100;
/** Fewer than usual: a band is rougher than its curves, and the work goes by their square. */
const SWEEP_REACHES = 48;

/** Transients worked out beside the page: the last one stays until the next is there, and of those that wait only the newest is asked. */
export function useHammer(question: SurgeQuestion | null): Hammered {
  const worker = useRef<{ thread: Worker; remote: Remote<HammerWorker> } | null>(null);
  const line = useRef<{ isBusy: boolean; next: SurgeQuestion | null }>({ isBusy: false, next: null });
  const [both, setBoth] = useState<Hammered['both']>(null);
  const [effects, setEffects] = useState<Effect[]>([]);
  const [band, setBand] = useState<Band | null>(null);
  const [done, setDone] = useState<number | null>(null);
  const [wrong, setWrong] = useState('');
  useEffect(() => {
    const thread = new Worker(new URL('./hammer.worker.ts', import.meta.url), { type: 'module' });
    worker.current = { thread, remote: wrap<HammerWorker>(thread) };
    thread.onerror = () => setWrong('What works it out could not be fetched: is there a connection? Load the page again then.');
    return () => {
      worker.current = null;
      thread.terminate();
    };
  }, []);
  useEffect(() => {
    // What was swept is of another question.
    setBand(null);
    setDone(null);
    worker.current?.remote.stop();
    const waits = line.current;
    waits.next = question;
    if (!question || waits.isBusy) return;
    waits.isBusy = true;
    (async () => {
      try {
        while (waits.next && worker.current) {
          const asked: SurgeQuestion = waits.next;
          waits.next = null;
          try {
            const found = await worker.current.remote.both(asked);
            setBoth({ ...found, question: asked });
            setWrong('');
            // Only once nothing newer waits: a slider that moves wants its curve first.
            if (!waits.next && worker.current) setEffects(await worker.current.remote.effects(asked));
          } catch (fault) {
            setWrong(fault instanceof Error ? fault.message : String(fault));
          }
        }
      } finally {
        waits.isBusy = false;
      }
    })();
  }, [question]);
  const turn = useRef(0);
  const sweep = async (asked: SurgeQuestion, spread: Spread) => {
    const own = ++turn.current;
    setDone(0);
    setBand(null);
    try {
      const found = await worker.current?.remote.sweep({ ...asked, frames: 0, reaches: SWEEP_REACHES }, spread, SWEEP_RUNS, proxy(setDone));
      if (found) setBand(found);
    } catch (fault) {
      setWrong(fault instanceof Error ? fault.message : String(fault));
    } finally {
      if (own === turn.current) setDone(null);
    }
  };
  const stop = () => {
    worker.current?.remote.stop();
    setDone(null);
  };
  return { both, effects, band, done, wrong, sweep, stop };
}
