import type { Sql } from '../connection.ts';

/** When the shop came to be in this database: tells it from the same shop in another, made anew. Milliseconds since 1970. */
export async function shopSince(sql: Sql, shopId: string): Promise<number> {
  const [row] = await sql<{ created_at: Date }[]>`select created_at from shop where shop_id = ${shopId}`;
  return row?.created_at.getTime() ?? 0;
}
