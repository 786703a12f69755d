import { catalogue } from '../../catalog/index.ts';
import type { Part } from '../../core/index.ts';
import { byShop } from '../by-shop.ts';
import type { Sql, Tx } from '../connection.ts';

/** What went to and from the van, as it stands: below nought where more went out than was ever counted in. */
export type Tally = Record<string, { pieces: number; inches: number }>;

export async function tallyOfVan(sql: Sql | Tx, shopId: string): Promise<Tally> {
  const rows = await sql<{ item: string; pieces: string; inches: string }[]>`
    select item, coalesce(sum(quantity) filter (where unit = 'piece'), 0) as pieces, coalesce(sum(quantity) filter (where unit = 'inch'), 0) as inches
    from stock_move where shop_id = ${shopId} group by item`;
  return Object.fromEntries(rows.map((r) => [r.item, { pieces: Number(r.pieces), inches: Number(r.inches) }]));
}

/** What a whole coil holds, inches; null for a part that is not cut from one. */
export const coilIn = (part: Pick<Part, 'cutToLength' | 'maxLengthIn'> | undefined): number | null =>
  part?.cutToLength ? (part.maxLengthIn ?? null) : null;

/** What is on the van, by part id or loose code: pieces, of what is cut from a coil whole inches. What is missing is none. */
export async function stockOnVan(sql: Sql | Tx, shopId: string, parts: Part[] = catalogue().parts): Promise<Record<string, number>> {
  return stockOf(await tallyOfVan(sql, shopId), parts);
}

export function stockOf(tally: Tally, parts: Part[]): Record<string, number> {
  const byId = new Map(parts.map((p) => [p.id, p]));
  return Object.fromEntries(Object.entries(tally).map(([item, row]) => [item, Math.max(0, quantityOf(row, byId.get(item)))]));
}

/** Of one item, in pieces or, of a coil, inches; may be below nought. */
export function quantityOf({ pieces, inches }: Tally[string], part: Part | undefined): number {
  const coil = coilIn(part);
  return coil === null ? pieces : pieces * coil + inches;
}

/** The stock of a van, and how many moves made it: their number tells one from the next. */
export interface Van {
  moves: number;
  stock: Record<string, number>;
}

const remembered = byShop<Van & { parts: Part[] }>();

/**
 * The same, and the same object until something moves or the parts change: what is worked out for a stock is kept with it. Do not change it.
 *
 * Moves are only ever added. Not for use within a transaction, which may be undone.
 */
export async function sharedVan(sql: Sql, shopId: string, parts: Part[] = catalogue().parts): Promise<Van> {
  const shops = remembered(sql);
  // Counted before it is read: a move between the two is in the stock already, and found as new the next time.
  const [row] = await sql<{ moves: number }[]>`select count(*)::int as moves from stock_move where shop_id = ${shopId}`;
  const moves = row?.moves ?? 0;
  const known = shops.get(shopId);
  if (known?.moves === moves && known.parts === parts) return known;
  const van = { moves, parts, stock: await stockOnVan(sql, shopId, parts) };
  shops.set(shopId, van);
  return van;
}
