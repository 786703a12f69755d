import { type EndCode, parseEnd } from '../code.ts';
import type { Point } from './piece.ts';
import { endProfile } from './profile.ts';

/**
 * Upper half of an end's section as one closed polygon, 1:1.
 *
 * @returns points in inches: axis at y = 0, opening at x = 0, body at x < 0; for a swivel end the nut's outline, which is what is seen
 * @throws EndCodeError for a code that does not read
 */
export function silhouette(code: EndCode): { points: Point[] } {
  const profile = endProfile(parseEnd(code));
  const nut = profile.extra.find((p) => p.points.some(([x]) => x === 0) && p.material !== 'rubber');
  if (nut) return { points: nut.points };
  return { points: [...profile.outer, ...[...profile.inner].reverse()] };
}
