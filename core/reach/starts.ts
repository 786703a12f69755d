/** Shapes from which a rod is let go: it may come to rest in several ways, and the one of least energy is looked for. */
import type { Held } from './rod.ts';

const TURN = 2 * Math.PI;

/** In a plane, by the turns it makes on its way and how it bows; in space, by the side to which it bows. */
export const starts = (held: Held, links: number): Float64Array[] => (held.dims === 2 ? inPlane(held, links) : inSpace(held, links));

function inPlane({ leaves, arrives }: Held, links: number): Float64Array[] {
  const first = Math.atan2(leaves[1]!, leaves[0]!);
  const last = Math.atan2(arrives[1]!, arrives[0]!);
  const shortest = last - first - TURN * Math.round((last - first) / TURN);
  // Bows lie to one side of the straight way in their angles, waves to both: a line between ends that face each other bulges by a wave.
  return [
    { loops: 0, bow: 0, wave: 0 },
    ...[-3, -1.5, 1.5, 3].map((bow) => ({ loops: 0, bow, wave: 0 })),
    ...[-1.5, 1.5].map((wave) => ({ loops: 0, bow: 0, wave })),
    ...[-1, 1].map((loops) => ({ loops, bow: 0, wave: 0 })),
  ].map(({ loops, bow, wave }) => {
    const curve = new Float64Array(links * 2);
    for (let i = 0; i < links; i++) {
      const s = (i + 0.5) / links;
      const angle = first + (shortest + TURN * loops) * s + bow * Math.sin(Math.PI * s) + wave * Math.sin(TURN * s);
      curve[2 * i] = Math.cos(angle);
      curve[2 * i + 1] = Math.sin(angle);
    }
    return curve;
  });
}

function inSpace({ leaves, arrives, span }: Held, links: number): Float64Array[] {
  const far = Math.hypot(...span) || 1;
  const along = span.map((c) => c / far);
  const side = squareTo(leaves, along);
  const other = [0, 1, 2].map((a) => leaves[(a + 1) % 3]! * side[(a + 2) % 3]! - leaves[(a + 2) % 3]! * side[(a + 1) % 3]!);
  const bows = [along, along.map((c) => -c), side, side.map((c) => -c), other, other.map((c) => -c), along.map((c, a) => -c + 0.3 * side[a]!)];
  return bows.map((bow) => {
    const curve = new Float64Array(links * 3);
    for (let i = 0; i < links; i++) {
      const s = (i + 0.5) / links;
      const at = [0, 1, 2].map((a) => (1 - s) * leaves[a]! + s * arrives[a]! + 1.6 * Math.sin(Math.PI * s) * (bow[a]! + 0.01 * side[a]!));
      const size = Math.hypot(...at) || 1;
      for (let a = 0; a < 3; a++) curve[3 * i + a] = at[a]! / size;
    }
    return curve;
  });
}

/** A unit vector square to the first, in the plane of both where they have one. */
export function squareTo(first: readonly number[], second: readonly number[]): number[] {
  const least = first.map(Math.abs).indexOf(Math.min(...first.map(Math.abs)));
  for (const by of [second, [0, 1, 2].map((a) => (a === least ? 1 : 0))]) {
    const dot = by.reduce((sum, c, a) => sum + c * first[a]!, 0);
    const rest = by.map((c, a) => c - dot * first[a]!);
    const size = Math.hypot(...rest);
    if (size > 1e-9) return rest.map((c) => c / size);
  }
  throw new RangeError('A direction of no length has no square to it.');
}
