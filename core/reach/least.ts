/** Of all the ways in which a rod can come to rest, the one of least energy, as finely as it wants. */
import { type Plane, planeOf } from './plane.ts';
import { type Held, type Rest, restOf } from './rod.ts';
import { starts } from './starts.ts';
import { mostBend } from './tightest.ts';

export const FINENESS = [32, 64, 128, 256, 512, 1024];
const MOST_SEGMENTS = 1024;
const COARSE = 16;
/** No link of a chain that is right turns further than this, radians. */
const MOST_BEND = 0.22;
/** Halving the links moves no point of what is answered by more, inches. */
const SETTLED_IN = 0.015;

/** The rest of least energy: coarsely from every start, the best of them ever finer, until neither its points nor its sharpest bend ask for more. */
export function settle(held: Held, segments: number, free: number): { held: Held; rest: Rest; plane: Plane | null } {
  const plane = held.dims === 3 ? planeOf(held) : null;
  const here = plane ? plane.held : held;
  const from = starts(here, COARSE);
  const quick = from.map((start) => restOf(here, start, { isQuick: true }));
  let rest = leastOf(quick.some((r) => r.isLeast) ? quick : from.map((start) => restOf(here, start)), here);
  for (let n = COARSE, isFine = false; n < segments || (!isFine && n < MOST_SEGMENTS); ) {
    n *= 2;
    const next = restOf(here, finer(rest.links, here.dims, n), { force: rest.force });
    isFine = moved(rest.links, next.links, here.dims) * free <= SETTLED_IN && mostBend(here, next.links) <= MOST_BEND;
    rest = next;
  }
  return { held: here, rest, plane };
}

/**
 * The rest of least energy. Between ends that face alike there are two, each the other one walked backwards: of those, the one that turns toward
 * its other end first; of two that mirror each other, the one that lies lower.
 */
function leastOf(found: Rest[], held: Held): Rest {
  const come = found.filter((r) => r.isLeast);
  const able = come.length > 0 ? come : found.filter((r) => r.missedBy < 1e-6);
  const least = Math.min(...able.map((r) => r.energy));
  const alike = able.filter((r) => r.energy - least <= 1e-6 * (1 + Math.abs(least)));
  const told = alike.map((rest) => ({ rest, toward: toward(held, rest.links), height: height(held, rest.links) }));
  told.sort((a, b) => (Math.abs(a.toward - b.toward) > 1e-6 ? b.toward - a.toward : a.height - b.height));
  return told[0]?.rest ?? found[0]!;
}

/** How much its first link turns toward the other end. */
function toward({ dims, leaves, span }: Held, links: Float64Array): number {
  let sum = 0;
  for (let a = 0; a < dims; a++) sum += (links[a]! - leaves[a]!) * span[a]!;
  return sum;
}

/** Mean height of the curve over its first end. */
function height({ dims, up }: Held, links: Float64Array): number {
  const n = links.length / dims;
  let sum = 0;
  for (let i = 0; i < n; i++) for (let a = 0; a < dims; a++) sum += (n - i - 0.5) * up[a]! * links[i * dims + a]!;
  return sum / (n * n);
}

/** How far a point of the curve moved when its links were halved, in rod lengths. */
function moved(coarse: Float64Array, fine: Float64Array, dims: number): number {
  const count = coarse.length / dims;
  const off = new Float64Array(dims);
  let most = 0;
  for (let i = 0; i < count; i++) {
    let far = 0;
    for (let a = 0; a < dims; a++) {
      off[a] = off[a]! + coarse[i * dims + a]! / count - (fine[2 * i * dims + a]! + fine[(2 * i + 1) * dims + a]!) / (2 * count);
      far += off[a]! * off[a]!;
    }
    most = Math.max(most, far);
  }
  return Math.sqrt(most);
}

/** The same curve in so many links. */
function finer(links: Float64Array, dims: number, count: number): Float64Array {
  const before = links.length / dims;
  const out = new Float64Array(count * dims);
  for (let i = 0; i < count; i++) {
    const at = Math.min(before - 1, Math.max(0, ((i + 0.5) * before) / count - 0.5));
    const low = Math.min(before - 2, Math.floor(at));
    let size = 0;
    for (let a = 0; a < dims; a++) {
      const c = links[low * dims + a]! * (low + 1 - at) + links[(low + 1) * dims + a]! * (at - low);
      out[i * dims + a] = c;
      size += c * c;
    }
    for (let a = 0; a < dims; a++) out[i * dims + a] = out[i * dims + a]! / Math.sqrt(size);
  }
  return out;
}
