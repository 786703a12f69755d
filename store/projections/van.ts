/** What a signed-off run used has left the van, in the same transaction as the sign-off. */
import { v7 as uuidv7 } from 'uuid';
import { type Entry, historyOf } from '../../record/index.ts';
import { lastOf } from '../../record/run/history.ts';
import { chainAccepted } from '../../record/run/kinds/chain-accepted.ts';
import { neededFor } from '../../record/run/summary.ts';
import type { Tx } from '../connection.ts';
import { type EntryRow, entryColumns, entryOf } from '../entry-row.ts';

export async function takeFromVan(tx: Tx, shopId: string, signed: Entry, at: Date): Promise<void> {
  const rows = await tx<EntryRow[]>`
    select ${tx(entryColumns)} from entry
    where shop_id = ${shopId} and visit_id = ${signed.visitId} and run_id = ${signed.runId} and kind = ${chainAccepted.name} order by position`;
  const accepted = lastOf(historyOf(rows.map(entryOf), signed.runId), chainAccepted)?.body;
  if (!accepted) return;
  const moves = Object.entries(neededFor(accepted)).map(([item, { quantity, unit }]) => ({
    shop_id: shopId,
    move_id: uuidv7(),
    item,
    quantity: -quantity,
    unit,
    reason: 'used on a run that was signed off',
    entry_id: signed.id,
    recorded_at: at,
  }));
  if (moves.length > 0) await tx`insert into stock_move ${tx(moves)}`;
}
