/** The line of a question as pipes and nodes, in the state in which it ran before the valve began to shut. */
import { finite, InputError } from '../../errors.ts';
import { type Bored, bored, type Water, waterAt } from '../../flow/index.ts';
import { ATM_PA, boreArea, M_PER_IN, M3_S_PER_GPM, PA_PER_PSI } from '../../units/index.ts';
import type { SurgePipe, SurgeQuestion } from '../shape.ts';
import { FREE_GAS } from './cavity.ts';
import { gasAt } from './cushion.ts';
import { frictionTable, LAST_STEP, lookedUp } from './friction-table.ts';
import { checkedCut } from './grid.ts';
import { type Kernel, kernelFor, PLACE_FIGURES } from './kernel.ts';
import type { Node } from './node.ts';
import type { Pipe } from './pipe.ts';
import { impedance, waveSpeed } from './wave.ts';

export interface Network {
  kernel: Kernel;
  water: Water;
  /** Gauge. */
  vapourPa: number;
  dtS: number;
  fit: number;
  main: Pipe[];
  /** By side line, in the order of the question. */
  sides: Pipe[][];
  /** Wave speed of each pipe of the main line, m/s, its own. */
  waveMS: number[];
  lengthM: number[];
  /** Lengths of the side lines' pipes. */
  sideM: number[][];
  nodes: Node[];
  valve: Node;
  flowM3S: number;
}

/** Reaches of the main line: fewer show no wave, more show nothing new. */
const REACHES = { usual: 120, least: 4, most: 5000 } as const;
const MOST_PIPES = 60;
/** Of a reach, over what its wave carries: beyond it a step overshoots. */
const MOST_FRICTION = 0.5;
/** Ends nearer to one another than this are one, ft. */
const SAME_FT = 0.05;

interface Ready {
  waveM: number;
  lengthM: number;
  bore: Bored;
}

function ready(pipes: readonly SurgePipe[], field: string, water: Water): Ready[] {
  const all = bored(pipes.map((p, i) => ({ ...p, lengthIn: finite(`${field}[${i}].lengthFt`, p.lengthFt, { above: 0, atMost: 10_000 }) * 12 })));
  return pipes.map((p, i) => {
    const bore = all[i]!;
    const wallM = finite(`${field}[${i}].wallIn`, p.wallIn, { above: 0, atMost: 4 }) * M_PER_IN;
    const modulusPa = finite(`${field}[${i}].modulusGpa`, p.modulusGpa, { above: 0, atMost: 1000 }) * 1e9;
    return { waveM: waveSpeed({ boreM: bore.boreM, wallM, modulusPa }, water), lengthM: bore.lengthM, bore };
  });
}

/** The main line with a joint where the cushion stands, and after which of its pipes that is; the last where it stands at the valve. */
function cutAtCushion(pipes: readonly SurgePipe[], fromValveFt: number): { pipes: SurgePipe[]; after: number; origin: number[] } {
  const out = [...pipes];
  const origin = pipes.map((_, i) => i);
  let left = fromValveFt;
  for (let i = pipes.length - 1; i >= 0; i--) {
    const { lengthFt } = pipes[i]!;
    if (left <= SAME_FT) return { pipes: out, after: i, origin };
    if (left < lengthFt - SAME_FT) {
      out.splice(i, 1, { ...pipes[i]!, lengthFt: lengthFt - left }, { ...pipes[i]!, lengthFt: left });
      origin.splice(i, 1, i, i);
      return { pipes: out, after: i, origin };
    }
    left -= lengthFt;
  }
  throw new InputError('cushionFt', fromValveFt, 'An arrestor stands on the line, nearer to the valve than the supply is.');
}

/** What all pipes of a line are laid with. */
interface Ground {
  water: Water;
  dtS: number;
  /** What runs in the main line, m3/s: friction is told about it. */
  flowM3S: number;
  isFrictionless: boolean;
  kernel: Kernel;
}

/** A pipe in which `flow` runs steadily from `pa` at its near end, and the pressure it comes to at the far one. */
function pipeOf({ lengthM, bore }: Ready, n: number, flow: number, pa: number, ground: Ground): { pipe: Pipe; farPa: number } {
  // Its own length in n steps: the wave speed that does it is as good as its own but for the fit.
  const z = impedance(bore.boreM, lengthM / (n * ground.dtS), ground.water.density);
  const table = frictionTable({ ...bore, lengthM: ground.isFrictionless ? 0 : lengthM / n }, ground.flowM3S, ground.water);
  const lost = flow === 0 ? 0 : lookedUp(table, flow);
  if (lost > MOST_FRICTION * z * flow) {
    throw new InputError('reaches', n, 'The friction of one reach is more than a step bears: give more reaches, or a wider bore.');
  }
  const at = Float64Array.from({ length: n + 1 }, (_, i) => pa - i * lost);
  const { kernel } = ground;
  const filled = (of: (p: number) => number): Float64Array => {
    const room = kernel.take(n + 1);
    at.forEach((p, i) => {
      room[i] = of(p);
    });
    return room;
  };
  const friction = kernel.take(table.pa.length);
  friction.set(table.pa);
  const pipe: Pipe = {
    n,
    z,
    right: filled((p) => p + z * flow),
    left: filled((p) => p - z * flow),
    nextRight: kernel.take(n + 1),
    nextLeft: kernel.take(n + 1),
    high: filled((p) => 2 * p),
    low: filled((p) => 2 * p),
    resist: kernel.take(n),
    friction,
    perPa: 1 / (4 * z * table.stepM3S),
    gas: kernel.take(n + 1),
    nextGas: kernel.take(n + 1),
    scratch: kernel.take(n + 1),
    isCavityOpen: false,
    openedWith: 0,
    place: 0,
    turn: 0,
    freeGas: FREE_GAS * ATM_PA * ((bore.areaM2 * lengthM) / n),
  };
  kernel.lay(pipe);
  kernel.renew(pipe);
  return { pipe, farPa: at[n]! };
}

