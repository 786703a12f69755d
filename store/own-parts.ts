/** A shop's own parts: a CSV file in, all of it or nothing, and the same file out. */
import Papa from 'papaparse';
import { v7 as uuidv7 } from 'uuid';
import { type Catalogue, catalogue } from '../catalog/index.ts';
import { PART_COLUMNS, partRow, shippedPartCells } from '../catalog/parts.ts';
import type { Part } from '../core/match/part.ts';
import { byShop } from './by-shop.ts';
import type { Sql, Tx } from './connection.ts';
import { stockOnVan } from './stock.ts';

export const MAX_OWN_PARTS = 50_000;
const MAX_FAULTS = 50;
const SLICE = 500;

type Cells = Record<string, string>;

/** What is wrong in a file, by line (the header is line 1) and column. */
export interface RowFault {
  line: number;
  column: string;
  why: string;
}

/** A file of parts that was not taken in; nothing was changed. */
export class PartsFileError extends Error {
  override readonly name = 'PartsFileError';
  constructor(readonly faults: RowFault[]) {
    const first = faults[0];
    super(`Line ${first?.line}, column "${first?.column}": ${first?.why} Nothing was imported.`);
  }
}

/** The import was called off; nothing was changed. */
export class CalledOffError extends Error {
  override readonly name = 'CalledOffError';
  constructor() {
    super('Called off. Nothing was imported.');
  }
}

export interface Progress {
  step: 'reading' | 'keeping';
  done: number;
  of: number;
}

interface ReadRow {
  cells: Cells;
  part: Part;
  van: number;
}

/**
 * Takes in a file of own parts in place of those the shop had.
 *
 * @param text     RFC 4180, UTF-8, a header line with the columns of the shipped parts
 * @param report   told how far it is, now and then
 * @param calledOff asked between slices
 * @throws PartsFileError with every fault found (at most 50), CalledOffError
 */
export async function importParts(
  sql: Sql,
  shopId: string,
  text: string,
  at: Date,
  report: (p: Progress) => void = () => {},
  calledOff: () => boolean = () => false,
): Promise<{ parts: number; revision: number }> {
  const rows = await readRows(text, report, calledOff);
  return sql.begin(async (tx) => {
    const [row] = await tx<{ revision: number }[]>`
      insert into own_catalogue (shop_id, revision, imported_at) values (${shopId}, 1, ${at})
      on conflict (shop_id) do update set revision = own_catalogue.revision + 1, imported_at = excluded.imported_at returning revision`;
    await tx`delete from own_part where shop_id = ${shopId}`;
    for (let i = 0; i < rows.length; i += SLICE) {
      await pause(calledOff);
      const slice = rows.slice(i, i + SLICE);
      const values = slice.map((r, n) => ({ shop_id: shopId, part_id: r.part.id, place_in_order: i + n, cells: tx.json(r.cells) }));
      await tx`insert into own_part ${tx(values as never)}`;
      report({ step: 'keeping', done: i + slice.length, of: rows.length });
    }
    await countVan(tx, shopId, rows, at);
    return { parts: rows.length, revision: row!.revision };
  });
}

/** Lets others have their turn, and stops when called off. */
async function pause(calledOff: () => boolean): Promise<void> {
  await new Promise((wake) => setImmediate(wake));
  if (calledOff()) throw new CalledOffError();
}

