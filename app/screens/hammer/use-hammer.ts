import { useEffect, useRef, useState } from 'react';
import type { Band, Effect, Spread, Surge, SurgeQuestion } from '../../../core/index.ts';
import { type Helper, newHelper, Sweeper } from './sweep-beside.ts';

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
/** Fewer than usual: the work goes by their square, and a hundred runs over what is not known make the same band within some parts in a hundred. */
const SWEEP_REACHES = 28;

const wordsOf = (fault: unknown): string => (fault instanceof Error ? fault.message : String(fault));

/** Transients worked out beside the page: the last one stays until the next is there, and of those that wait only the newest is asked. @param isPeakAll neither effects nor a sweep will be wanted */
export function useHammer(question: SurgeQuestion | null, isPeakAll = false): Hammered {
  const worker = useRef<Helper | null>(null);
  const sweeper = useRef(new Sweeper());
  /** Which sweep is under way; null for none. */
  const sweeping = useRef<object | null>(null);
  const line = useRef<{ isBusy: boolean; next: SurgeQuestion | null }>({ isBusy: false, next: null });
  const [both, setBoth] = useState<Hammered['both']>(null);
  const [effects, setEffects] = useState<Effect[]>([]);
  const [band, setBand] = useState<Band | null>(null);
  const [done, setDone] = useState<number | null>(null);
  const [wrong, setWrong] = useState('');
  // By what is asked: parts that arrive make the same question anew, and a sweep under way is of it still.
  const key = question && JSON.stringify(question);
  const stop = () => {
    if (sweeping.current) sweeper.current.stop();
    sweeping.current = null;
    setDone(null);
  };
  useEffect(() => {
    const helper = newHelper();
    worker.current = helper;
    helper.lost.catch((fault) => setWrong(wordsOf(fault)));
    const beside = sweeper.current;
    return () => {
      worker.current = null;
      helper.thread.terminate();
      beside.stop();
    };
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new question alone ends what was asked before
  useEffect(() => {
    // What was swept is of another question.
    setBand(null);
    stop();
    const waits = line.current;
    waits.next = key ? (JSON.parse(key) as SurgeQuestion) : null;
    if (!key || waits.isBusy) return;
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
            if (isPeakAll || waits.next || !worker.current) continue;
            setEffects(await worker.current.remote.effects(asked));
            sweeper.current.ready();
          } catch (fault) {
            setWrong(wordsOf(fault));
          }
        }
      } finally {
        waits.isBusy = false;
      }
    })();
  }, [key]);
  const sweep = async (asked: SurgeQuestion, spread: Spread) => {
    stop();
    const own = {};
    sweeping.current = own;
    setDone(0);
    setBand(null);
    // A message may still be under way from a worker that was stopped.
    const onRun = (n: number) => sweeping.current === own && setDone(n);
    const found = await sweeper.current.sweep({ ...asked, frames: 0, reaches: SWEEP_REACHES }, spread, SWEEP_RUNS, onRun).catch(wordsOf);
    if (sweeping.current !== own) return;
    sweeping.current = null;
    setDone(null);
    if (typeof found === 'string') setWrong(found);
    else setBand(found);
  };
  return { both, effects, band, done, wrong, sweep, stop };
}
