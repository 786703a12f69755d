/** What a signed-off run used has left the van, and is back on it where the sign-off was undone: in the transaction of the entry that did it. */
import { v7 as uuidv7 } from 'uuid';
import type { Entry } from '../../record/index.ts';
import { neededFor } from '../../record/run/summary.ts';
import type { ReadRun } from '../../record/visit/sheet.ts';
import type { Tx } from '../connection.ts';

/** Brings the van's moves of a run to what the run took, however often it was signed off, reopened and signed again. */
export async function settleVan(tx: Tx, shopId: string, { state }: ReadRun, entries: Entry[], at: Date): Promise<void> {
  const cause = entries.at(-1);
  if (!state || !cause || !entries.some((e) => e.kind === 'signed-off')) return;
  const used = state.signedOff && state.accepted ? neededFor(state.accepted) : {};
  const ids = entries.map((e) => e.id);
  const taken = await tx<{ item: string; unit: 'piece' | 'inch'; quantity: number }[]>`
    select item, unit, (-sum(quantity))::int as quantity from stock_move where shop_id = ${shopId} and entry_id = any(${ids}::uuid[])
    group by item, unit`;
  const wanted = new Map(Object.entries(used).map(([item, { quantity, unit }]) => [`${unit} ${item}`, { item, unit, quantity }]));
  for (const t of taken) {
    const key = `${t.unit} ${t.item}`;
    wanted.set(key, { item: t.item, unit: t.unit, quantity: (wanted.get(key)?.quantity ?? 0) - t.quantity });
  }
  const moves = [...wanted.values()]
    .filter((m) => m.quantity !== 0)
    .map(({ item, unit, quantity }) => ({
      shop_id: shopId,
      move_id: uuidv7(),
      item,
      quantity: -quantity,
      unit,
      reason: quantity > 0 ? 'used on a run that was signed off' : 'back: the sign-off was undone, or another chain signed off',
      entry_id: cause.id,
      recorded_at: at,
    }));
  if (moves.length > 0) await tx`insert into stock_move ${tx(moves)}`;
}
