import type { Sql } from './connection.ts';

/** Something remembered for each shop of each database, by what tells that it is still true; never the only copy of it. */
export function byShop<T>(): (sql: Sql) => Map<string, T> {
  const databases = new WeakMap<Sql, Map<string, T>>();
  return (sql) => {
    const shops = databases.get(sql) ?? new Map<string, T>();
    databases.set(sql, shops);
    return shops;
  };
}

/** Something that is read for a shop and stands for a while before it is read again. */
export function standsFor<T>(ms: number, read: (sql: Sql, shopId: string) => Promise<T>): (sql: Sql, shopId: string) => Promise<T> {
  const remembered = byShop<{ untilMs: number; value: T }>();
  return async (sql, shopId) => {
    const shops = remembered(sql);
    const known = shops.get(shopId);
    if (known && known.untilMs > Date.now()) return known.value;
    const value = await read(sql, shopId);
    shops.set(shopId, { untilMs: Date.now() + ms, value });
    return value;
  };
}
