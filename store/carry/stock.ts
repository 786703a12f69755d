/** Moves that older programs kept of the van, written down as entries of the book: once, each by the name it had. */
import type { FiledBookEntry } from '../../record/index.ts';
import { inShop, type Sql, type Tx } from '../database/index.ts';
import { appendBook, filedBookEntry } from '../entries/index.ts';
import { shopCatalogue } from '../own-parts/index.ts';
import { coilIn } from '../queries/index.ts';
import { carriedId } from './carried-id.ts';

interface Move {
  move_id: string;
  item: string;
  quantity: number;
  unit: 'piece' | 'inch';
  reason: string;
  recorded_at: Date;
}

/**
 * What signed-off runs took is among the moves. What runs that are still under way have taken is written down beside it, for no move told it yet;
 * the derived tables are wanted for that. How long a coil is stands in the catalogue, which is why no migration does this.
 *
 * @returns how many moves were written down; 0 where that was done before, or there are none
 */
export async function carryStock(sql: Sql, shopId: string): Promise<number> {
  const { parts } = await shopCatalogue(sql, shopId);
  const coils = new Map(parts.map((p) => [p.id, coilIn(p)]));
  return inShop(sql, shopId, async (tx) => {
    const moves = await tx<Move[]>`
      select move_id, item, quantity, unit, reason, recorded_at from stock_move m
      where m.shop_id = ${shopId} and m.quantity <> 0
        and not exists (select from entry e where e.shop_id = m.shop_id and e.entry_id = m.move_id)
      order by recorded_at, move_id`;
    if (moves.length === 0) return 0;
    const vanId = carriedId(`${shopId} van`);
    const [there] = await tx`select 1 from entry where shop_id = ${shopId} and subject_id = ${vanId}`;
    const made = there ? [] : [filedBookEntry('stock', vanId, 'place-made', { name: 'Van', kind: 'van' }, moves[0]!.recorded_at)];
    const taken = there ? [] : await takenByOpenRuns(tx, shopId);
    const last = moves.at(-1)!.recorded_at;
    await appendBook(tx, shopId, [
      ...made,
      ...moves.map((m) => entryOf(m, vanId, coils.get(m.item) ?? null)),
      ...taken.map((body) => filedBookEntry('stock', vanId, 'used', { ...body, reason: 'used on a run that is under way' }, last)),
    ]);
    return moves.length;
  });
}

const takenByOpenRuns = (tx: Tx, shopId: string) => tx<{ item: string; quantity: number }[]>`
  select u.item, sum(u.quantity)::int as quantity from derived_use u join derived_run d using (shop_id, visit_id, run_id)
  where u.shop_id = ${shopId} and d.signed_off_at is null group by u.item order by u.item`;

function entryOf({ move_id, item, quantity, unit, reason, recorded_at }: Move, vanId: string, coil: number | null): FiledBookEntry {
  const amount = Math.abs(quantity) * (unit === 'piece' ? (coil ?? 1) : 1);
  const change = quantity > 0 ? 'received' : 'used';
  return filedBookEntry('stock', vanId, change, { item, quantity: amount, reason }, recorded_at, { entryId: move_id });
}
