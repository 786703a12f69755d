/** A chain of parts as pieces that water loses pressure in. */
import { parseEnd, type Tube, tubes } from '../ends/index.ts';
import { type Part, shortName } from '../match/index.ts';
import { writeFraction } from '../units/index.ts';
import type { Piece } from './piece.ts';

/** What the shape of a kind of part costs: a row of the catalogue; the first that fits is taken. */
export interface LossRow {
  id: string;
  name: string;
  /** Of the part; null: of any. */
  kind: string | null;
  /** All of them stand on it. */
  tags: string[];
  /** By which port water leaves it; null: by any. */
  port: 'branch' | null;
  k: number;
  /** The bore on whose velocity k goes, in, for a part whose narrowest way is `atBoreIn`; null: on its own. */
  onBoreIn: number | null;
  atBoreIn: number | null;
  /** Narrowest way and length of one whose own nobody said, in; null: as any body. Typical. */
  boreIn: number | null;
  lengthIn: number | null;
  /** It is found where an appliance's line begins. */
  begins: boolean;
  /** The row of what would cost less in its place. */
  better: string | null;
  source: string;
}

/** A piece that knows what it is of. */
export interface LinePiece extends Piece {
  name: string;
  /** Which of the chain's parts, from 0; -1 for what was found or is not of it. */
  part: number;
  /** Its tube or hose, where it is a length of one. */
  tube?: string;
  /** Its row of losses, where its shape has one. */
  loss?: string;
  /** Where its bore is the usual one, not its own. */
  isUsual?: boolean;
  /** Outside, in, and material of a tube: for what its wall takes up and how it gives. */
  odIn?: number;
  material?: string;
}

/** Brass, drawn or cast smooth, mm. @source typical */
const BODY_ROUGHNESS_MM = 0.0015;
/** The way through a connector's nut and insert, in. @source typical: 1 in long at each end */
const INSERT_LENGTH_IN = 1;
/** A hose's bore over that of its inserts. @source typical: 0.2 in an 0.315 in hose, 0.25 in 0.375 */
const HOSE_OVER_INSERT = 1.5;
/** A body whose bore or length nobody said, in. Typical. */
const USUAL_BORE_IN = 0.25;
const USUAL_LENGTH_IN = 1.5;

export interface PathStep {
  part: string;
  outEnd: string;
  cutLengthIn?: number;
}

/** The braided hose whose inserts have that bore. */
export function hoseOf(insertIn: number): Tube {
  const hoses = tubes.filter((t) => t.material === 'braided');
  const off = (t: Tube) => Math.abs(t.idIn - insertIn * HOSE_OVER_INSERT);
  return hoses.reduce((best, t) => (off(t) < off(best) ? t : best));
}

/** A tube's name with its size, where the name alone has none: 'polyethylene tube, 3/8 in OD'. */
export const tubeName = ({ tradeName, nominalIn, odIn }: Tube): string =>
  /\d/.test(tradeName) ? tradeName : `${tradeName}, ${nominalIn ? `${nominalIn} nominal` : `${writeFraction(odIn, 16)} in OD`}`;

/** A length of tube or hose, as a piece. */
export const tubePiece = (tube: Tube, lengthIn: number, part = -1): LinePiece => ({
  name: tubeName(tube),
  part,
  tube: tube.id,
  boreIn: tube.idIn,
  lengthIn,
  roughnessMm: tube.roughnessMm,
  odIn: tube.odIn,
  material: tube.material,
});

const fits = (row: LossRow, part: Part, isBranch: boolean): boolean =>
  (row.kind === null || row.kind === part.kind) && row.tags.every((t) => part.tags.includes(t)) && (row.port === null || isBranch);

/** One of a shape whose own bore and length nobody said. */
export const usualPiece = (row: LossRow): LinePiece => bodyPiece(row, row.name, row.boreIn ?? USUAL_BORE_IN, row.lengthIn ?? USUAL_LENGTH_IN);

/** A body with the loss of its shape, on the bore that the loss goes by. */
export function bodyPiece(row: LossRow | undefined, name: string, boreIn: number, lengthIn: number, part = -1): LinePiece {
  const on = row?.onBoreIn && row.atBoreIn ? (row.onBoreIn * boreIn) / row.atBoreIn : boreIn;
  return { name, part, boreIn: on, lengthIn, roughnessMm: BODY_ROUGHNESS_MM, ...(row ? { k: row.k, loss: row.id } : {}) };
}

/** A connector: its hose between two inserts. @param of what it is called, and the bore of its inserts where that is known */
export function hosePieces(hose: Tube, lengthIn: number, part: number, of: { name?: string; insertIn?: number } = {}): LinePiece[] {
  const { name, insertIn = hose.idIn / HOSE_OVER_INSERT } = of;
  const insert = bodyPiece(undefined, `insert of the ${name ?? hose.tradeName}`, insertIn, INSERT_LENGTH_IN, part);
  const long = tubePiece(hose, Math.max(0, lengthIn - 2 * INSERT_LENGTH_IN), part);
  return [insert, name ? { ...long, name } : long, insert];
}

function piecesOf(part: Part, step: PathStep, at: number, losses: readonly LossRow[]): LinePiece[] {
  const tube = part.cutToLength ? part.ends.map((e) => parseEnd(e.code)).find((e) => e.kind === 'tube')?.tube : undefined;
  if (tube) return [tubePiece(tube, step.cutLengthIn ?? part.lengthIn ?? 0, at)];
  const boreIn = part.boreIn ?? USUAL_BORE_IN;
  if (part.flexible) return hosePieces(hoseOf(boreIn), part.lengthIn ?? 0, at, { name: shortName(part.name), insertIn: boreIn });
  const isBranch = part.ends.find((e) => e.id === step.outEnd)?.port === 'branch';
  const row = losses.find((r) => fits(r, part, isBranch));
  return [
    {
      ...bodyPiece(row, shortName(part.name), boreIn, part.lengthIn ?? USUAL_LENGTH_IN, at),
      ...(part.boreIn === undefined ? { isUsual: true } : {}),
    },
  ];
}

/**
 * The narrowing and widening between two bores, in velocity heads of the smaller.
 *
 * @source J. Weisbach, J.-C. Borda: 0.5 (1 - b2) where it narrows, (1 - b2)2 where it widens, b the ratio of the bores
 */
export function stepLoss(fromIn: number, toIn: number): number {
  const square = (Math.min(fromIn, toIn) / Math.max(fromIn, toIn)) ** 2;
  return toIn < fromIn ? 0.5 * (1 - square) : (1 - square) ** 2;
}

/** The pieces with what each change of bore between them costs, put on the narrower of the two. */
export function withSteps<P extends Piece>(pieces: readonly P[]): P[] {
  const out = pieces.map((p) => ({ ...p }));
  for (let i = 0; i + 1 < out.length; i++) {
    const [a, b] = [out[i]!, out[i + 1]!];
    const k = stepLoss(a.boreIn, b.boreIn);
    if (k === 0) continue;
    const narrow = a.boreIn < b.boreIn ? a : b;
    narrow.k = (narrow.k ?? 0) + k;
  }
  return out;
}

/**
 * A chain's pieces in the order of the water, each shape with its loss; changes of bore are not in it (`withSteps`).
 *
 * A connector is its hose between two inserts, a cut piece its tube; anything else is a body of its narrowest bore.
 */
export function linePieces(path: readonly PathStep[], parts: readonly Part[], losses: readonly LossRow[]): LinePiece[] {
  return path.flatMap((step, at) => {
    const part = parts.find((p) => p.id === step.part);
    return part ? piecesOf(part, step, at, losses) : [];
  });
}
