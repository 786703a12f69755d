/** Pressing on a visit: what the record would refuse is said at once and not written; what is written can be taken back. */

import { useCallback, useEffect, useRef, useState } from 'react';
import { cardVersionOf } from '../../../core/index.ts';
import {
  contextOf,
  describeEntry,
  describer,
  type Entry,
  type EntryKind,
  historyOf,
  type ReadRun,
  runNow,
  type VisitSheet,
  validate,
} from '../../../record/index.ts';
import { type ClientCatalogue, noteNewPress, noteOfSamePress, type VisitRecord, type Write, withdrawBy } from '../../ui/held/index.ts';
import { unitsHere } from '../../ui/units/index.ts';

export interface Writing {
  write: Write;
  /** Why the last press was refused; null when it was not. */
  refused: string | null;
  dismiss: () => void;
}

export function useWrite(
  { make, keep }: Pick<VisitRecord, 'make' | 'keep'>,
  sheet: VisitSheet,
  catalogue: ClientCatalogue | null,
  reads: Map<string, ReadRun> | null,
): Writing {
  const [refused, setRefused] = useState<string | null>(null);
  /** What the page shows, and what was pressed since it was drawn. */
  const now = useRef({ sheet, catalogue, reads, since: [] as Entry[] });
  now.current = { sheet, catalogue, reads, since: now.current.since.filter((e) => !sheet.entries.some((known) => known.id === e.id)) };
  /** A press is under way: what is written before the page comes to rest belongs to it. */
  const isUnderWay = useRef(false);

  /** Keeps it unless the record would refuse it; whether it did. */
  const put = useCallback(
    (entry: Entry): boolean => {
      const { sheet: shown, catalogue: known, since } = now.current;
      const run = shown.runs.find((r) => r.id === entry.runId);
      const entries = [...shown.entries, ...since].filter((e) => e.runId === entry.runId);
      const why =
        run && known
          ? validate(
              entry,
              runNow(run, entries, () => contextOf(run, known)),
              entries,
            )
          : null;
      setRefused(why?.why ?? null);
      if (why) return false;
      since.push(entry);
      keep(entry);
      return true;
    },
    [keep],
  );
  const write: Write = useCallback(
    (kind, runId, body, target) => {
      const begins = cardBegunBy(kind, runId, now.current);
      if (begins) put(make('card-begun', runId, begins));
      const entry = make(kind, runId, body, target);
      if (!put(entry)) return entry.id;
      if (isUnderWay.current) noteOfSamePress({ id: entry.id, visitId: entry.visitId, runId });
      else
        noteNewPress({
          entries: [{ id: entry.id, visitId: entry.visitId, runId }],
          words: wordsOf(entry, now.current),
          isBack: kind === 'withdrawn',
        });
      isUnderWay.current = true;
      setTimeout(() => {
        isUnderWay.current = false;
      });
      return entry.id;
    },
    [make, put],
  );
  useEffect(
    () =>
      withdrawBy((_visitId, runId, id, reason) => {
        const entry = make('withdrawn', runId, { reason }, { correctsId: id });
        return put(entry) ? entry.id : null;
      }),
    [make, put],
  );
  return { write, refused, dismiss: () => setRefused(null) };
}

const ON_CARD: ReadonlySet<EntryKind> = new Set<EntryKind>(['step-done', 'gate-answered', 'figure-measured', 'look-begun']);

/** What a first press on a card without a chain keeps with it: the rules that the card was shown by. */
function cardBegunBy(
  kind: EntryKind,
  runId: string,
  { catalogue, reads, since }: { catalogue: ClientCatalogue | null; reads: Map<string, ReadRun> | null; since: Entry[] },
) {
  const state = reads?.get(runId)?.state;
  const isBegun = state?.begun !== false || state.accepted !== null || since.some((e) => e.runId === runId && e.kind === 'card-begun');
  if (!catalogue || isBegun || !state.hasCard || !ON_CARD.has(kind)) return null;
  return { rules: catalogue.rules, cardVersion: cardVersionOf(catalogue.steps) };
}

function wordsOf(entry: Entry, { sheet, reads }: { sheet: VisitSheet; reads: Map<string, ReadRun> | null }): string {
  const { who, what } = describeEntry(entry, describer(reads?.get(entry.runId)?.state ?? null, historyOf(sheet.entries, entry.runId), unitsHere()));
  return who === '' ? what : `${who}: ${what}`;
}
