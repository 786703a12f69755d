/** What a start does for a shop whose database an older program left: nothing where it did not. */
import { carryDigests } from './carry/digests.ts';
import { carryStock } from './carry/stock.ts';
import type { Sql } from './database/index.ts';
import { ensureDerived } from './projections/index.ts';

/** After the migrations: derives anew what another program derived, and writes down what no entry said. */
export async function upgradeShop(sql: Sql, shopId: string): Promise<void> {
  await ensureDerived(sql, shopId);
  await carryStock(sql, shopId);
  await carryDigests(sql, shopId);
}
