import { useEffect, useState } from 'react';
import type { PremisesBook } from '../../../record/index.ts';
import type { PremisesRow } from '../../../store/queries/index.ts';
import { get, localToday, sync } from '../../../sync/run.ts';

/** Typing on, the server is asked once for it, ms. */
const WAIT_MS = 120;

export interface FoundPremises extends PremisesRow {
  /** What of it was found, beside its name: a place, an appliance, a telephone number. */
  by: string;
}

/** Premises that all words are found in: at once those that this device holds, then those that the server adds. */
export function usePremisesSearch(q: string): { found: FoundPremises[]; isWhole: boolean } {
  const [held, setHeld] = useState<PremisesBook[]>([]);
  const [answer, setAnswer] = useState<{ q: string; rows: PremisesRow[] } | null>(null);
  useEffect(() => {
    const read = () =>
      sync
        .device()
        .then((store) => store.books())
        .then(setHeld)
        .catch(() => {});
    read();
    return sync.subscribe(read);
  }, []);
  useEffect(() => {
    let isOver = false;
    const timer = setTimeout(async () => {
      const found = await get<{ premises: PremisesRow[] }>(`/api/v1/premises?limit=8&q=${encodeURIComponent(q)}`);
      if (found && !isOver) setAnswer({ q, rows: found.premises });
    }, WAIT_MS);
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [q]);
  const words = q.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const own = held.flatMap((book) => (book.premises.retired === null && fits(book, words) ? [rowOf(book, words)] : []));
  const ids = new Set(own.map((r) => r.id));
  const more = (answer?.q === q ? answer.rows : []).filter((r) => !ids.has(r.id)).map((r) => ({ ...r, by: '' }));
  const begins = (r: PremisesRow) => (words.length > 0 && r.name.toLowerCase().startsWith(words.join(' ')) ? 0 : 1);
  const found = [...own, ...more].sort((a, b) => begins(a) - begins(b) || (a.name < b.name ? -1 : 1)).slice(0, 8);
  return { found, isWhole: answer?.q === q };
}

/** All that premises are found by: what the server searches too. */
const wordsOf = ({ premises: p, places, appliances }: PremisesBook): string[] =>
  [p.name, p.address, p.contact?.name, p.contact?.phone, p.contact?.email, ...places.map((l) => l.name), ...appliances.map((a) => a.name)]
    .filter((t): t is string => Boolean(t))
    .map((t) => t);

function fits(book: PremisesBook, words: string[]): boolean {
  const text = wordsOf(book).join(' ').toLowerCase();
  return words.every((w) => text.includes(w));
}

function rowOf(book: PremisesBook, words: string[]): FoundPremises {
  const today = localToday();
  const days = book.visits.filter((v) => v.cancelled === null).map((v) => v.onDate);
  const inName = book.premises.name.toLowerCase();
  const missing = words.filter((w) => !inName.includes(w));
  return {
    id: book.premises.id,
    name: book.premises.name,
    address: book.premises.address,
    lastVisit: days.filter((d) => d < today).at(-1) ?? null,
    nextVisit: days.find((d) => d >= today) ?? null,
    openFollowUps: book.followUps.filter((f) => f.closed === null).length,
    retired: null,
    by: missing.length === 0 ? '' : (wordsOf(book).find((t) => missing.some((w) => t.toLowerCase().includes(w))) ?? ''),
  };
}
