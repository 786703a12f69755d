import { byShop } from './by-shop.ts';
import type { Sql, Tx } from './connection.ts';

/** What is on the van, by part id or loose code; what is missing is none. */
export async function stockOnVan(sql: Sql | Tx, shopId: string): Promise<Record<string, number>> {
  const rows = await sql<{ item: string; quantity: number }[]>`
    select item, sum(quantity)::int as quantity from stock_move where shop_id = ${shopId} group by item`;
  return Object.fromEntries(rows.map((r) => [r.item, Math.max(0, r.quantity)]));
}

/** The stock of a van, and how many moves made it: their number tells one from the next. */
export interface Van {
  moves: number;
  stock: Record<string, number>;
}

const remembered = byShop<Van>();

/**
 * The same, and the same object until something moves: what is worked out for a stock is kept with it. Do not change it.
 *
 * Moves are only ever added. Not for use within a transaction, which may be undone.
 */
export async function sharedVan(sql: Sql, shopId: string): Promise<Van> {
  const shops = remembered(sql);
  // Counted before it is read: a move between the two is in the stock already, and found as new the next time.
  const [row] = await sql<{ moves: number }[]>`select count(*)::int as moves from stock_move where shop_id = ${shopId}`;
  const moves = row?.moves ?? 0;
  const known = shops.get(shopId);
  if (known?.moves === moves) return known;
  const van = { moves, stock: await stockOnVan(sql, shopId) };
  shops.set(shopId, van);
  return van;
}
