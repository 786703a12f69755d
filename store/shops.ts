/** The shops of a database: the first, which may be the demo, and those that were begun beside it. */
import type { Units } from '../core/index.ts';
import { FIRST_SHOP, type Sql } from './database/index.ts';

export interface ShopHere {
  id: string;
  /** As it calls itself; null where nobody said. */
  name: string | null;
  isDemo: boolean;
  /** What it says its figures in. */
  units: Units;
}

/** More than anybody wants beside each other; what would be more is a fault somewhere. */
const MOST = 50;

/** There are as many shops as there may be. */
export class ManyShopsError extends Error {
  override readonly name = 'ManyShopsError';
  constructor() {
    super(`There are ${MOST} shops in this database already: no further one is begun. Go on in one of them.`);
  }
}

/** All of them, in the order in which they were begun. */
export async function shopsHere(sql: Sql): Promise<ShopHere[]> {
  return sql<ShopHere[]>`
    select s.shop_id as id, n.facts ->> 'name' as name, s.is_demo as "isDemo", coalesce(n.facts ->> 'units', 'inch') as units
    from shop s left join shop_now n using (shop_id) order by s.created_at, s.shop_id`;
}

const known = new WeakMap<Sql, Set<string>>();

/** Whether there is such a shop. None ever goes, so that one that was found is remembered. */
export async function isShop(sql: Sql, shopId: string): Promise<boolean> {
  if (shopId === FIRST_SHOP || known.get(sql)?.has(shopId)) return true;
  const rows = await sql`select 1 from shop where shop_id = ${shopId}`;
  if (rows.length === 0) return false;
  known.set(sql, (known.get(sql) ?? new Set()).add(shopId));
  return true;
}

/** Begins an empty shop under an id that its browser made; the same id again begins nothing. @throws ManyShopsError */
export async function beginShop(sql: Sql, shopId: string, at: Date): Promise<{ id: string; isNew: boolean }> {
  return sql.begin(async (tx) => {
    await tx`select pg_advisory_xact_lock(hashtext('a shop is begun'))`;
    const [there] = await tx`select 1 from shop where shop_id = ${shopId}`;
    if (there) return { id: shopId, isNew: false };
    const [count] = await tx<{ n: number }[]>`select count(*)::int as n from shop`;
    if (count!.n >= MOST) throw new ManyShopsError();
    await tx`insert into shop (shop_id, name, created_at) values (${shopId}, 'This shop', ${at})`;
    return { id: shopId, isNew: true };
  });
}
