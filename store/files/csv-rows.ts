/** Rows of a CSV file (RFC 4180, UTF-8): in bounded memory, every fault by line and column. */
import { parse } from 'csv-parse';
import { Breath, drainedOrClosed } from '../database/index.ts';

const MAX_FAULTS = 50;
/** Longest row of a file, characters: a quote that is never closed is found soon. */
const MAX_ROW = 20_000;
const CHUNK_BYTES = 32_768;
/** More cells than any file of this program has in a row: what has more is no such file, and would take long to be read as one. */
const MOST_CELLS = 5000;

export type Cells = Record<string, string>;

/** What is wrong in a file, by line (the header is line 1) and column. */
export interface RowFault {
  line: number;
  column: string;
  why: string;
}

/** A file that was not taken in; nothing was changed. */
export class CsvFileError extends Error {
  override readonly name = 'CsvFileError';
  readonly faults: RowFault[];
  /** @param all at most 50 of them are told */
  constructor(all: RowFault[]) {
    const [first] = all;
    super(`Line ${first?.line}, column "${first?.column}": ${first?.why} Nothing was imported.`);
    this.faults = all.slice(0, MAX_FAULTS);
  }
}

/** Faults are told up to here; a file with more is not read on. */
export const isEnough = (faults: RowFault[]): boolean => faults.length >= MAX_FAULTS;

/** A row of a file under its header. */
export interface Row {
  cells: Cells;
  /** Where it begins. */
  line: number;
  bytes: number;
}

/**
 * Rows of a file, each cell under its column.
 *
 * @param columns all that may stand in the header, and those that must
 * @throws CsvFileError for what is no CSV, is in another encoding, or has another header
 */
export async function* rowsOf(
  file: Uint8Array,
  columns: { all: string[]; needed: string[] },
  calledOff: () => boolean = () => false,
): AsyncGenerator<Row | RowFault> {
  const text = textOf(file);
  await refuseWide(text);
  const lines = linesOf(text, calledOff);
  const header = headerOf((await lines.next()).value?.cells ?? [], columns);
  for await (const { cells, line, bytes } of lines) {
    if (cells.length > header.length) yield { line, column: header.at(-1)!, why: 'This row has more cells than the header.' };
    else yield { line, bytes, cells: Object.fromEntries(header.map((c, i) => [c, unguarded(cells[i] ?? '')])) };
  }
}

export const isFault = (row: Row | RowFault): row is RowFault => 'why' in row;

/** A file in another encoding is refused, not turned into question marks. */
function textOf(file: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(file);
  } catch {
    const upTo = new TextDecoder('utf-8').decode(file).split('�')[0] ?? '';
    const why = 'The file is not in UTF-8 here. Save it as "CSV UTF-8" and take it in again.';
    throw new CsvFileError([{ line: upTo.split('\n').length, column: '', why }]);
  }
}

/** Finds a row with far too many cells before anything else reads the file. */
async function refuseWide(text: string): Promise<void> {
  const breath = new Breath();
  let [line, cells, isQuoted] = [1, 1, false];
  for (let at = 0; at < text.length; at++) {
    const c = text.charCodeAt(at);
    if (c === QUOTE) isQuoted = !isQuoted;
    else if (c === NEWLINE) {
      line += 1;
      if (!isQuoted) cells = 1;
    } else if (c === COMMA && !isQuoted) {
      cells += 1;
      if (cells > MOST_CELLS) throw new CsvFileError([{ line, column: '', why: `This row has more than ${MOST_CELLS} cells.` }]);
    }
    if (at % CHUNK_BYTES === 0) await breath.take();
  }
}

const [QUOTE, COMMA, NEWLINE] = [34, 44, 10];

interface Line {
  cells: string[];
  /** Where the row begins. */
  line: number;
  bytes: number;
}

/** Rows of the file; blank ones are passed over, and counted. */
async function* linesOf(text: string, calledOff: () => boolean): AsyncGenerator<Line> {
  const breath = new Breath();
  const parser = parse({ bom: true, relax_column_count: true, skip_empty_lines: true, max_record_size: MAX_ROW, info: true });
  const feed = async () => {
    for (let at = 0; at < text.length; at += CHUNK_BYTES) {
      if (calledOff() || parser.destroyed) break;
      if (!parser.write(text.slice(at, at + CHUNK_BYTES))) await drainedOrClosed(parser);
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
      await breath.take();
    }
  } catch (error) {
    const { code, lines } = error as { code?: string; lines?: number };
    if (!code || !(code in WHY || code.startsWith('CSV_'))) throw error;
    throw new CsvFileError([{ line: lines ?? began, column: '', why: WHY[code] ?? 'The row does not read as CSV.' }]);
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
function headerOf(header: string[], { all, needed }: { all: string[]; needed: string[] }): string[] {
  const missing = needed.filter((c) => !header.includes(c));
  const strange = header.filter((c) => !all.includes(c));
  const twice = header.filter((c, i) => header.indexOf(c) !== i);
  const faults = [
    ...missing.map((column) => ({ line: 1, column, why: 'This column is missing.' })),
    ...strange.map((column) => ({ line: 1, column: column.slice(0, 60), why: `No such column: the columns are ${all.join(', ')}.` })),
    ...twice.map((column) => ({ line: 1, column: column.slice(0, 60), why: 'This column stands twice.' })),
  ];
  if (faults.length > 0) throw new CsvFileError(faults);
  return header;
}

/** A cell that a spreadsheet would run as a formula goes out behind an apostrophe; it is taken off again on the way in. */
const unguarded = (cell: string): string => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);
