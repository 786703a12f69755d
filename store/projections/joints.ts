import { placesOf } from '../../record/run/joint-place.ts';
import type { RunState } from '../../record/run/state.ts';
import type { ReadRun } from '../../record/visit/sheet.ts';
import type { Tx } from '../connection.ts';

/** Rows of the joints of a run's chain in force. */
export function joinedRows(tx: Tx, shopId: string, visitId: string, { run, state }: ReadRun, upTo: number): object[] {
  if (!state?.accepted) return [];
  const places = placesOf(state.accepted);
  return state.joints.map((j, i) => ({
    shop_id: shopId,
    visit_id: visitId,
    run_id: run.id,
    joint_id: j.id,
    up_to: upTo,
    n: j.n,
    seal: j.seal,
    made: j.made,
    turns24: j.turns24,
    finding: j.finding,
    ml_per_day: j.mlPerDay,
    proven: j.proven,
    by_round: tx.json(j.byRound as never),
    made_at: j.madeMs === null ? null : new Date(j.madeMs),
    // 'a part 2': the second of its kind.
    parts: places[i]!.parts.flatMap((p) => (p === null ? [] : [p.replace(/ \d+$/, '')])),
    sealant: state.accepted!.chain.joints[i]!.mating.sealant,
    called_at: calledAt(state, j.id),
  }));
}

/** When it first came back; a leak that nobody laid to a joint is not counted at one. */
function calledAt({ callbacks }: RunState, jointId: string): Date | null {
  const own = callbacks.filter((c) => c.targetId === jointId).map((c) => c.atMs);
  return own.length > 0 ? new Date(Math.min(...own)) : null;
}
