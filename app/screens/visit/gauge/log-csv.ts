/** A gauge's log as a file: a row a reading, and a row for each volume that was let out. */
import Papa from 'papaparse';
import { InputError, type LetOut, type PressureReading } from '../../../../core/index.ts';

export interface GaugeLog {
  readings: PressureReading[];
  letOut: LetOut[];
}

const COLUMNS = ['minutes', 'psi', 'temp_f', 'let_out_ml', 'psi_after'];
/** A file of more is no log of one line. */
const MOST_ROWS = 500_000;

/** The same log comes back: figures are written as they are. */
export const writeGaugeCsv = ({ readings, letOut }: GaugeLog): string =>
  `${Papa.unparse({ fields: COLUMNS, data: [...readings.map((r) => [r.minutes, r.psi, r.tempF, '', '']), ...letOut.map((l) => ['', l.psiBefore, '', l.ml, l.psiAfter])] })}\r\n`;

/**
 * Reads rows of minutes, psi, temp_f; rows with let_out_ml say a volume let out, with the pressure before and after it.
 *
 * @throws InputError naming the line and its column
 */
export function readGaugeCsv(text: string): GaugeLog {
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: true,
    preview: MOST_ROWS,
    transformHeader: (name) => name.trim().toLowerCase(),
  });
  const missing = COLUMNS.slice(0, 3).find((name) => !meta.fields?.includes(name));
  if (missing) throw new InputError(`line 1, ${missing}`, meta.fields?.join(',').slice(0, 60) ?? '', `Name the columns: ${COLUMNS.join(', ')}.`);
  const log: GaugeLog = { readings: [], letOut: [] };
  for (const [i, cells] of data.entries()) {
    const figure = (name: string): number => {
      const typed = cells[name]?.trim() ?? '';
      if (typed === '' || !Number.isFinite(Number(typed)))
        throw new InputError(`row ${i + 1}, ${name}`, typed, 'A figure is wanted there, with a point for its decimals.');
      return Number(typed);
    };
    if ((cells.let_out_ml ?? '').trim() !== '')
      log.letOut.push({ ml: figure('let_out_ml'), psiBefore: figure('psi'), psiAfter: figure('psi_after') });
    else log.readings.push({ minutes: figure('minutes'), psi: figure('psi'), tempF: figure('temp_f') });
  }
  return log;
}
