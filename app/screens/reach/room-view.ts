/** What the elevation shows and where, to one scale: everything but the ink. */
import type { LengthPick, LengthQuestion, SlackCoil } from '../../../core/index.ts';

export type View = 'side' | 'front';
export type Point = readonly [number, number];

/** A window onto the wall, the floor and what stands before them. */
export interface Sheet {
  view: View;
  /** Inches seen, and pixels an inch. */
  left: number;
  right: number;
  bottom: number;
  top: number;
  scale: number;
  /** Where nothing is drawn any more: right of all points, and below them. */
  clearOf: { right: number; below: number };
  width: number;
  height: number;
  /** To the sheet: pixels, down. */
  at: (p: Point) => Point;
  /** Back from the sheet. */
  from: (p: Point) => Point;
}

const MARGIN = { left: 64, right: 76, top: 28, bottom: 44 };

/** A point of the room as a view has it: from the side by its distance from the wall, from the front by how far to the side it is. */
export const seen = (view: View, p: readonly number[]): Point => [view === 'side' ? p[0]! : (p[2] ?? 0), p[1]!];

/** The sheet that holds all of these points with room around them: as large as fits, or to a scale that another has. */
export function sheetFor(view: View, points: readonly Point[], most: { width: number; height: number }, sameScale?: number): Sheet {
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  const left = view === 'side' ? 0 : Math.min(...xs) - 2.5;
  const right = Math.max(...xs, left + 6) + 2.5;
  const low = Math.min(...ys) - 2.5;
  // The floor is drawn where it is near.
  const bottom = low < 6 ? 0 : low;
  const top = Math.max(...ys, bottom + 6) + 2.5;
  const scale =
    sameScale ?? Math.min((most.width - MARGIN.left - MARGIN.right) / (right - left), (most.height - MARGIN.top - MARGIN.bottom) / (top - bottom));
  const width = Math.ceil(MARGIN.left + (right - left) * scale + MARGIN.right);
  const height = Math.ceil(MARGIN.top + (top - bottom) * scale + MARGIN.bottom);
  const at = ([x, y]: Point): Point => [MARGIN.left + (x - left) * scale, MARGIN.top + (top - y) * scale];
  const from = ([x, y]: Point): Point => [left + (x - MARGIN.left) / scale, top - (y - MARGIN.top) / scale];
  const clearOf = { right: right - 1.6, below: Math.max(bottom + 0.6, low + 1) };
  return { view, left, right, bottom, top, scale, clearOf, width, height, at, from };
}

/** Middle of the turns in which what is over is laid: between the ends, clear of the floor. */
export function coilMiddle({ from, to }: LengthQuestion, { radiusIn }: SlackCoil): [number, number, number] {
  return [(from.x + to.x) / 2, Math.max((from.y + to.y) / 2, radiusIn + 1), ((from.z ?? 0) + (to.z ?? 0)) / 2];
}

/** Every point that has to be seen of some lengths, home or pulled out. */
export function shownPoints(view: View, question: LengthQuestion, picks: readonly LengthPick[], isOut: boolean): Point[] {
  const ends = [question.from, isOut ? (question.pulledOut ?? question.to) : question.to].map((e) => seen(view, [e.x, e.y, e.z ?? 0]));
  const lines = picks.flatMap((p) => {
    if (isOut || !p.coil) return (shapeOf(p, isOut)?.points ?? []).map((q) => seen(view, q));
    const r = p.coil.radiusIn;
    const [x, y] = seen(view, coilMiddle(question, p.coil));
    return [[x, y + r] as const, [x, y - r] as const, ...(view === 'front' ? [[x - r, y] as const, [x + r, y] as const] : [])];
  });
  return [...ends, ...lines];
}

export const shapeOf = (pick: LengthPick, isOut: boolean) => (isOut ? pick.pulledOut : pick.shape);

/** Inches between the marks of a rule at this scale: whole marks stand some 14 pixels apart at least, numbers 50. */
export function ruleSteps(scale: number): { mark: number; number: number } {
  const mark = [1, 2, 6, 12].find((step) => step * scale >= 12) ?? 24;
  const number = [2, 6, 12, 24, 48].find((step) => step * scale >= 46) ?? 96;
  return { mark, number };
}

/** Lengths that are drawn beside the chosen one: such as are far too long would make all else small, and are listed alone. */
export const drawnOf = (picks: readonly LengthPick[], chosen: LengthPick): LengthPick[] =>
  picks.filter((p) => p === chosen || (p.verdict !== 'too-short' && p.lengthIn <= 1.8 * chosen.lengthIn && !p.coil && !chosen.coil));
