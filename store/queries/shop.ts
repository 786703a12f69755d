import { localDayOf, type Shop, stateOf } from '../../record/index.ts';
import { machineZone, type Sql, type Tx } from '../database/index.ts';

/** The shop as it stands, with the zone its days go by: its own, or that of the machine where nobody said. */
export interface ShopNow extends Shop {
  zone: string;
}

export async function shopNow(sql: Sql | Tx, shopId: string): Promise<ShopNow> {
  const [row] = await sql<{ facts: Partial<Shop> }[]>`select facts from shop_now where shop_id = ${shopId}`;
  const shop = { ...stateOf('shop', shopId, [])!, ...row?.facts };
  return { ...shop, zone: shop.timeZone ?? machineZone() };
}

/** The shop's day. */
export const shopToday = async (sql: Sql | Tx, shopId: string, at: Date): Promise<string> => localDayOf(at, (await shopNow(sql, shopId)).zone);

/** When the shop came to be in this database: tells it from the same shop in another, made anew. Milliseconds since 1970. */
export async function shopSince(sql: Sql, shopId: string): Promise<number> {
  const [row] = await sql<{ created_at: Date }[]>`select created_at from shop where shop_id = ${shopId}`;
  return row?.created_at.getTime() ?? 0;
}

/** Nothing is written down in it yet. */
export async function isNewShop(sql: Sql, shopId: string): Promise<boolean> {
  const rows = await sql`select 1 from premises where shop_id = ${shopId} and not gone limit 1`;
  return rows.length === 0;
}
