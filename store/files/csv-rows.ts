/** Rows of a CSV file (RFC 4180, UTF-8): in bounded memory, every fault by line and column. */
import Papa from 'papaparse';
import { Breath } from '../database/index.ts';

const MAX_FAULTS = 50;
/** Longest row of a file, characters: a quote that is never closed is found soon. */
const MAX_ROW = 20_000;
/** Characters that are looked at before others have their turn, and about as many as are split into cells at once. */
const SLICE = 32_768;
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
    const text = new TextDecoder('utf-8', { fatal: true }).decode(file);
    // Rows of a very old spreadsheet end with a return alone.
    return text.includes('\n') ? text : text.replaceAll('\r', '\n');
  } catch {
    const upTo = new TextDecoder('utf-8').decode(file).split('�')[0] ?? '';
    const why = 'The file is not in UTF-8 here. Save it as "CSV UTF-8" and take it in again.';
    throw new CsvFileError([{ line: upTo.split('\n').length, column: '', why }]);
  }
}

/** A row as it stands in the file. */
interface Slice {
  text: string;
  /** Where it begins. */
  line: number;
}

const [QUOTE, COMMA, NEWLINE, RETURN] = [34, 44, 10, 13];
const [OPEN, PLAIN, QUOTED, CLOSED] = ['a cell may begin', 'in a bare cell', 'in a quoted cell', 'after a closing quote'] as const;

/**
 * Rows by their newlines outside quotes, blank ones passed over: what is no CSV, or far too wide or long, is found before anything else reads it.
 *
 * @throws CsvFileError
 */
async function* slicesOf(text: string, calledOff: () => boolean): AsyncGenerator<Slice> {
  const breath = new Breath();
  let [line, began, from, cells] = [1, 1, 0, 1];
  let state: typeof OPEN | typeof PLAIN | typeof QUOTED | typeof CLOSED = OPEN;
  const refuse = (why: string): never => {
    throw new CsvFileError([{ line: began, column: '', why }]);
  };
  for (let at = 0; at <= text.length; at++) {
    if (at % SLICE === 0) {
      await breath.take();
      if (calledOff()) return;
    }
    if (at - from > MAX_ROW) refuse(`This row is longer than ${MAX_ROW} characters: is a quote not closed?`);
    const c = at === text.length ? NEWLINE : text.charCodeAt(at);
    if (c === NEWLINE && at < text.length) line += 1;
    if (state === QUOTED && at < text.length) {
      if (c === QUOTE) state = CLOSED;
    } else if (c === QUOTE) {
      // Within quotes a quote is written twice.
      if (state === PLAIN) refuse('A quote stands in the middle of a cell.');
      state = QUOTED;
    } else if (c === COMMA) {
      cells += 1;
      if (cells > MOST_CELLS) refuse(`This row has more than ${MOST_CELLS} cells.`);
      state = OPEN;
    } else if (c === NEWLINE) {
      if (state === QUOTED) refuse('A quote is not closed.');
      const row = text.slice(from, text.charCodeAt(at - 1) === RETURN ? at - 1 : at);
      if (row !== '') yield { text: row, line: began };
      [from, began, cells, state] = [at + 1, line, 1, OPEN];
    } else if (state === CLOSED && c !== RETURN) refuse('A quoted cell goes on after its closing quote.');
    else if (state === OPEN) state = PLAIN;
  }
}

interface Line {
  cells: string[];
  line: number;
  /** Of the file, up to its end. */
  bytes: number;
}

/** Cells of the rows, some rows at once. */
async function* linesOf(text: string, calledOff: () => boolean): AsyncGenerator<Line> {
  const breath = new Breath();
  let [waiting, size, bytes]: [Slice[], number, number] = [[], 0, 0];
  const split = function* (): Generator<Line> {
    const rows = Papa.parse<string[]>(waiting.map((w) => w.text).join('\n'), { delimiter: ',', newline: '\n' }).data;
    for (const [i, { text: row, line }] of waiting.entries()) {
      bytes += Buffer.byteLength(row) + 1;
      yield { cells: rows[i] ?? [], line, bytes };
    }
    [waiting, size] = [[], 0];
  };
  for await (const slice of slicesOf(text, calledOff)) {
    waiting.push(slice);
    size += slice.text.length;
    if (size < SLICE) continue;
    for (const line of split()) {
      yield line;
      await breath.take();
    }
  }
  yield* split();
}

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
