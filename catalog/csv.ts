import Papa from 'papaparse';
import type { ZodType } from 'zod';

/** A catalogue file that cannot be used, with the line and column where it fails. */
export class CatalogueError extends Error {
  override readonly name = 'CatalogueError';
  constructor(
    readonly file: string,
    readonly line: number,
    readonly column: string,
    readonly cause_: string,
  ) {
    super(`${file}, line ${line}, column "${column}": ${cause_}`);
  }
}

/** Reads CSV text with a header line into rows checked by `row`. Line numbers count from 1, the header being line 1. */
export function readCsv<T>(file: string, text: string, row: ZodType<T>): T[] {
  const parsed = Papa.parse<Record<string, string>>(text.trim(), { header: true });
  const fault = parsed.errors[0];
  if (fault) throw new CatalogueError(file, (fault.row ?? 0) + 2, '', fault.message);
  return parsed.data.map((cells, i) => {
    const result = row.safeParse(cells);
    if (result.success) return result.data;
    const issue = result.error.issues[0];
    throw new CatalogueError(file, i + 2, String(issue?.path[0] ?? ''), issue?.message ?? 'does not read');
  });
}
