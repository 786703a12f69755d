/** A shop's own parts: a CSV file in, all of it or nothing, and the same file out. */
import { isDeepStrictEqual } from 'node:util';
import Papa from 'papaparse';
import { v7 as uuidv7 } from 'uuid';
import { type Catalogue, catalogue } from '../../catalog/index.ts';
import { PART_COLUMNS, partRow, shippedPartCells, upcastCells } from '../../catalog/parts.ts';
import type { Part } from '../../core/index.ts';
import { type FiledBookEntry, placesFor, stockOf, vanOf } from '../../record/index.ts';
import { byShop, inShop, type Sql, type Tx } from '../database/index.ts';
import { appendBook, filedBookEntry } from '../entries/index.ts';
import type { Cells } from '../files/index.ts';
import { coilIn, shopNow, stockedPlaces, stockOnVan } from '../queries/index.ts';
import { type Progress, pause, type ReadRow, readRows } from './read.ts';

export { CalledOffError, MAX_OWN_PARTS, type Progress } from './read.ts';

const SLICE = 500;

/**
 * Takes in a file of own parts in place of those the shop had: each that differs is said in the book.
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
  return inShop(sql, shopId, async (tx) => {
    const before = await keptParts(tx, shopId);
    const entries = partEntries(before, rows, at);
    for (let i = 0; i < entries.length; i += SLICE) {
      await pause(calledOff);
      await appendBook(tx, shopId, entries.slice(i, i + SLICE));
      report({ step: 'keeping', done: Math.min(i + SLICE, entries.length), of: entries.length });
    }
    const standing = before.filter((p) => !p.gone).map((p) => p.cells);
    await countVan(tx, shopId, rows, standing, at);
    return { parts: rows.length, revision: await partsRevision(tx, shopId) };
  });
}

/** A part of the shop's own as its table holds it, one that it has no more among them. */
interface KeptPart {
  subject_id: string;
  part_id: string;
  place: number;
  cells: Cells;
  gone: boolean;
}

const keptParts = (tx: Tx, shopId: string) =>
  tx<KeptPart[]>`select subject_id, part_id, place, cells, gone from shop_part where shop_id = ${shopId} order by place, part_id`;

/** What a file says that the shop has not: a part that is new, other or in another place, and each that is gone. */
function partEntries(before: readonly KeptPart[], rows: readonly ReadRow[], at: Date): FiledBookEntry[] {
  const known = new Map(before.map((p) => [p.part_id, p]));
  const importId = uuidv7();
  const places = placesFor(
    rows.map(({ part }) => {
      const own = known.get(part.id);
      return own && !own.gone ? own.place : null;
    }),
  );
  const set = rows.flatMap(({ part, cells }, i) => {
    const own = known.get(part.id);
    if (own && !own.gone && own.place === places[i] && isDeepStrictEqual(own.cells, cells)) return [];
    return [filedBookEntry('part', own?.subject_id ?? uuidv7(), 'set', { row: cells, place: places[i], importId }, at)];
  });
  const inFile = new Set(rows.map(({ part }) => part.id));
  const removed = before.filter((p) => !p.gone && !inFile.has(p.part_id));
  return [...removed.map((p) => filedBookEntry('part', p.subject_id, 'removed', { importId }, at)), ...set];
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
  const rows = await sql<{ cells: Cells }[]>`select cells from shop_part where shop_id = ${shopId} and not gone order by place, part_id`;
  return rows.map((r) => upcastCells(r.cells));
}

/** Rises whenever an own part is another; 0 while the shop never had any. */
async function partsRevision(sql: Sql | Tx, shopId: string): Promise<number> {
  const [row] = await sql<{ parts_revision: string }[]>`select parts_revision from shop_cursor where shop_id = ${shopId}`;
  return Number(row?.parts_revision ?? 0);
}

function fileOf(rows: Cells[]): string {
  const cells = rows.map((row) => PART_COLUMNS.map((c) => row[c] ?? ''));
  return `${Papa.unparse({ fields: [...PART_COLUMNS], data: cells }, { escapeFormulae: true })}\r\n`;
}

interface Remembered {
  revision: number;
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
  const [revision, shop] = await Promise.all([partsRevision(sql, shopId), shopNow(sql, shopId)]);
  const shipped = catalogue();
  const currency = shop.currency ?? shipped.currency;
  if (revision === 0 && currency === shipped.currency) return shipped;
  const shops = remembered(sql);
  const known = shops.get(shopId);
  if (known?.revision === revision && known.currency === currency) return known.catalogue;
  const parts = revision === 0 ? [] : (await ownRows(sql, shopId)).flatMap((cells) => partRow.safeParse(cells).data?.part ?? []);
  const ownIds = parts.map((p) => p.id);
  const own = new Set(ownIds);
  const version = [shipped.version, ...(revision === 0 ? [] : [revision]), ...(currency === shipped.currency ? [] : [currency])].join('+');
  const merged = { ...shipped, version, currency, ownIds, parts: [...parts, ...shipped.parts.filter((p) => !own.has(p.id))] };
  shops.set(shopId, { revision, currency, catalogue: merged });
  return merged;
}
