/** A rod that is held in one plane lies in it: it is worked out there, whatever way the plane is turned. */
import type { Held } from './rod.ts';
import { squareTo } from './starts.ts';

export interface Plane {
  /** The same in the plane's own two directions. */
  held: Held;
  /** A direction in the plane, in space again. */
  out: (inPlane: readonly number[]) => number[];
}

const dot = (a: readonly number[], b: readonly number[]): number => a.reduce((sum, c, i) => sum + c * b[i]!, 0);

/** The plane in which both directions, the span and, where weight counts, the way up lie; null where there is none. */
export function planeOf({ leaves: e1, arrives, span, weight, up }: Held): Plane | null {
  const all = weight === 0 ? [arrives, span] : [arrives, span, up];
  // The second direction by whichever stands furthest off the first; what lies on one straight way sags.
  const off = (v: readonly number[]) => Math.hypot(...v.map((c, a) => c - dot(v, e1) * e1[a]!));
  const widest = [...all].sort((a, b) => off(b) - off(a))[0]!;
  const e2 = squareTo(e1, off(widest) > 1e-9 ? widest : up);
  const leans = (v: readonly number[]) => Math.hypot(...v.map((c, a) => c - dot(v, e1) * e1[a]! - dot(v, e2) * e2[a]!));
  if (all.some((v) => leans(v) > 1e-9)) return null;
  const into = (v: readonly number[]) => [dot(v, e1), dot(v, e2)];
  return {
    held: { dims: 2, leaves: into(e1), arrives: into(arrives), span: into(span), weight, up: into(up) },
    out: ([a, b]) => e1.map((c, i) => a! * c + b! * e2[i]!),
  };
}
