import type { LineSection } from '../../../core/index.ts';

export const GAP = 14;

export const LABEL_PX = 14;

/** Puts names below what they name, in as many rows as it takes for none to touch another. */
export function labelRows(s: LineSection, scale: number, labels: string[]): { at: { x: number; row: number; text: string }[]; count: number } {
  const width = (s.x1 - s.x0) * scale + 2 * GAP;
  const ends: number[] = [];
  const at = s.spans.map((span, i) => {
    const text = labels[i] ?? '';
    const half = (text.length * LABEL_PX * 0.54) / 2;
    const middle = GAP + ((span.x0 + span.x1) / 2 - s.x0) * scale;
    const x = Math.min(Math.max(middle, half), Math.max(half, width - half));
    let row = ends.findIndex((end) => end + 10 < x - half);
    if (row === -1) row = ends.length;
    ends[row] = x + half;
    return { x, row, text };
  });
  return { at, count: ends.length };
}
