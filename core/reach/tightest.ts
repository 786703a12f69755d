/** How sharply a rod at rest bends, and where. */
import type { Held, Rest } from './rod.ts';

function angleBetween(a: ArrayLike<number>, atA: number, b: ArrayLike<number>, atB: number, dims: number): number {
  let far = 0;
  let dot = 0;
  for (let k = 0; k < dims; k++) {
    far += (a[atA + k]! - b[atB + k]!) ** 2;
    dot += a[atA + k]! * b[atB + k]!;
  }
  return dot > 0 ? 2 * Math.asin(Math.min(1, Math.sqrt(far) / 2)) : Math.acos(Math.max(-1, dot));
}

/** The sharpest turn from one link to the next, radians. */
export function mostBend({ dims, leaves, arrives }: Held, links: Float64Array): number {
  const end = links.length - dims;
  let most = 2 * Math.max(angleBetween(leaves, 0, links, 0, dims), angleBetween(arrives, 0, links, end, dims));
  for (let i = 0; i < end; i += dims) most = Math.max(most, angleBetween(links, i, links, i + dims, dims));
  return most;
}

/** Past this it is straight, in rod lengths over one. */
const STRAIGHT = 1e-12;

/**
 * The tightest bend, at a joint between links or at a clamp.
 *
 * @returns  curvature in radians a rod length, at least 1e-12; `at`: how many links on
 */
export function tightest(held: Held, rest: Rest): { curvature: number; at: number } {
  const { dims } = held;
  const { links } = rest;
  const count = links.length / dims;
  let most = 0;
  let at = 0;
  const meet = (curvature: number, point: number) => {
    if (curvature > most) [most, at] = [curvature, point];
  };
  meet(atClamp(held, rest, 'leaves'), 0);
  for (let i = 1; i < count; i++) meet(angleBetween(links, (i - 1) * dims, links, i * dims, dims) * count, i);
  meet(atClamp(held, rest, 'arrives'), count);
  return { curvature: Math.max(most, STRAIGHT), at };
}

/**
 * Curvature at a clamp, from the half link beside it and the rod's own equation there.
 *
 * On the rod t'' + |t'|^2 t = (force + weight beyond) square to t, so the middle of the first link, half a link on, lies at
 * t0 + k h/2 + t'' h^2/8: what the equation gives is taken off, and k is left.
 */
function atClamp({ dims, leaves, arrives, weight, up }: Held, { links, force }: Rest, side: 'leaves' | 'arrives'): number {
  const clamp = side === 'leaves' ? leaves : arrives;
  const step = dims / (2 * links.length);
  const from = side === 'leaves' ? 0 : links.length - dims;
  const pull = Array.from(force, (f, a) => f + (side === 'leaves' ? weight * up[a]! : 0));
  let along = 0;
  let dot = 0;
  for (let a = 0; a < dims; a++) {
    along += pull[a]! * clamp[a]!;
    dot += links[from + a]! * clamp[a]!;
  }
  const turned = angleBetween(clamp, 0, links, from, dims);
  const sine = Math.sin(turned) || 1;
  let sum = 0;
  for (let a = 0; a < dims; a++) {
    const square = ((links[from + a]! - dot * clamp[a]!) / sine) * turned;
    sum += (square - ((pull[a]! - along * clamp[a]!) * step * step) / 2) ** 2;
  }
  return Math.sqrt(sum) / step;
}