/** Figures that a pipe of n reaches takes of a kernel. */
const figuresOf = (n: number): number => 9 * (n + 1) + n + LAST_STEP + 2 + PLACE_FIGURES;

const newNode = (more: Partial<Node>): Node => ({
  ends: [],
  hasValve: false,
  free: 0,
  freeBefore: 0,
  openedWith: 0,
  freeGrows: 0,
  freeGas: 0,
  pa: 0,
  out: 0,
  from: 0,
  ...more,
});

/** @param make the kernel; another than the usual for a comparison. @throws InputError naming the field, the value and what will do */
export function networkOf(s: SurgeQuestion, make: typeof kernelFor = kernelFor): Network {
  const water = waterAt(s.tempF);
  finite('pipes', s.pipes.length, { atLeast: 1, atMost: MOST_PIPES });
  const staticPa = finite('staticPsi', s.staticPsi, { atLeast: 0, atMost: 1000 }) * PA_PER_PSI;
  const flowM3S = finite('gpm', s.gpm, { above: 0, atMost: 1000 }) * M3_S_PER_GPM;
  const wanted = finite('reaches', s.reaches ?? REACHES.usual, { atLeast: REACHES.least, atMost: REACHES.most });
  const { pipes, after, origin } = cutAtCushion(s.pipes, finite('cushionFt', s.cushionFt ?? 0, { atLeast: 0, atMost: 10_000 }));
  const main = ready(pipes, 'pipes', water);
  const sides = (s.branches ?? []).map((b, i) => {
    finite(`branches[${i}].pipes`, b.pipes.length, { atLeast: 1, atMost: MOST_PIPES });
    return ready(b.pipes, `branches[${i}].pipes`, water);
  });
  const all = [...main, ...sides.flat()];
  const seconds = all.map((p) => p.lengthM / p.waveM);
  const mainShare = main.reduce((sum, p) => sum + p.lengthM / p.waveM, 0) / seconds.reduce((a, b) => a + b, 0);
  const { dtS, reaches, fit } = checkedCut(seconds, Math.ceil(Math.max(wanted, all.length) / mainShare), REACHES.most * 4);

  const kernel = make(reaches.reduce((sum, n) => sum + figuresOf(n), 0));
  const ground = { water, dtS, flowM3S, isFrictionless: s.isFrictionless ?? false, kernel };
  const nodes: Node[] = [newNode({ supplyPa: staticPa, pa: staticPa, from: flowM3S })];
  const lay = (list: readonly Ready[], first: number, from: Node, flow: number): { pipes: Pipe[]; ends: Node[] } => {
    const [laid, ends]: [Pipe[], Node[]] = [[], []];
    let node = from;
    list.forEach((p, i) => {
      const { pipe, farPa } = pipeOf(p, reaches[first + i]!, flow, node.pa, ground);
      node.ends.push({ pipe, isFar: false });
      node = newNode({ pa: farPa, ends: [{ pipe, isFar: true }] });
      nodes.push(node);
      laid.push(pipe);
      ends.push(node);
    });
    return { pipes: laid, ends };
  };
  const laid = lay(main, 0, nodes[0]!, flowM3S);
  const valve = laid.ends.at(-1)!;
  if (valve.pa <= 0)
    throw new InputError('gpm', s.gpm, 'The line cannot carry so much at that pressure: its friction takes all of it. Give the flow it has.');
  Object.assign(valve, { hasValve: true, out: flowM3S });
  if (s.cushion) laid.ends[after]!.gas = gasAt(s.cushion, laid.ends[after]!.pa);
  let first = main.length;
  const sidePipes = (s.branches ?? []).map((b, i) => {
    // The last of the pieces that the pipe it hangs on was cut into.
    const at = origin.lastIndexOf(finite(`branches[${i}].after`, b.after, { atLeast: 0, atMost: s.pipes.length - 1 }));
    if (at < 0) throw new InputError(`branches[${i}].after`, b.after, 'Name the pipe of the main line at whose far end it hangs, from 0.');
    const side = lay(sides[i]!, first, laid.ends[at]!, 0);
    first += sides[i]!.length;
    if (b.cushion) side.ends.at(-1)!.gas = gasAt(b.cushion, side.ends.at(-1)!.pa);
    return side.pipes;
  });
  // Half of each reach that ends there is a node's own water.
  for (const node of nodes) node.freeGas = node.ends.reduce((sum, { pipe }) => sum + pipe.freeGas / 2, 0);
  const vapourPa = water.vapourPa - ATM_PA;
  return {
    kernel,
    water,
    vapourPa,
    dtS,
    fit,
    main: laid.pipes,
    sides: sidePipes,
    waveMS: main.map((p) => p.waveM),
    lengthM: main.map((p) => p.lengthM),
    sideM: sides.map((side) => side.map((p) => p.lengthM)),
    nodes,
    valve,
    flowM3S,
  };
}

/** rho a v of the pipe at the valve, Pa. */
export const joukowskyPa = (pipe: SurgePipe, water: Water, flowM3S: number): number => {
  const boreM = pipe.boreIn * M_PER_IN;
  const wave = waveSpeed({ boreM, wallM: pipe.wallIn * M_PER_IN, modulusPa: pipe.modulusGpa * 1e9 }, water);
  return (water.density * wave * flowM3S) / boreArea(boreM);
};
