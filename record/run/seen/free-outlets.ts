import type { EndCode } from '../../../core/index.ts';
import type { OutletRef } from '../kinds/end-seen.ts';
import type { RunState } from '../state.ts';

/** A run of a visit as far as its outlets matter. */
export interface OutletRun {
  id: string;
  name: string;
  place: string;
  water: 'cold' | 'hot';
  state: RunState;
}

/** An outlet with a valve of its own in a run's chain, for another run to begin at. */
export interface FreeOutlet extends OutletRef {
  code: EndCode;
  /** Of the run whose chain it stands in. */
  runName: string;
  partName: string;
  /** The run that begins at it; null while it is free. */
  takenBy: string | null;
}

/** Outlets that a run can begin at: left free by the accepted chains of the other runs in the same place, of the same water. */
export function outletsFor(run: OutletRun, runs: OutletRun[]): FreeOutlet[] {
  return runs
    .filter((other) => other.id !== run.id && other.water === run.water && other.place === run.place)
    .flatMap((other) =>
      (other.state.accepted?.chain.branches ?? [])
        .filter((branch) => branch.use === 'free')
        .map((branch) => ({
          runId: other.id,
          part: branch.part,
          end: branch.end,
          code: branch.code,
          runName: other.name,
          partName: other.state.accepted?.items[branch.part]?.name ?? branch.part,
          takenBy:
            runs.find((r) => r.state.from?.outlet && sameOutlet(r.state.from.outlet, { runId: other.id, part: branch.part, end: branch.end }))?.id ??
            null,
        })),
    );
}

export const sameOutlet = (a: OutletRef, b: OutletRef): boolean => a.runId === b.runId && a.part === b.part && a.end === b.end;
