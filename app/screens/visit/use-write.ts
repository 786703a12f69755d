/** Pressing on a visit: what the record would refuse is said at once and not written, and what was just pressed can be taken back. */
import { useCallback, useEffect, useRef, useState } from 'react';
import { refusalFor } from '../../../record/check.ts';
import { type Entry, historyOf, runNow, tell, wordsFor } from '../../../record/index.ts';
import { contextOf, type ReadRun, type VisitSheet } from '../../../record/visit/sheet.ts';
import type { ClientCatalogue } from '../../ui/catalogue.ts';
import type { VisitRecord, Write } from '../../ui/use-visit.ts';

/** How long the bar that takes a press back stands, ms. */
const STANDS_MS = 10_000;
const AT_ONCE = 'taken back at once';

/** What one press recorded. */
export interface Press {
  ids: string[];
  runId: string;
  words: string;
  /** It took something back itself: taking it back puts that in its place again. */
  isBack: boolean;
}

export interface Writing {
  write: Write;
  /** Why the last press was refused; null when it was not. */
  refused: string | null;
  dismiss: () => void;
  /** The last press, while it can be taken back at once. */
  last: Press | null;
  takeBack: () => void;
}

export function useWrite(
  { make, keep }: Pick<VisitRecord, 'make' | 'keep'>,
  sheet: VisitSheet,
  catalogue: ClientCatalogue | null,
  reads: Map<string, ReadRun> | null,
): Writing {
  const [refused, setRefused] = useState<string | null>(null);
  const [last, setLast] = useState<Press | null>(null);
  /** What the page shows, and what was pressed since it was drawn. */
  const now = useRef({ sheet, catalogue, reads, since: [] as Entry[] });
  now.current = { sheet, catalogue, reads, since: now.current.since.filter((e) => !sheet.entries.some((known) => known.id === e.id)) };
  const group = useRef<Press | null>(null);

  const put = useCallback(
    (entry: Entry, isBack: boolean) => {
      const { sheet: shown, catalogue: known, reads: states, since } = now.current;
      const run = shown.runs.find((r) => r.id === entry.runId);
      const entries = [...shown.entries.filter((e) => e.runId === entry.runId), ...since.filter((e) => e.runId === entry.runId)];
      const why =
        run && known
          ? refusalFor(
              entry,
              runNow(run, entries, () => contextOf(run, known)),
              entries,
            )
          : null;
      if (why) return setRefused(why.why);
      now.current.since.push(entry);
      keep(entry);
      setRefused(null);
      const { who, what } = tell(entry, wordsFor(states?.get(entry.runId)?.state ?? null, historyOf(entries, entry.runId)));
      const words = who === '' ? what : `${who}: ${what}`;
      // What is written in one go was one press.
      if (!group.current) {
        group.current = { ids: [], runId: entry.runId, words, isBack };
        setTimeout(() => {
          group.current = null;
        });
      }
      group.current.ids.push(entry.id);
      setLast({ ...group.current, words: group.current.ids.length > 1 ? `${group.current.words} and ${group.current.ids.length - 1} more` : words });
    },
    [keep],
  );
  const write: Write = useCallback(
    (kind, runId, body, target) => {
      const entry = make(kind, runId, body, target);
      put(entry, kind === 'withdrawn');
      return entry.id;
    },
    [make, put],
  );
  const takeBack = useCallback(() => {
    if (!last) return;
    setLast(null);
    for (const id of [...last.ids].reverse()) put(make('withdrawn', last.runId, { reason: AT_ONCE }, { correctsId: id }), !last.isBack);
  }, [last, make, put]);
  useEffect(() => {
    if (!last) return;
    const timer = setTimeout(() => setLast(null), STANDS_MS);
    return () => clearTimeout(timer);
  }, [last]);
  return { write, refused, dismiss: () => setRefused(null), last, takeBack };
}
