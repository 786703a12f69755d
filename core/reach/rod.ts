/**
 * A thin rod of fixed length, held at both ends in place and direction, at rest where its bending energy is least (Euler's elastica), in a plane or
 * in space; free to turn about its own axis, so that only bending counts. With weight, the heavy elastica.
 *
 * The rod is a chain of links of one length, each a unit vector; between neighbours it bends. Length 1 and stiffness 1: whoever asks scales.
 * The energy is made least under "the links add up to the span" by Newton's method on the links' directions, with the constraint's multipliers as
 * unknowns (they are the force at the end). The system is banded, so that a step costs as much as the chain is long; its inertia says whether what is
 * found is a minimum or a saddle, and where it is none the bending is stiffened until it is.
 *
 * @source  A. E. H. Love, The Mathematical Theory of Elasticity, 4th ed., ch. XIX; inertia rule: Nocedal & Wright, Numerical Optimization, ch. 16
 */
import { type Banded, banded, solveSplit, split } from './banded.ts';

export interface Held {
  /** 2 in a plane, 3 in space. */
  dims: 2 | 3;
  /** Unit directions in which the rod leaves its first end and comes to its last. */
  leaves: readonly number[];
  arrives: readonly number[];
  /** From the first end to the last, in rod lengths: shorter than 1. */
  span: readonly number[];
  /** Weight of the rod's length times length squared over stiffness, and which way is up. */
  weight: number;
  up: readonly number[];
}

export interface Rest {
  /** The links' directions, one after the other. */
  links: Float64Array;
  /** Half the integral of curvature squared, and the weight's part. */
  energy: number;
  /** What holds the end: the constraint's multipliers, in stiffness over length squared. */
  force: Float64Array;
  /** Whether it came to rest, and at a minimum. */
  isLeast: boolean;
  /** How far its end is from where it is held, in rod lengths. */
  missedBy: number;
}

const MOST_STEPS = 50;
/** No link turns further in a step, radians: the model of a step is good so far. */
const MOST_TURN = 0.6;

/** So often is looked whether a quick one gets anywhere. */
const JAM_STEPS = 5;
/** Bending stiffened past this leaves no way to go. */
const STIFFEST = 1e9;

/**
 * Where the rod comes to rest from a start near by. `start` is not changed. A saddle is left again and a jam worked through, slowly; where another
 * start will do as well, `isQuick` spares that.
 */
export function restOf(held: Held, start: Float64Array, { force, isQuick = false }: { force?: Float64Array; isQuick?: boolean } = {}): Rest {
  const at = new Chain(held, start.slice(), force);
  let stiffer = 0;
  let gapBefore = Number.POSITIVE_INFINITY;
  for (let step = 0; step < MOST_STEPS; step++) {
    const { shift, isLeast } = at.aim(stiffer);
    if (at.isAtRest()) return at.rest(isLeast);
    if (shift > STIFFEST) break;
    if (isQuick && step % JAM_STEPS === JAM_STEPS - 1) {
      const gap = at.openBy();
      if ((shift > 0 && at.isStill()) || (gap > 1e-6 && gap > 0.9 * gapBefore)) break;
      gapBefore = gap;
    }

    at.go();
    stiffer = shift < 1e-3 ? 0 : shift / 8;
  }
  return at.rest(false);
}

class Chain {
  readonly links: Float64Array;
  readonly force: Float64Array;
  private readonly count: number;
  private readonly free: number;
  private readonly basis: Float64Array;
  private readonly gradient: Float64Array;
  private readonly pull: Float64Array;
  private readonly turn: Float64Array;
  private readonly gap: Float64Array;
  private readonly aimed: Float64Array;
  private readonly bending: Banded;
  private readonly bare: Float64Array;
  private readonly columns: Float64Array[];
  private readonly small: Banded;
  private penalty = 0;

  constructor(
    private readonly held: Held,
    links: Float64Array,
    force?: Float64Array,
  ) {
    const { dims } = held;
    this.links = links;
    this.force = force?.slice() ?? new Float64Array(dims);
    this.count = links.length / dims;
    this.free = dims - 1;
    const unknowns = this.count * this.free;
    this.basis = new Float64Array(unknowns * dims);
    this.gradient = new Float64Array(unknowns);
    this.pull = new Float64Array(this.count * dims);
    this.turn = new Float64Array(unknowns);
    this.gap = new Float64Array(dims);
    this.aimed = new Float64Array(dims);
    this.bending = banded(unknowns, 2 * this.free - 1);
    this.bare = new Float64Array(this.bending.of.length);
    this.columns = Array.from({ length: dims }, () => new Float64Array(unknowns));
    this.small = banded(dims, dims - 1);
  }

