/** What is reckoned here as files of plain text. */
import Papa from 'papaparse';
import type { LinePiece, OperatingPoint, Surge } from '../../../core/index.ts';

/** Figures go out as figures, with six digits; a name that a spreadsheet would run as a formula is made safe. */
const csv = (rows: (string | number)[][]): string => `${Papa.unparse(rows, { escapeFormulae: true })}\r\n`;
const six = (value: number): number => Number(value.toPrecision(6));

/** Piece by piece: what each is and what it costs; then what comes of it. */
export function flowCsv(pieces: readonly LinePiece[], point: OperatingPoint): string {
  return csv([
    ['piece', 'name', 'bore_in', 'length_in', 'k', 'loss_psi', 'speed_ft_s', 'reynolds'],
    ...pieces.map((p, i) => [
      i + 1,
      p.name,
      six(p.boreIn),
      six(p.lengthIn),
      six(p.k ?? 0),
      six(point.losses[i]!.psi),
      six(point.speedFtS[i]!),
      six(point.reynolds[i]!),
    ]),
    ['gpm', six(point.gpm)],
    ['inlet_psi', six(point.inletPsi)],
    ['supply_psi', six(point.supplyPsi)],
    ['rise_psi', six(point.risePsi)],
  ]);
}

/** The valve's pressure in time, bare and with its cushion where there is one. */
export function surgeCsv(bare: Surge, cushioned: Surge | null): string {
  return csv([
    ['seconds', 'psi', ...(cushioned ? ['psi_with_cushion'] : [])],
    ...bare.t.map((t, i) => [six(t), six(bare.psi[i]!), ...(cushioned?.psi[i] === undefined ? [] : [six(cushioned.psi[i]!)])]),
  ]);
}
