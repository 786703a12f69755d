/** A shop's own parts: a CSV file in, all of it or nothing, and the same file out. */
import Papa from 'papaparse';
import { v7 as uuidv7 } from 'uuid';
import { type Catalogue, catalogue } from '../../catalog/index.ts';
import { cellsBroughtUp, PART_COLUMNS, partRow, shippedPartCells } from '../../catalog/parts.ts';
import type { Part } from '../../core/index.ts';
import { stockOf, vanOf } from '../../record/stock/levels.ts';
import { appendBook, filedBookEntry } from '../append-book.ts';
import { byShop } from '../by-shop.ts';
import type { Sql, Tx } from '../connection.ts';
import type { Cells } from '../csv-rows.ts';
import { shopNow } from '../queries/shop.ts';
import { coilIn, stockedPlaces, stockOnVan } from '../queries/stock.ts';
import { type Progress, pause, type ReadRow, readRows } from './read.ts';

export { CalledOffError, MAX_OWN_PARTS, type Progress } from './read.ts';

const SLICE = 500;

/**
 * Takes in a file of own parts in place of those the shop had.
 *
 * @param report    told how far it is, now and then
 * @param calledOff asked between slices
 * @throws CsvFileError with every fault found (at most 50), CalledOffError
 */
export async function importParts(
  sql: Sql,
  shopId: string,
  file: Uint8Array,
  at: Date,
  report: (p: Progress) => void = () => {},
  calledOff: () => boolean = () => false,
): Promise<{ parts: number; revision: number }> {
  const rows = await readRows(file, report, calledOff);
  return sql.begin(async (tx) => {
    const [row] = await tx<{ revision: number }[]>`
      insert into own_catalogue (shop_id, revision, imported_at) values (${shopId}, 1, ${at})
      on conflict (shop_id) do update set revision = own_catalogue.revision + 1, imported_at = excluded.imported_at returning revision`;
    const before = await ownRows(tx, shopId);
    await tx`delete from own_part where shop_id = ${shopId}`;
    for (let i = 0; i < rows.length; i += SLICE) {
      await pause(calledOff);
      const slice = rows.slice(i, i + SLICE);
      const values = slice.map((r, n) => ({ shop_id: shopId, part_id: r.part.id, place_in_order: i + n, cells: tx.json(r.cells) }));
      await tx`insert into own_part ${tx(values as never)}`;
      report({ step: 'keeping', done: i + slice.length, of: rows.length });
    }
    await countVan(tx, shopId, rows, before, at);
    return { parts: rows.length, revision: row!.revision };
  });
}

/**
 * A number in the column `van` is a count, made when it is first told or when it changes: a file taken in once more, as it came out or as it went
 * in, counts nothing anew.
 */
async function countVan(tx: Tx, shopId: string, rows: ReadRow[], before: Cells[], at: Date): Promise<void> {
  const places = await stockedPlaces(tx, shopId);
  const van = vanOf(places);
  const onVan = stockOf(van);
  const toldBefore = new Map(before.map((cells) => [cells.id, cells.van]));
  const counts = rows.flatMap(({ part, van, cells }) => {
    const told = toldBefore.get(part.id);
    if (told === cells.van || (told === undefined && Number(vanCell(onVan, part)) === van)) return [];
    const quantity = Math.round(van * (coilIn(part) ?? 1));
    return quantity === (onVan[part.id] ?? 0) ? [] : [{ item: part.id, quantity }];
  });
  if (counts.length === 0) return;
  const vanId = van?.id ?? uuidv7();
  const made = van ? [] : [filedBookEntry('stock', vanId, 'place-made', { name: 'Van', kind: 'van' }, at)];
  const counted = counts.map((body) => filedBookEntry('stock', vanId, 'counted', body, at));
  await appendBook(tx, shopId, [...made, ...counted]);
}

/** What the column `van` says of a part: pieces, of coils those that are not used up. */
const vanCell = (onVan: Record<string, number>, part: Part): string => String(Math.ceil((onVan[part.id] ?? 0) / (coilIn(part) ?? 1)));

/** The shop's own parts as they came in. */
export async function exportParts(sql: Sql, shopId: string): Promise<string> {
  return fileOf(await ownRows(sql, shopId));
}

/** Every part the shop matches with, as a file to begin from: its own, then the shipped ones, the van as it is counted now. */
export async function exportAllParts(sql: Sql, shopId: string): Promise<string> {
  const [own, onVan, { parts }] = await Promise.all([ownRows(sql, shopId), stockOnVan(sql, shopId), shopCatalogue(sql, shopId)]);
  const ids = new Set(own.map((cells) => cells.id));
  const byId = new Map(parts.map((p) => [p.id, p]));
  const all = [...own, ...shippedPartCells().filter((cells) => !ids.has(cells.id))];
  return fileOf(all.map((cells) => ({ ...cells, van: byId.has(cells.id!) ? vanCell(onVan, byId.get(cells.id!)!) : (cells.van ?? '0') })));
}

async function ownRows(sql: Sql | Tx, shopId: string): Promise<Cells[]> {
  const rows = await sql<{ cells: Cells }[]>`select cells from own_part where shop_id = ${shopId} order by place_in_order`;
  return rows.map((r) => cellsBroughtUp(r.cells));
}

function fileOf(rows: Cells[]): string {
  const cells = rows.map((row) => PART_COLUMNS.map((c) => row[c] ?? ''));
  return `${Papa.unparse({ fields: [...PART_COLUMNS], data: cells }, { escapeFormulae: true })}\r\n`;
}

interface Remembered {
  revision: number | null;
  currency: string;
  catalogue: Catalogue;
}

const remembered = byShop<Remembered>();

/**
 * The shipped catalogue with the shop's own parts in it, an own part standing in place of a shipped one of its id, its prices in the shop's currency.
 * The same object while neither changes.
 *
 * An own part that an older program took in and this one cannot read is left out.
 */
export async function shopCatalogue(sql: Sql, shopId: string): Promise<Catalogue> {
  const [[row], shop] = await Promise.all([
    sql<{ revision: number }[]>`select revision from own_catalogue where shop_id = ${shopId}`,
    shopNow(sql, shopId),
  ]);
  const shipped = catalogue();
  const currency = shop.currency ?? shipped.currency;
  const revision = row?.revision ?? null;
  if (revision === null && currency === shipped.currency) return shipped;
  const shops = remembered(sql);
  const known = shops.get(shopId);
  if (known?.revision === revision && known.currency === currency) return known.catalogue;
  const parts = revision === null ? [] : (await ownRows(sql, shopId)).flatMap((cells) => partRow.safeParse(cells).data?.part ?? []);
  const ids = new Set(parts.map((p) => p.id));
  const version = [shipped.version, ...(revision === null ? [] : [revision]), ...(currency === shipped.currency ? [] : [currency])].join('+');
  const merged = { ...shipped, version, currency, parts: [...parts, ...shipped.parts.filter((p) => !ids.has(p.id))] };
  shops.set(shopId, { revision, currency, catalogue: merged });
  return merged;
}