  rest(isLeast: boolean): Rest {
    return { links: this.links, energy: this.energy(), force: this.force, isLeast, missedBy: this.miss(this.links) };
  }

  /** Bending of the joint before link i, and the weight that hangs on it; the half links at the clamps bend over half the way. */
  energy(links = this.links): number {
    const { dims, leaves, arrives, weight, up } = this.held;
    const n = this.count;
    let sum = 0;
    for (let i = 0; i <= n; i++) {
      let dot = 0;
      for (let a = 0; a < dims; a++) dot += (i === 0 ? leaves[a]! : links[(i - 1) * dims + a]!) * (i === n ? arrives[a]! : links[i * dims + a]!);
      sum += (i === 0 || i === n ? 2 : 1) * (1 - dot) * n;
    }
    if (weight !== 0) {
      for (let i = 0; i < n; i++) for (let a = 0; a < dims; a++) sum += this.hangs(i) * up[a]! * links[i * dims + a]!;
    }
    return sum;
  }

  /** A link lifts itself by half and all after it whole. */
  private hangs(i: number): number {
    return (this.held.weight * (this.count - i - 0.5)) / (this.count * this.count);
  }

  /** How far the end is from where it is held, written to `gap`; the sum of its sides. */
  private miss(links: Float64Array): number {
    const { dims, span } = this.held;
    let sum = 0;
    for (let a = 0; a < dims; a++) {
      let reach = 0;
      for (let i = a; i < links.length; i += dims) reach += links[i]!;
      this.gap[a] = reach / this.count - span[a]!;
      sum += Math.abs(this.gap[a]!);
    }
    return sum;
  }

  /** Directions in which each link can turn, and what pulls it there; then the step that would bring the chain to rest. */
  aim(stiffer: number): { shift: number; isLeast: boolean } {
    const { dims, leaves, arrives, weight, up } = this.held;
    const { links, count: n, free, basis, pull, gradient } = this;
    for (let i = 0; i < n; i++) {
      writeBasis(links, i, dims, basis);
      for (let a = 0; a < dims; a++) {
        const before = i === 0 ? 2 * leaves[a]! : links[(i - 1) * dims + a]!;
        const after = i === n - 1 ? 2 * arrives[a]! : links[(i + 1) * dims + a]!;
        pull[i * dims + a] = -n * (before + after) + (weight === 0 ? 0 : this.hangs(i) * up[a]!);
      }
    }
    for (let u = 0; u < gradient.length; u++) {
      const i = (u / free) | 0;
      let sum = 0;
      for (let a = 0; a < dims; a++) sum += basis[u * dims + a]! * pull[i * dims + a]!;
      gradient[u] = sum;
    }
    this.miss(links);
    this.writeBending();
    let shift = stiffer;
    for (;;) {
      const isLeast = this.trySolve(shift);
      if (isLeast) return { shift, isLeast: shift === 0 };
      shift = Math.max(shift * 4, 20 / n);
      if (shift > STIFFEST) return { shift, isLeast: false };
    }
  }

  private writeBending(): void {
    const { dims } = this.held;
    const { links, count: n, free, basis, pull, bare, force } = this;
    const width = 2 * free;
    bare.fill(0);
    for (let i = 0; i < n; i++) {
      let diagonal = 0;
      for (let a = 0; a < dims; a++) diagonal -= links[i * dims + a]! * (pull[i * dims + a]! + force[a]! / n);
      for (let p = 0; p < free; p++) {
        const u = i * free + p;
        bare[u * width] = diagonal;
        if (i === 0) continue;
        for (let q = 0; q < free; q++) {
          const v = (i - 1) * free + q;
          let dot = 0;
          for (let a = 0; a < dims; a++) dot += basis[u * dims + a]! * basis[v * dims + a]!;
          bare[u * width + u - v] = -n * dot;
        }
      }
    }
  }

