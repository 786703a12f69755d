import { type TakeAlong, takeAlong, workKind } from '../../../core/index.ts';
import { alongCard, contextOf, headOf, readRun, runRowsOf } from '../../../record/index.ts';
import { sync } from '../../../sync/run.ts';
import type { ClientCatalogue } from '../../ui/held/index.ts';

export interface DayList {
  along: TakeAlong;
  /** Runs for whose joints nothing is chosen yet. */
  unchosen: string[];
  runs: number;
}

export async function dayList(day: string, catalogue: ClientCatalogue): Promise<DayList> {
  const store = await sync.device();
  const books = await store.books({ from: day, to: day }, new Set());
  const visits = books.flatMap((book) => book.visits.filter((v) => v.onDate === day && v.cancelled === null).map((visit) => ({ book, visit })));
  const perVisit = await Promise.all(
    visits.map(async ({ book, visit }) => {
      const entries = await store.entriesOf(visit.id);
      return runRowsOf(book, visit).flatMap((run) => {
        if (run.removed !== null || run.recheckOf !== null) return [];
        const own = entries.filter((e) => e.runId === run.id);
        const { state } = readRun(run, own, catalogue);
        if (!state || state.signedOff || state.offList !== null) return [];
        const steps = alongCard(contextOf(run, catalogue), state);
        return [{ run: `${headOf(book, visit).title}: ${run.name}`, steps, isUnchosen: !state.hasCard && workKind(run.work).joins }];
      });
    }),
  );
  const runs = perVisit.flat();
  return { along: takeAlong(runs), unchosen: runs.filter((r) => r.isUnchosen).map((r) => r.run), runs: runs.length };
}