async function readRows(text: string, report: (p: Progress) => void, calledOff: () => boolean): Promise<ReadRow[]> {
  const { data, errors, meta } = Papa.parse<Cells>(text.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: 'greedy' });
  const missing = PART_COLUMNS.filter((c) => !meta.fields?.includes(c));
  const strange = (meta.fields ?? []).filter((c) => !(PART_COLUMNS as readonly string[]).includes(c));
  const faults: RowFault[] = [
    ...missing.map((column) => ({ line: 1, column, why: 'This column is missing.' })),
    ...strange.map((column) => ({ line: 1, column, why: `No such column: the columns are ${PART_COLUMNS.join(', ')}.` })),
    ...errors.filter((e) => e.type === 'Quotes').map((e) => ({ line: (e.row ?? 0) + 2, column: '', why: `${e.message}.` })),
  ];
  if (faults.length > 0) throw new PartsFileError(faults.slice(0, MAX_FAULTS));
  if (data.length > MAX_OWN_PARTS) throw new PartsFileError([{ line: MAX_OWN_PARTS + 2, column: 'id', why: `At most ${MAX_OWN_PARTS} parts.` }]);
  const out: ReadRow[] = [];
  const seen = new Map<string, number>();
  let line = 2;
  for (const [i, raw] of data.entries()) {
    if (i % SLICE === 0) {
      report({ step: 'reading', done: i, of: data.length });
      await pause(calledOff);
    }
    const cells = Object.fromEntries(PART_COLUMNS.map((c) => [c, unguarded(raw[c] ?? '')]));
    if ('__parsed_extra' in raw) faults.push({ line, column: PART_COLUMNS.at(-1)!, why: 'This row has more cells than the header.' });
    const result = partRow.safeParse(cells);
    if (!result.success) {
      for (const issue of result.error.issues) faults.push({ line, column: String(issue.path[0] ?? ''), why: `${issue.message}.` });
    } else {
      const { part, van } = result.data;
      const before = seen.get(part.id);
      if (before !== undefined) faults.push({ line, column: 'id', why: `"${part.id}" stands on line ${before} already.` });
      seen.set(part.id, line);
      out.push({ cells, part, van });
    }
    line += 1 + Object.values(raw).reduce((n, cell) => n + String(cell).split('\n').length - 1, 0);
    if (faults.length >= MAX_FAULTS) break;
  }
  if (faults.length > 0) throw new PartsFileError(faults.slice(0, MAX_FAULTS));
  return out;
}

/** A cell that a spreadsheet would run as a formula goes out behind an apostrophe; it is taken off again on the way in. */
const unguarded = (cell: string): string => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);

async function countVan(tx: Tx, shopId: string, rows: ReadRow[], at: Date): Promise<void> {
  const stock = await stockOnVan(tx, shopId);
  const moves = rows.flatMap(({ part, van }) => {
    const quantity = van - (stock[part.id] ?? 0);
    return quantity === 0
      ? []
      : [{ shop_id: shopId, move_id: uuidv7(), item: part.id, quantity, reason: 'counted in a file of parts', recorded_at: at }];
  });
  for (let i = 0; i < moves.length; i += SLICE) await tx`insert into stock_move ${tx(moves.slice(i, i + SLICE))}`;
}

/** The shop's own parts as they came in. */
export async function exportParts(sql: Sql, shopId: string): Promise<string> {
  return fileOf(await ownRows(sql, shopId));
}

/** Every part the shop matches with, as a file to begin from: its own, then the shipped ones, the van as it is counted now. */
export async function exportAllParts(sql: Sql, shopId: string): Promise<string> {
  const [own, stock] = await Promise.all([ownRows(sql, shopId), stockOnVan(sql, shopId)]);
  const ids = new Set(own.map((cells) => cells.id));
  const all = [...own, ...shippedPartCells().filter((cells) => !ids.has(cells.id))];
  return fileOf(all.map((cells) => ({ ...cells, van: String(stock[cells.id ?? ''] ?? 0) })));
}

async function ownRows(sql: Sql, shopId: string): Promise<Cells[]> {
  const rows = await sql<{ cells: Cells }[]>`select cells from own_part where shop_id = ${shopId} order by place_in_order`;
  return rows.map((r) => r.cells);
}

function fileOf(rows: Cells[]): string {
  const cells = rows.map((row) => PART_COLUMNS.map((c) => row[c] ?? ''));
  return `${Papa.unparse({ fields: [...PART_COLUMNS], data: cells }, { escapeFormulae: true })}\r\n`;
}

const remembered = byShop<{ revision: number; catalogue: Catalogue }>();

/** The shipped catalogue with the shop's own parts in it, an own part standing in place of a shipped one of its id. Kept by revision. */
export async function shopCatalogue(sql: Sql, shopId: string): Promise<Catalogue> {
  const [row] = await sql<{ revision: number }[]>`select revision from own_catalogue where shop_id = ${shopId}`;
  if (!row) return catalogue();
  const shops = remembered(sql);
  const known = shops.get(shopId);
  if (known?.revision === row.revision) return known.catalogue;
  const own = await sql<{ cells: Cells }[]>`select cells from own_part where shop_id = ${shopId} order by place_in_order`;
  const parts = own.map((r) => partRow.parse(r.cells).part);
  const ids = new Set(parts.map((p) => p.id));
  const shipped = catalogue();
  const merged = { ...shipped, version: `${shipped.version}+${row.revision}`, parts: [...parts, ...shipped.parts.filter((p) => !ids.has(p.id))] };
  shops.set(shopId, { revision: row.revision, catalogue: merged });
  return merged;
}
