import { useMemo, useRef } from 'react';
import type { Entry } from '../../../record/index.ts';
import { type ReadRun, readRun, type VisitSheet } from '../../../record/index.ts';
import type { ClientCatalogue } from '../../ui/held/index.ts';

/** The runs of a visit with their states. A run on which nothing is new is not worked out again: a press is about one of many. */
export function useReads(sheet: VisitSheet, catalogue: ClientCatalogue | null): Map<string, ReadRun> | null {
  const known = useRef(new Map<string, { by: string; read: ReadRun }>());
  const of = useRef(catalogue);
  return useMemo(() => {
    if (!catalogue) return null;
    if (of.current !== catalogue) known.current.clear();
    of.current = catalogue;
    return new Map(
      sheet.runs.map((run) => {
        const entries = sheet.entries.filter((e) => e.runId === run.id);
        const by = entries.map(mark).join(' ');
        const before = known.current.get(run.id);
        const read = before?.by === by ? before.read : readRun(run, entries, catalogue);
        known.current.set(run.id, { by, read });
        return [run.id, read];
      }),
    );
  }, [sheet.runs, sheet.entries, catalogue]);
}

/** Tells an entry that is recorded from the same one before. */
const mark = (e: Entry): string => `${e.id} ${e.recordedAt ?? ''}`;
