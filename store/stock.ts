import type { Sql, Tx } from './connection.ts';

/** What is on the van, by part id or loose code; what is missing is none. */
export async function stockOnVan(sql: Sql | Tx, shopId: string): Promise<Record<string, number>> {
  const rows = await sql<{ item: string; quantity: number }[]>`
    select item, sum(quantity)::int as quantity from stock_move where shop_id = ${shopId} group by item`;
  return Object.fromEntries(rows.map((r) => [r.item, Math.max(0, r.quantity)]));
}
