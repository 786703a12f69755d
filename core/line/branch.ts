/** What stands on a part beside the way of the water: the old line taken back, an outlet left free, a cap. */
import { type End, type EndCode, type EndProfile, endProfile, type Piece, type Point, parseEnd } from '../ends/index.ts';
import type { Branch } from '../match/index.ts';
import { heldBy, overlap } from './meet.ts';

/** One end of a part that the water does not go through. */
export interface BranchEnd {
  code: EndCode;
  use: Branch['use'];
  /** The end of the old line that is joined to it, and the number of that joint; null unless it is taken back. */
  mate: EndCode | null;
  joint: number | null;
}

/** Drawn square to the line, upward from the axis at `x`; both halves, inches. */
export interface LineBranch {
  use: Branch['use'];
  part: string;
  x: number;
  /** Half of its width. */
  radius: number;
  /** Height of its mouth over the axis, and of all that stands on it. */
  opening: number;
  top: number;
  pieces: Piece[];
  /** Where its bore goes through the part's wall. */
  cut: { x0: number; x1: number; y0: number; y1: number };
  /** The height to which water stands in it. */
  waterTop: number;
}

const NECK_IN = 0.1;
const GAP_IN = 0.1;
const OLD_LINE_IN = 0.35;
const VALVE_IN = 0.09;
const CAP = { wall: 0.1, top: 0.16, inside: 0.04 };

const reachOf = (p: EndProfile): number => Math.max(p.bodyRadiusIn, ...[...p.outer, ...p.extra.flatMap((e) => e.points)].map(([, y]) => y));

function halfWidth(branch: BranchEnd): number {
  const own = reachOf(endProfile(parseEnd(branch.code)));
  if (branch.use === 'cap') return own + CAP.wall;
  return branch.mate === null ? own : Math.max(own, reachOf(endProfile(parseEnd(branch.mate))));
}

/** Room that a branch takes along the line, inches. */
export const branchWidthIn = (branch: BranchEnd): number => 2 * halfWidth(branch) + GAP_IN;

/**
 * Draws one branch.
 *
 * @param on where it stands: its place along the line, the part's outer radius and bore there, and the part
 */
export function drawBranch(branch: BranchEnd, on: { x: number; block: number; bore: number; part: string }): LineBranch {
  const end = parseEnd(branch.code);
  const p = endProfile(end);
  const tail = p.lengthIn + NECK_IN;
  const opening = on.block + tail;
  const pieces: Piece[] = [];
  /** Both halves of what is known as the upper half of a section; `facing` 1 opens upward. */
  const add = (piece: Piece, mouth: number, facing: 1 | -1) => {
    for (const side of [1, -1]) pieces.push({ ...piece, points: piece.points.map(([x, y]): Point => [on.x + side * y, mouth + facing * x]) });
  };
  const stub = (profile: EndProfile, length: number, mouth: number, facing: 1 | -1) => {
    const outline: Point[] = [...profile.outer, [-length, profile.bodyRadiusIn], [-length, profile.boreRadiusIn], ...[...profile.inner].reverse()];
    add({ points: outline, material: profile.material }, mouth, facing);
    for (const e of profile.extra) add(e, mouth, facing);
  };
  stub(p, tail, opening, 1);
  let waterTop = opening;
  if (branch.use === 'cap') add(capOn(end, p), opening, 1);
  if (branch.use === 'free') {
    waterTop = on.block;
    add({ points: box(-tail, -tail + VALVE_IN, 0, p.boreRadiusIn), material: 'steel' }, opening, 1);
  }
  if (branch.mate !== null) {
    const mate = parseEnd(branch.mate);
    const old = endProfile(mate);
    const mouth = opening - overlap(end, mate);
    stub(old, old.lengthIn + OLD_LINE_IN, mouth, -1);
    for (const held of heldBy(end, mate)) add(held, mate.kind === 'tube' ? opening : mouth, mate.kind === 'tube' ? 1 : -1);
    waterTop = mouth + old.lengthIn + OLD_LINE_IN;
  }
  return {
    use: branch.use,
    part: on.part,
    x: on.x,
    radius: halfWidth(branch),
    opening,
    top: Math.max(...pieces.flatMap((piece) => piece.points.map(([, y]) => y))),
    pieces,
    cut: { x0: on.x - p.boreRadiusIn, x1: on.x + p.boreRadiusIn, y0: on.bore, y1: on.block },
    waterTop,
  };
}

const box = (x0: number, x1: number, y0: number, y1: number): Point[] => [
  [x0, y0],
  [x0, y1],
  [x1, y1],
  [x1, y0],
];

/** A cap over a male end or a tube, a plug in any other. */
function capOn(end: End, p: EndProfile): Piece {
  const over = end.kind === 'tube' || (end.kind === 'thread' && end.gender === 'm');
  const radius = over
    ? Math.max(...p.outer.map(([, y]) => y))
    : Math.max(p.boreRadiusIn, ...p.inner.filter(([x]) => x > -p.depthIn).map(([, y]) => y));
  const rim = radius + CAP.wall;
  const points: Point[] = over
    ? [
        [-p.depthIn, radius],
        [-p.depthIn, rim],
        [CAP.top, rim],
        [CAP.top, 0],
        [CAP.inside, 0],
        [CAP.inside, radius],
      ]
    : [
        [-p.depthIn, 0],
        [-p.depthIn, radius],
        [0, radius],
        [0, rim],
        [CAP.top, rim],
        [CAP.top, 0],
      ];
  return { points, material: 'brass' };
}
