/** Water hammer: what a line's pressure does when its valve shuts. */
import { finite, InputError } from '../errors.ts';
import { M_PER_FT, PA_PER_PSI } from '../units/index.ts';
import { CLOSING_LAWS, type ClosingLaw, type Surge, type SurgeQuestion } from './shape.ts';
import { Books } from './waves/books.ts';
import { CAVITY_OPENS_PA, openCavities, PARTED_TIMES, stepCavities } from './waves/cavity.ts';
import { joukowskyPa, type Network, networkOf } from './waves/network.ts';
import { settle } from './waves/node.ts';
import type { ValveNow } from './waves/outlet.ts';
import { type Pipe, pressureAt, RENEW_EVERY, swap } from './waves/pipe.ts';
import { Waves } from './waves/waves.ts';

/** The usual limit of what a house's water bears for a moment, psi. @source PDI WH-201 */
export const SURGE_LIMIT_PSI = 150;
/** Reach-steps of one question: some seconds of work. */
const MOST_WORK = 4e8;
/** Readings of the valve's pressure that are handed out. */
const MOST_READINGS = 20_000;
const MOST_FRAMES = 400;
/** Places along the line that are told of. */
const MOST_PLACES = 241;

/** What of the flow, or of the opening, is left at a part of the closing. */
const LAWS: Record<ClosingLaw, (part: number) => number> = {
  flow: (part) => 1 - part,
  area: (part) => 1 - part,
  // Steepest at the end, twice as steep as a straight line: a real valve stops most of its flow in the last half.
  late: (part) => 1 - part * part,
};

/**
 * The whole transient by the method of characteristics.
 *
 * Fixed grid at Courant number 1, quasi-steady friction, the supply's pressure held, the valve at the far end, gas where it is asked for, the water not
 * below its vapour's pressure. Heights are left out: pressures are at the height of the valve.
 *
 * @throws InputError naming the field, the value and what will do; also where the work would be too much
 * @source E. B. Wylie and V. L. Streeter, Fluid Transients (1978)
 */
export function surge(s: SurgeQuestion): Surge {
  const law = s.law ?? 'flow';
  if (!CLOSING_LAWS.includes(law)) throw new InputError('law', law, `One of ${CLOSING_LAWS.join(', ')}.`);
  const closeS = finite('closeMs', s.closeMs, { atLeast: 0, atMost: 60_000 }) / 1000;
  const seconds = finite('seconds', s.seconds, { above: 0, atMost: 600 });
  const limitPsi = finite('limitPsi', s.limitPsi ?? SURGE_LIMIT_PSI, { above: 0, atMost: 10_000 });
  const frames = finite('frames', s.frames ?? 0, { atLeast: 0, atMost: MOST_FRAMES });
  const net = networkOf(s);
  try {
    return played(net, { law, closeS, seconds, limitPsi, frames, last: s.pipes.at(-1)! });
  } finally {
    net.kernel.free();
  }
}

/** What is asked of a network, checked. */
interface Play {
  law: ClosingLaw;
  closeS: number;
  seconds: number;
  limitPsi: number;
  frames: number;
  /** The pipe at the valve. */
  last: SurgeQuestion['pipes'][number];
}

function played(net: Network, { law, closeS, seconds, limitPsi, frames: framesWanted, last }: Play): Surge {
  const pipes = [...net.main, ...net.sides.flat()];
  const perStep = pipes.reduce((sum, p) => sum + p.n, 0);
  const steps = Math.ceil(seconds / net.dtS);
  if (steps * perStep > MOST_WORK) {
    throw new InputError('seconds', seconds, `That is ${(steps * perStep).toExponential(1)} reach-steps: give a shorter time or fewer reaches.`);
  }
  const runningPa = net.valve.pa;
  const every = Math.ceil(steps / MOST_READINGS);
  const frameEvery = framesWanted > 0 ? Math.max(1, Math.floor(steps / framesWanted)) : Number.POSITIVE_INFINITY;
  const [t, psi]: [number[], number[]] = [[0], [runningPa / PA_PER_PSI]];
  const frames: Surge['frames'] = framesWanted > 0 ? [{ t: 0, psi: picture(net) }] : [];
  const limitPa = limitPsi * PA_PER_PSI;
  const books = new Books(net, pipes);
  let [peakPa, hasParted] = [runningPa, false];
  const roundTripS = 2 * net.lengthM.reduce((sum, m, i) => sum + m / net.waveMS[i]!, 0);
  const waves = new Waves(limitPa, net.nodes[0]!.supplyPa!, runningPa, roundTripS);
  for (let step = 1; step <= steps; step++) {
    const now = step * net.dtS;
    const valve = valveAt(law, closeS, now, net.flowM3S, runningPa);
    if (step % RENEW_EVERY === 0) for (const pipe of pipes) net.kernel.renew(pipe);
    if (stepOn(net, pipes, valve)) hasParted = true;
    books.add();
    const pa = net.valve.pa;
    if (pa > peakPa) peakPa = pa;
    waves.add(now, pa);
    if (step % every === 0) {
      t.push(now);
      psi.push(pa / PA_PER_PSI);
    }
    if (step % frameEvery === 0 && frames.length < framesWanted) frames.push({ t: now, psi: picture(net) });
  }
  return {
    peakPsi: peakPa / PA_PER_PSI,
    joukowskyPsi: joukowskyPa(last, net.water, net.flowM3S) / PA_PER_PSI,
    waveSpeedFtS: net.waveMS.at(-1)! / M_PER_FT,
    cavity: hasParted,
    t,
    psi,
    runningPsi: runningPa / PA_PER_PSI,
    timesOver: waves.count,
    limitPsi,
    along: alongOf(net),
    worst: worstOf(net),
    roundTripS,
    waveFit: net.fit,
    massOff: books.off(),
    frames,
    work: steps * perStep,
  };
}

