/** Reads a file of parts: a slice at a time, in bounded memory, every fault by line and column. */
import { parse } from 'csv-parse';
import { cellsBroughtUp, NEEDED_COLUMNS, PART_COLUMNS, partRow } from '../../catalog/parts.ts';
import type { Part } from '../../core/index.ts';
import { isStorable } from '../../record/storable.ts';

export const MAX_OWN_PARTS = 50_000;
const MAX_FAULTS = 50;
/** Longest row of a file, characters: a quote that is never closed is found soon. */
const MAX_ROW = 20_000;
const CHUNK_BYTES = 32_768;
const SLICE = 100;

export type Cells = Record<string, string>;

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

export interface ReadRow {
  cells: Cells;
  part: Part;
  van: number;
}

/** Lets others have their turn, and stops when called off. */
export async function pause(calledOff: () => boolean): Promise<void> {
  await new Promise((wake) => setImmediate(wake));
  if (calledOff()) throw new CalledOffError();
}

/**
 * @param file RFC 4180, UTF-8, a header line with the columns of the shipped parts
 * @throws PartsFileError with every fault found (at most 50), CalledOffError
 */
export async function readRows(file: Uint8Array, report: (p: Progress) => void, calledOff: () => boolean): Promise<ReadRow[]> {
  const out: ReadRow[] = [];
  const faults: RowFault[] = [];
  const seen = new Map<string, number>();
  const lines = rowsOf(textOf(file), calledOff);
  const header = (await lines.next()).value;
  const columns = columnsOf(header?.cells ?? []);
  for await (const { cells, line, bytes } of lines) {
    if (out.length % SLICE === 0) {
      report({ step: 'reading', done: bytes, of: file.byteLength });
      await pause(calledOff);
    }
    const read = readRow(columns, cells, line, seen);
    if (Array.isArray(read)) faults.push(...read);
    else out.push(read);
    if (out.length > MAX_OWN_PARTS) faults.push({ line, column: 'id', why: `At most ${MAX_OWN_PARTS} parts.` });
    if (faults.length >= MAX_FAULTS || out.length > MAX_OWN_PARTS) break;
  }
  if (faults.length > 0) throw new PartsFileError(faults.slice(0, MAX_FAULTS));
  return out;
}

/** A file in another encoding is refused, not turned into question marks. */
function textOf(file: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(file);
  } catch {
    const upTo = new TextDecoder('utf-8').decode(file).split('�')[0] ?? '';
    const why = 'The file is not in UTF-8 here. Save it as "CSV UTF-8" and take it in again.';
    throw new PartsFileError([{ line: upTo.split('\n').length, column: '', why }]);
  }
}

interface Line {
  cells: string[];
  /** Where the row begins. */
  line: number;
  bytes: number;
}

/** Rows of the file; blank ones are passed over, and counted. */
async function* rowsOf(text: string, calledOff: () => boolean): AsyncGenerator<Line> {
  const parser = parse({ bom: true, relax_column_count: true, skip_empty_lines: true, max_record_size: MAX_ROW, info: true });
  const feed = async () => {
    for (let at = 0; at < text.length; at += CHUNK_BYTES) {
      if (calledOff() || parser.destroyed) break;
      if (!parser.write(text.slice(at, at + CHUNK_BYTES))) await new Promise((drained) => parser.once('drain', drained).once('close', drained));
    }
    parser.end();
  };
  const fed = feed();
  let began = 1;
  try {
    for await (const { record, info } of parser as AsyncIterable<{ record: string[]; info: { lines: number; bytes: number } }>) {
      const breaks = record.reduce((n, cell) => n + cell.split('\n').length - 1, 0);
      began = info.lines;
      yield { cells: record, line: info.lines - breaks, bytes: info.bytes };
    }
  } catch (error) {
    const { code, lines } = error as { code?: string; lines?: number };
    if (!code?.startsWith('CSV_')) throw error;
    throw new PartsFileError([{ line: lines ?? began, column: '', why: WHY[code] ?? 'The row does not read as CSV.' }]);
  } finally {
    parser.destroy();
    await fed;
  }
}

const WHY: Record<string, string> = {
  CSV_MAX_RECORD_SIZE: `This row is longer than ${MAX_ROW} characters: is a quote not closed?`,
  CSV_QUOTE_NOT_CLOSED: 'A quote is not closed.',
  CSV_INVALID_CLOSING_QUOTE: 'A quoted cell goes on after its closing quote.',
  INVALID_OPENING_QUOTE: 'A quote stands in the middle of a cell.',
  CSV_INVALID_OPENING_QUOTE: 'A quote stands in the middle of a cell.',
};

/** The header, checked before anything else is read. */
function columnsOf(header: string[]): string[] {
  const missing = NEEDED_COLUMNS.filter((c) => !header.includes(c));
  const strange = header.filter((c) => !PART_COLUMNS.includes(c));
  const twice = header.filter((c, i) => header.indexOf(c) !== i);
  const faults = [
    ...missing.map((column) => ({ line: 1, column, why: 'This column is missing.' })),
    ...strange.map((column) => ({ line: 1, column: column.slice(0, 60), why: `No such column: the columns are ${PART_COLUMNS.join(', ')}.` })),
    ...twice.map((column) => ({ line: 1, column: column.slice(0, 60), why: 'This column stands twice.' })),
  ];
  if (faults.length > 0) throw new PartsFileError(faults.slice(0, MAX_FAULTS));
  return header;
}

function readRow(columns: string[], row: string[], line: number, seen: Map<string, number>): ReadRow | RowFault[] {
  if (row.length > columns.length) return [{ line, column: columns.at(-1)!, why: 'This row has more cells than the header.' }];
  const given = Object.fromEntries(columns.map((c, i) => [c, unguarded(row[i] ?? '')]));
  const bad = columns.find((c) => !isStorable(given[c] ?? ''));
  if (bad) return [{ line, column: bad, why: 'It holds a character that cannot be kept (a NUL).' }];
  const cells = cellsBroughtUp(given);
  const result = partRow.safeParse(cells);
  if (!result.success) return result.error.issues.map((issue) => ({ line, column: String(issue.path[0] ?? ''), why: `${issue.message}.` }));
  const { part, van } = result.data;
  const before = seen.get(part.id);
  seen.set(part.id, line);
  if (before !== undefined) return [{ line, column: 'id', why: `"${part.id}" stands on line ${before} already.` }];
  return { cells, part, van };
}

/** A cell that a spreadsheet would run as a formula goes out behind an apostrophe; it is taken off again on the way in. */
const unguarded = (cell: string): string => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);
