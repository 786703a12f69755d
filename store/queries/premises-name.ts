import type { Sql } from '../database/index.ts';

/** What a premises is called; null where the shop has none of that id. */
export async function premisesName(sql: Sql, shopId: string, premisesId: string): Promise<string | null> {
  const [row] = await sql<{ name: string }[]>`select name from premises where shop_id = ${shopId} and premises_id = ${premisesId} and not gone`;
  return row?.name ?? null;
}