  /** Solves for the step with the bending so much stiffer; false where that is no way down. */
  private trySolve(shift: number): boolean {
    const { dims } = this.held;
    const { bending, bare, basis, gradient, columns, small, gap, aimed, turn, count: n } = this;
    const width = bending.band + 1;
    bending.of.set(bare);
    for (let u = 0; u < bending.size; u++) bending.of[u * width] = bending.of[u * width]! + shift;
    const negative = split(bending);
    if (Number.isNaN(negative) || negative > dims) return false;
    turn.set(gradient);
    solveSplit(bending, turn);
    for (let a = 0; a < dims; a++) {
      const column = columns[a]!;
      for (let u = 0; u < column.length; u++) column[u] = basis[u * dims + a]! / n;
      solveSplit(bending, column);
    }
    for (let a = 0; a < dims; a++) {
      for (let b = 0; b <= a; b++) {
        let sum = 0;
        for (let u = 0; u < bending.size; u++) sum += (basis[u * dims + a]! / n) * columns[b]![u]!;
        small.of[a * dims + a - b] = sum;
      }
      let along = 0;
      for (let u = 0; u < bending.size; u++) along += (basis[u * dims + a]! / n) * turn[u]!;
      aimed[a] = gap[a]! - along;
    }
    const smallNegative = split(small);
    // A minimum under the constraint: the bordered system has just as many negative eigenvalues as there are constraints.
    if (Number.isNaN(smallNegative) || negative + (dims - smallNegative) !== dims) return false;
    solveSplit(small, aimed);
    for (let u = 0; u < turn.length; u++) {
      let sum = -turn[u]!;
      for (let a = 0; a < dims; a++) sum -= columns[a]![u]! * aimed[a]!;
      turn[u] = sum;
    }
    return true;
  }

  isAtRest(): boolean {
    const isSo = largest(this.turn) < 1e-8 && this.openBy() < 1e-12;
    if (isSo) this.force.set(this.aimed);
    return isSo;
  }

  /** How far its end is from where it is held, in rod lengths. */
  openBy(): number {
    return largest(this.gap);
  }

  /** Hardly moves any more. */
  isStill(): boolean {
    return largest(this.turn) < 1e-4 && this.openBy() < 1e-6;
  }

  /** Goes as much of the step as does good. */
  go(): void {
    const { held, links, turn, aimed, force } = this;
    const most = largest(turn);
    for (const f of aimed) this.penalty = Math.max(this.penalty, 1.5 * Math.abs(f));
    const before = this.energy() + this.penalty * this.miss(links);
    let part = Math.min(1, MOST_TURN / most);
    const next = new Float64Array(links.length);
    for (let tries = 0; ; tries++, part /= 2) {
      this.turned(part, next);
      const after = this.energy(next) + this.penalty * this.miss(next);
      if (after <= before + 1e-12 * Math.abs(before) || tries === 12 || most < 1e-5) break;
    }
    links.set(next);
    for (let a = 0; a < held.dims; a++) force[a] = force[a]! + part * (aimed[a]! - force[a]!);
  }

  private turned(part: number, into: Float64Array): void {
    const { dims } = this.held;
    const { links, basis, turn, free } = this;
    for (let i = 0; i < this.count; i++) {
      let norm = 0;
      for (let a = 0; a < dims; a++) {
        let x = links[i * dims + a]!;
        for (let p = 0; p < free; p++) x += part * turn[i * free + p]! * basis[(i * free + p) * dims + a]!;
        into[i * dims + a] = x;
        norm += x * x;
      }
      norm = Math.sqrt(norm);
      for (let a = 0; a < dims; a++) into[i * dims + a] = into[i * dims + a]! / norm;
    }
  }
}

function largest(of: Float64Array): number {
  let most = 0;
  for (const c of of) most = Math.max(most, Math.abs(c));
  return most;
}

/** Unit vectors square to a link and to each other: one in a plane, two in space. */
function writeBasis(links: Float64Array, i: number, dims: 2 | 3, basis: Float64Array): void {
  const x = links[i * dims]!;
  const y = links[i * dims + 1]!;
  if (dims === 2) {
    basis[i * 2] = -y;
    basis[i * 2 + 1] = x;
    return;
  }
  const z = links[i * 3 + 2]!;
  // One pair for every direction but straight down, without a branch (Duff et al., J. Computer Graphics Techniques 6, 2017).
  const sign = z >= 0 ? 1 : -1;
  const a = -1 / (sign + z);
  const b = x * y * a;
  const to = i * 6;
  basis[to] = 1 + sign * x * x * a;
  basis[to + 1] = sign * b;
  basis[to + 2] = -sign * x;
  basis[to + 3] = b;
  basis[to + 4] = sign + y * y * a;
  basis[to + 5] = -y;
}
