/** What would bring an appliance more water, and how much: each change of the line tried, the best first. */
import { type Tube, tubeById, widerTube } from '../ends/index.ts';
import { type LinePiece, type LossRow, tubeName, withSteps } from './line-pieces.ts';
import { type FlowLine, type OperatingPoint, operatingPoint } from './operating-point.ts';

export interface Help {
  /** 'tube': the next size, 'shorter', 'shape': what costs less in its place. */
  change: 'tube' | 'shorter' | 'shape';
  /** The piece it changes, from 0. */
  piece: number;
  /** In words: 'copper riser 3/8 in OD in place of soft copper 1/4 in OD'. */
  words: string;
  gpm: number;
  inletPsi: number;
  gainGpm: number;
}

/** The part of a length that a better way may save. */
const SHORTER_BY = 0.25;
/** Shorter than this nobody saves on, in. */
const WORTH_SHORTENING_IN = 24;

/** A smaller gain is none, as a part of what flows, and in what is told of it, gpm. */
const WORTH_PART = 0.005;
const WORTH_GPM = 0.005;

/** The pieces with a run of tube, and the inserts of its hose, of the next size. */
function widened(pieces: readonly LinePiece[], at: number, tube: Tube): LinePiece[] {
  const { part, boreIn } = pieces[at]!;
  return pieces.map((p, i) => {
    if (i === at) return { ...p, boreIn: tube.idIn, roughnessMm: tube.roughnessMm, tube: tube.id, odIn: tube.odIn };
    return part >= 0 && p.part === part ? { ...p, boreIn: p.boreIn * (tube.idIn / boreIn) } : p;
  });
}

const changed = (pieces: readonly LinePiece[], at: number, to: Partial<LinePiece>): LinePiece[] =>
  pieces.map((p, i) => (i === at ? { ...p, ...to } : p));

/**
 * Changes of a line ranked by what they bring.
 *
 * @param line   the rest of the question
 * @param pieces without the losses of changing bores: they are reckoned anew for every change
 * @returns those that bring anything, the most first; with what the line gives as it is
 * @throws InputError
 */
export function whatHelps(
  line: Omit<FlowLine, 'pieces'>,
  pieces: readonly LinePiece[],
  losses: readonly LossRow[],
): { now: OperatingPoint; helps: Help[] } {
  const at = (of: readonly LinePiece[]) => operatingPoint({ ...line, pieces: withSteps(of) });
  const now = at(pieces);
  const tried: { change: Help['change']; piece: number; words: string; pieces: LinePiece[] }[] = [];
  pieces.forEach((p, piece) => {
    const own = p.tube ? tubeById(p.tube) : undefined;
    const tube = own && widerTube(own);
    if (tube) tried.push({ change: 'tube', piece, words: `${tubeName(tube)} in place of ${p.name}`, pieces: widened(pieces, piece, tube) });
    if (p.tube && p.lengthIn >= WORTH_SHORTENING_IN) {
      tried.push({
        change: 'shorter',
        piece,
        words: `${p.name}, a quarter shorter`,
        pieces: changed(pieces, piece, { lengthIn: p.lengthIn * (1 - SHORTER_BY) }),
      });
    }
    const shape = losses.find((r) => r.id === p.loss);
    const better = shape?.better ? losses.find((r) => r.id === shape.better) : undefined;
    if (better)
      tried.push({
        change: 'shape',
        piece,
        words: `${better.name} in place of ${p.name}`,
        pieces: changed(pieces, piece, shapeOf(p, shape!, better)),
      });
  });
  const helps = tried
    .map(({ pieces: of, ...rest }): Help => {
      const { gpm, inletPsi } = at(of);
      return { ...rest, gpm, inletPsi, gainGpm: gpm - now.gpm };
    })
    .filter((h) => h.gainGpm > Math.max(WORTH_GPM, now.gpm * WORTH_PART))
    .sort((a, b) => b.gainGpm - a.gainGpm || a.piece - b.piece);
  return { now, helps };
}

/** What a piece becomes with another shape: one of another usual bore has that, as an orifice opens to its neighbour's; else it keeps its own. */
function shapeOf(p: LinePiece, own: LossRow, better: LossRow): Partial<LinePiece> {
  const ownIn = own.onBoreIn && own.atBoreIn && !better.onBoreIn ? (p.boreIn * own.atBoreIn) / own.onBoreIn : p.boreIn;
  const isOther = own.boreIn !== null && better.boreIn !== null && own.boreIn !== better.boreIn;
  return { k: better.k, loss: better.id, boreIn: isOther ? better.boreIn! : ownIn };
}
