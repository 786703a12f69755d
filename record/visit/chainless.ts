/** Runs of a day that want a chain and have none yet: what they take from the van is guessed where both ends are known, and not known else. */
import { workKind } from '../../core/index.ts';
import type { DayRun } from './day-run.ts';
import type { VisitHead } from './sheet.ts';

export interface KnownEnds {
  from: string;
  to: string;
  rejoin: string | null;
}

export interface Chainless<V, R> {
  visit: V;
  run: R;
  /** As they were seen, else as they were told; null where one is not known. */
  ends: KnownEnds | null;
}

type Asked = Pick<DayRun, 'work' | 'summary' | 'recheckOf' | 'told'>;

/** In the order of the visits; none of what is called off, off the list, signed off, only looked at again, or joins nothing. */
export const runsWithoutChain = <V extends Pick<VisitHead, 'cancelled'>, R extends Asked>(
  visits: readonly { visit: V; runs: readonly R[] }[],
): Chainless<V, R>[] =>
  visits
    .filter((v) => v.visit.cancelled === null)
    .flatMap(({ visit, runs }) => runs.filter(wantsChain).map((run) => ({ visit, run, ends: endsOf(run) })));

const wantsChain = ({ work, summary, recheckOf }: Asked): boolean =>
  workKind(work).joins && summary.offList === null && !recheckOf && summary.acceptedId === null && summary.signedOffMs === null;

function endsOf({ summary, told }: Asked): KnownEnds | null {
  if (summary.ends) return summary.ends;
  const side = (s: 'from' | 'to' | 'rejoin') => told?.find((t) => t.side === s)?.end ?? null;
  const [from, to] = [side('from'), side('to')];
  return from !== null && to !== null ? { from, to, rejoin: side('rejoin') } : null;
}
