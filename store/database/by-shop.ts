import type { Sql } from './connection.ts';
import { shopCursor } from './cursor.ts';

/** Something remembered for each shop of each database, by what tells that it is still true; never the only copy of it. */
export function byShop<T>(): (sql: Sql) => Map<string, T> {
  const databases = new WeakMap<Sql, Map<string, T>>();
  return (sql) => {
    const shops = databases.get(sql) ?? new Map<string, T>();
    databases.set(sql, shops);
    return shops;
  };
}

/** Something that is read for a shop, and stands until anything more is on record there. */
export function untilMoved<T>(read: (sql: Sql, shopId: string) => Promise<T>): (sql: Sql, shopId: string) => Promise<T> {
  const remembered = byShop<{ position: number; value: Promise<T> }>();
  return async (sql, shopId) => {
    const shops = remembered(sql);
    // Read before what it stands for: what is kept between the two is found as new the next time.
    const { position } = await shopCursor(sql, shopId);
    const known = shops.get(shopId);
    if (known?.position === position) return known.value;
    const value = read(sql, shopId);
    shops.set(shopId, { position, value });
    // One that failed is not remembered.
    value.catch(() => shops.get(shopId)?.value === value && shops.delete(shopId));
    return value;
  };
}
