import type { ReadRun } from '../../record/visit/sheet.ts';
import type { Tx } from '../connection.ts';

/** Rows of the joints of a run's chain in force. */
export function joinedRows(tx: Tx, shopId: string, visitId: string, { run, state }: ReadRun, upTo: number): object[] {
  return (state?.joints ?? []).map((j) => ({
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
  }));
}
