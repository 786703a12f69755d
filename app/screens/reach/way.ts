import type { LineEnd } from '../../../core/index.ts';
import { type Point, type Sheet, seen, type View } from './room-view.ts';

export const path = (sheet: Sheet, points: readonly (readonly number[])[]) =>
  points
    .map(
      (p, i) =>
        `${i === 0 ? 'M' : 'L'}${sheet
          .at(seen(sheet.view, p))
          .map((c) => c.toFixed(1))
          .join(' ')}`,
    )
    .join('');

/** Which way a line goes at an end, as the view has it. */
export function wayOf(view: View, { headingDeg, climbDeg = 0 }: LineEnd): Point {
  const [h, c] = [(headingDeg * Math.PI) / 180, (climbDeg * Math.PI) / 180];
  return seen(view, [Math.cos(h) * Math.cos(c), Math.sin(h) * Math.cos(c), Math.sin(c)]);
}
