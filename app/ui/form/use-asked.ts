import { useEffect, useState } from 'react';
import { forThisShop } from '../../../sync/shop-here.ts';

/** How long typing rests before it is asked, ms. */
const REST_MS = 150;
/** How long an answer is waited for before it is said that none comes, and how soon it is asked again, ms. */
const WAIT_MS = 15_000;
const AGAIN_MS = 5000;

export interface Asked<T> {
  answer: T | null;
  /** The question that the answer is to; null before the first. */
  shown: string | null;
  isLost: boolean;
  /** Asks the same again. */
  again: () => void;
}

/**
 * The server's answer to what stands in an address, as one types and chooses; the last one stays on the screen until the next is there.
 *
 * @param path    of the API
 * @param query   the question as an address has it; null asks nothing
 * @param initial the server's own answer, with its question; null where there is none yet
 */
export function useAsked<T>(path: string, query: string | null, initial: { query: string; answer: T } | null): Asked<T> {
  const [found, setFound] = useState<{ answer: T | null; shown: string | null; turn: number; isLost: boolean }>({
    answer: initial?.answer ?? null,
    shown: initial?.query ?? null,
    turn: 0,
    isLost: false,
  });
  const [turn, setTurn] = useState(0);
  useEffect(() => {
    if (query === null || (query === found.shown && turn === found.turn)) return;
    const abort = new AbortController();
    let timer = setTimeout(async () => {
      try {
        const signal = AbortSignal.any([abort.signal, AbortSignal.timeout(WAIT_MS)]);
        const response = await fetch(forThisShop(`${path}?${query}`), { signal });
        if (!response.ok) throw new Error(response.statusText);
        setFound({ answer: (await response.json()) as T, shown: query, turn, isLost: false });
      } catch {
        if (abort.signal.aborted) return;
        setFound((before) => ({ ...before, isLost: true }));
        timer = setTimeout(() => setTurn((t) => t + 1), AGAIN_MS);
      }
    }, REST_MS);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [path, query, turn, found.shown, found.turn]);
  return { answer: found.answer, shown: found.shown, isLost: found.isLost, again: () => setTurn((t) => t + 1) };
}

/** What is asked, as an address has it: nothing of what is not asked. */
export const inAddress = (query: object): string =>
  new URLSearchParams(Object.entries(query).flatMap(([k, v]) => (v === undefined || v === '' || v === 0 ? [] : [[k, String(v)]]))).toString();