/** What the valve passes at a moment: a flow of its own, or what its opening lets through at the pressure before it. */
function valveAt(law: ClosingLaw, closeS: number, now: number, flowM3S: number, runningPa: number): ValveNow {
  const left = now >= closeS ? 0 : LAWS[law](now / closeS);
  return law === 'area' ? { fixed: 0, perRoot: (left * flowM3S) / Math.sqrt(runningPa) } : { fixed: left * flowM3S, perRoot: 0 };
}

/** One step of time for all. @returns whether the water stands parted somewhere */
function stepOn({ kernel, nodes, vapourPa, dtS }: Network, pipes: readonly Pipe[], valve: ValveNow): boolean {
  let most = 0;
  for (const pipe of pipes) {
    // While gas moves the pressure is what it makes of the waves: their sum alone is no mark.
    const least = kernel.advance(pipe, !pipe.isCavityOpen);
    if (!pipe.isCavityOpen && least < 2 * (vapourPa + CAVITY_OPENS_PA)) openCavities(pipe, vapourPa);
    if (pipe.isCavityOpen) most = Math.max(most, stepCavities(kernel, pipe, vapourPa, dtS));
  }
  let isParted = most > PARTED_TIMES;
  for (const node of nodes) isParted = settle(node, valve, vapourPa, dtS) || isParted;
  for (const pipe of pipes) swap(pipe);
  return isParted;
}

/** The pressure at each place of the main line, supply first. */
function places<T>(net: Network, of: (pipe: Pipe, i: number, m: number) => T): T[] {
  const out: T[] = [];
  let start = 0;
  net.main.forEach((pipe, k) => {
    const reach = net.lengthM[k]! / pipe.n;
    for (let i = k === 0 ? 0 : 1; i <= pipe.n; i++) out.push(of(pipe, i, start + i * reach));
    start += net.lengthM[k]!;
  });
  return thin(out);
}

/** Not more than can be drawn, the first and the last among them. */
function thin<T>(list: T[]): T[] {
  if (list.length <= MOST_PLACES) return list;
  return Array.from({ length: MOST_PLACES }, (_, i) => list[Math.round((i * (list.length - 1)) / (MOST_PLACES - 1))]!);
}

const picture = (net: Network): number[] => places(net, (pipe, i) => pressureAt(pipe, i, net.vapourPa) / PA_PER_PSI);

const alongOf = (net: Network): Surge['along'] =>
  places(net, (pipe, i, m) => ({
    ft: m / M_PER_FT,
    highPsi: pipe.high[i]! / 2 / PA_PER_PSI,
    lowPsi: Math.max(pipe.low[i]! / 2, net.vapourPa) / PA_PER_PSI,
  }));

function worstOf(net: Network): Surge['worst'] {
  let worst: Surge['worst'] = { psi: Number.NEGATIVE_INFINITY, ft: 0, branch: null };
  const look = (pipes: readonly Pipe[], lengthM: (k: number) => number, branch: number | null) => {
    let start = 0;
    pipes.forEach((pipe, k) => {
      pipe.high.forEach((twice, i) => {
        const at = twice / 2 / PA_PER_PSI;
        // Of places alike, the one farthest along its line: that is where the wave was thrown back.
        if (at > worst.psi + (worst.branch === branch ? -1e-9 : 1e-9))
          worst = { psi: at, ft: (start + (i * lengthM(k)) / pipe.n) / M_PER_FT, branch };
      });
      start += lengthM(k);
    });
  };
  look(net.main, (k) => net.lengthM[k]!, null);
  net.sides.forEach((side, b) => {
    look(side, (k) => net.sideM[b]![k]!, b);
  });
  return worst;
}

/** Slow closure by hand, psi above running: instant closure's rise, less by the round trip over the closing time. @source L. Michaud (1878) */
export function michaudPsi(joukowskyPsi: number, roundTripS: number, closeMs: number): number {
  const closeS = closeMs / 1000;
  return closeS <= roundTripS ? joukowskyPsi : (joukowskyPsi * roundTripS) / closeS;
}
