/** Several appliances open at once on one branch: each takes from the others. */
import { finite, InputError } from '../errors.ts';
import { M3_S_PER_GPM, PA_PER_PSI } from '../units/index.ts';
import { type ApplianceCurve, risePaOf, valveOf } from './operating-point.ts';
import { type Bored, bored, lossPa, type Piece } from './piece.ts';
import { decreasingRoot } from './root.ts';
import { type Supply, supplyCurve, supplyPa } from './supply.ts';
import { waterAt } from './water.ts';

/** A stretch of pipe with what hangs on its far end: one appliance, or further stretches. */
export interface Stretch {
  pieces: readonly Piece[];
  riseFt: number;
  name?: string;
  /** Open, at the end of this stretch. */
  appliance?: ApplianceCurve;
  onward?: readonly Stretch[];
}

export interface BranchFlow extends Supply {
  tempF: number;
  branch: Stretch;
}

export interface Drawn {
  name: string;
  gpm: number;
  inletPsi: number;
  /** With the others shut. */
  aloneGpm: number;
}

/** Open at once: more hang on no branch. */
const MOST_OPEN = 20;
const MOST_SWEEPS = 5000;

interface Tap {
  name: string;
  /** Indices of the stretches that its water runs through. */
  path: number[];
  risePa: number;
  valve: number;
  capM3S: number;
}

/**
 * What each of several open appliances gets.
 *
 * In turn each takes what its line leaves while the others stay as they are; the sweeps go on until none moves. What every turn lowers is one convex
 * quantity, the work of all losses less that of the supply, so that there is one answer and the sweeps come to it. None draws backwards.
 *
 * @returns each open appliance in the order in which the branch names them, and what all take together
 * @throws InputError where nothing is open, too many are, or a figure is none
 */
export function branchFlow(b: BranchFlow): { drawn: Drawn[]; totalGpm: number; supplyPsi: number } {
  const water = waterAt(b.tempF);
  const curve = supplyCurve(b);
  const stretches: Bored[][] = [];
  const taps: Tap[] = [];
  const walk = (stretch: Stretch, path: number[], above: number): void => {
    const here = [...path, stretches.length];
    stretches.push(bored(stretch.pieces));
    const risePa = above + risePaOf(stretch.riseFt, water);
    if (stretch.appliance) taps.push({ name: stretch.name ?? `outlet ${taps.length + 1}`, path: here, risePa, ...valveOf(stretch.appliance) });
    for (const next of stretch.onward ?? []) walk(next, here, risePa);
  };
  walk(b.branch, [], 0);
  if (taps.length === 0) throw new InputError('branch', 'nothing', 'Open one appliance on it at least.');
  finite('open appliances', taps.length, { atMost: MOST_OPEN });

  const through = new Float64Array(stretches.length);
  const flows = new Float64Array(taps.length);
  const total = () => flows.reduce((sum, q) => sum + q, 0);
  const lossOf = (stretch: number, flow: number) => stretches[stretch]!.reduce((sum, piece) => sum + lossPa(piece, flow, water), 0);
  /** At a tap's inlet, did it draw `flow` while the others draw what they do. */
  const left = (tap: Tap, flow: number, others: number, own: number): number =>
    tap.path.reduce((p, s) => p - lossOf(s, through[s]! - own + flow), supplyPa(curve, others + flow) - tap.risePa);
  const settle = (i: number): number => {
    const tap = taps[i]!;
    const own = flows[i]!;
    const others = total() - own;
    const standing = left(tap, 0, others, own);
    if (standing <= 0) return 0;
    const most = Math.min(tap.capM3S, Math.sqrt(standing / tap.valve));
    const beyond = (flow: number) => left(tap, flow, others, own) - tap.valve * flow * flow;
    return beyond(most) >= 0 ? most : decreasingRoot(beyond, 0, most);
  };
  const put = (i: number, flow: number) => {
    for (const s of taps[i]!.path) through[s]! += flow - flows[i]!;
    flows[i] = flow;
  };
  const alone = taps.map((_, i) => settle(i));
  for (let sweep = 0; sweep < MOST_SWEEPS; sweep++) {
    let moved = 0;
    for (let i = 0; i < taps.length; i++) {
      const next = settle(i);
      moved = Math.max(moved, Math.abs(next - flows[i]!));
      put(i, next);
    }
    if (moved <= 1e-10 * Math.max(...alone)) break;
  }
  const drawn = taps.map((tap, i) => ({
    name: tap.name,
    gpm: flows[i]! / M3_S_PER_GPM,
    inletPsi: Math.max(0, left(tap, flows[i]!, total() - flows[i]!, flows[i]!)) / PA_PER_PSI,
    aloneGpm: alone[i]! / M3_S_PER_GPM,
  }));
  return { drawn, totalGpm: total() / M3_S_PER_GPM, supplyPsi: supplyPa(curve, total()) / PA_PER_PSI };
}
