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
