import { catalogue } from '../../catalog/index.ts';
import type { Part } from '../../core/index.ts';
import { type Level, reorderOf, type StockedPlace, stockOf, vanOf } from '../../record/index.ts';
import { byShop, type Sql, shopCursor, type Tx } from '../database/index.ts';

/** What lies on the shop's shelves and vans, in the order in which they were written down. */
export async function stockedPlaces(sql: Sql | Tx, shopId: string): Promise<StockedPlace[]> {
  const [places, levels] = await Promise.all([
    sql<Omit<StockedPlace, 'items'>[]>`
      select stock_place_id as id, name, kind from stock_place where shop_id = ${shopId} and not gone order by made`,
    sql<(Level & { place: string })[]>`
      select stock_place_id as place, item, told - used as quantity, minimum from stock_level where shop_id = ${shopId} order by item`,
  ]);
  const items = new Map<string, Level[]>(places.map((p) => [p.id, []]));
  for (const { place, ...level } of levels) items.get(place)?.push(level);
  return places.map((p) => ({ ...p, items: items.get(p.id)! }));
}

/** Shelves and vans, and how many changes brought them there: their number tells one from the next. */
export interface Stock {
  revision: number;
  places: StockedPlace[];
  /** What can be taken from the first van, by part id or loose code: pieces, of what is cut from a coil inches. */
  onVan: Record<string, number>;
}

const remembered = byShop<Stock>();

/**
 * The same object until something moves: what is worked out for a stock is kept with it. Do not change it.
 *
 * Not for use within a transaction, which may be undone.
 */
export async function sharedStock(sql: Sql, shopId: string): Promise<Stock> {
  const shops = remembered(sql);
  // Read before the levels: a change between the two is in them already, and found as new the next time.
  const { stock: revision } = await shopCursor(sql, shopId);
  const known = shops.get(shopId);
  if (known?.revision === revision) return known;
  const places = await stockedPlaces(sql, shopId);
  const stock = { revision, places, onVan: stockOf(vanOf(places)) };
  shops.set(shopId, stock);
  return stock;
}

/** What is on the van that is meant where none is named. */
export const stockOnVan = async (sql: Sql | Tx, shopId: string): Promise<Record<string, number>> => stockOf(vanOf(await stockedPlaces(sql, shopId)));

/** What a whole coil holds, inches; null for a part that is not cut from one. */
export const coilIn = (part: Pick<Part, 'cutToLength' | 'maxLengthIn'> | undefined): number | null =>
  part?.cutToLength ? (part.maxLengthIn ?? null) : null;

/** The shop's stock, and what is to be bought, each item by its name. */
export async function stockAnswer(sql: Sql, shopId: string, parts: Part[] = catalogue().parts) {
  const { revision, places } = await sharedStock(sql, shopId);
  const names = new Map([...parts.map((p) => [p.id, p.name] as const), ...catalogue().loose.map((l) => [l.code, l.name] as const)]);
  const coils = new Map(parts.flatMap((p) => (coilIn(p) === null ? [] : [[p.id, coilIn(p)!] as const])));
  const reorder = reorderOf(places).map((r) => ({
    ...r,
    name: names.get(r.item) ?? r.item,
    unit: coils.has(r.item) ? ('inch' as const) : ('piece' as const),
    coilIn: coils.get(r.item) ?? null,
  }));
  return { revision, places, reorder };
}
