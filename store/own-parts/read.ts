/** Reads a file of parts: a slice at a time, every fault by line and column. */
import { NEEDED_COLUMNS, PART_COLUMNS, partRow, upcastCells } from '../../catalog/parts.ts';
import { type Part, readPart } from '../../core/index.ts';
import { isStorable } from '../../record/index.ts';
import { type Cells, CsvFileError, isEnough, isFault, type RowFault, rowsOf } from '../files/index.ts';

export const MAX_OWN_PARTS = 50_000;
const SLICE = 100;

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
 * @throws CsvFileError with every fault found (at most 50), CalledOffError
 */
export async function readRows(file: Uint8Array, report: (p: Progress) => void, calledOff: () => boolean): Promise<ReadRow[]> {
  const out: ReadRow[] = [];
  const faults: RowFault[] = [];
  const seen = new Map<string, number>();
  for await (const row of rowsOf(file, { all: PART_COLUMNS, needed: NEEDED_COLUMNS }, calledOff)) {
    if (isFault(row)) {
      faults.push(row);
      if (isEnough(faults)) break;
      continue;
    }
    if (out.length % SLICE === 0) {
      report({ step: 'reading', done: row.bytes, of: file.byteLength });
      await pause(calledOff);
    }
    const read = readRow(row.cells, row.line, seen);
    if (Array.isArray(read)) faults.push(...read);
    else out.push(read);
    if (out.length > MAX_OWN_PARTS) faults.push({ line: row.line, column: 'id', why: `At most ${MAX_OWN_PARTS} parts.` });
    if (isEnough(faults) || out.length > MAX_OWN_PARTS) break;
  }
  if (faults.length > 0) throw new CsvFileError(faults);
  return out;
}

/** A row without ends has those that its name tells, and the length. */
function withToldEnds(cells: Cells): Cells {
  const told = (cells.ends ?? '').trim() === '' ? readPart(cells.name ?? '') : null;
  if (!told) return cells;
  const [a, b] = told.ends;
  const lengthIn = cells.length_in || (told.lengthIn === null ? '' : String(told.lengthIn));
  return { ...cells, ends: told.isStop ? `in=${a}@in out=${b}@out` : `a=${a}@either b=${b}@either`, length_in: lengthIn };
}

function readRow(given: Cells, line: number, seen: Map<string, number>): ReadRow | RowFault[] {
  const bad = Object.keys(given).find((c) => !isStorable(given[c] ?? ''));
  if (bad) return [{ line, column: bad, why: 'It holds a character that cannot be kept (a NUL).' }];
  const cells = withToldEnds(upcastCells(given));
  const result = partRow.safeParse(cells);
  if (!result.success) return result.error.issues.map((issue) => ({ line, column: String(issue.path[0] ?? ''), why: `${issue.message}.` }));
  const { part, van } = result.data;
  const before = seen.get(part.id);
  seen.set(part.id, line);
  if (before !== undefined) return [{ line, column: 'id', why: `"${part.id}" stands on line ${before} already.` }];
  return { cells, part, van };
}
