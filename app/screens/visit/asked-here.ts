import { readLengthIn } from '../../../core/index.ts';
import { type FreeOutlet, outletsFor, type ReadRun, type RunRow } from '../../../record/index.ts';
import { endBrought, lengthBrought } from '../../ui/ends/index.ts';

/** What the address asks for. */
export interface Asked {
  id: string;
  run: string | null;
  stage: string | null;
  /** The plan is shown. */
  plan: boolean;
  /** A sheet for the customer, in place of the work. */
  shows: string | null;
  /** An end found by its drawing or with the gauge, or the length of a line that was drawn, for the run. */
  brought: { end: ReturnType<typeof endBrought>; length: ReturnType<typeof lengthBrought> } | null;
}

export function askedHere(): Asked {
  const params = new URLSearchParams(location.search);
  // An end is noted only when one of our own pages brings it: a link from elsewhere writes nothing.
  const isOurs = document.referrer.startsWith(`${location.origin}/`);
  const id = /^\/visits\/([0-9a-f-]{36})/.exec(location.pathname)?.[1] ?? '';
  const shows = params.get('show');
  return {
    id,
    run: params.get('run'),
    stage: params.get('stage'),
    plan: params.has('plan'),
    shows,
    brought: isOurs ? { end: endBrought(params), length: lengthBrought(params, readLengthIn) } : null,
  };
}

export function outletsOf(run: RunRow, rows: RunRow[], reads: Map<string, ReadRun> | null): FreeOutlet[] {
  const runs = rows.flatMap((r) => {
    const state = reads?.get(r.id)?.state;
    return state ? [{ ...r, state }] : [];
  });
  const own = runs.find((r) => r.id === run.id);
  return own ? outletsFor(own, runs) : [];
}
