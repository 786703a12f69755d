/** The shop's order: every entry has its position in it, given under one lock. */
import type { Sql, Tx } from './connection.ts';

export interface Cursor {
  /** Of the newest entry; 0 while there is none. */
  position: number;
  /** Rises with every change of what lies on a shelf or van. */
  stock: number;
}

export async function shopCursor(sql: Sql | Tx, shopId: string): Promise<Cursor> {
  const [row] = await sql<{ position: string; stock_revision: string }[]>`
    select position, stock_revision from shop_cursor where shop_id = ${shopId}`;
  return { position: Number(row?.position ?? 0), stock: Number(row?.stock_revision ?? 0) };
}

/** Holds the shop's order until the transaction ends; the position of its newest entry. */
export async function lockCursor(tx: Tx, shopId: string): Promise<number> {
  const [row] = await tx<{ position: string }[]>`select position from shop_cursor where shop_id = ${shopId} for update`;
  return Number(row?.position ?? 0);
}

export async function moveCursor(tx: Tx, shopId: string, position: number): Promise<void> {
  await tx`update shop_cursor set position = ${position} where shop_id = ${shopId}`;
}
