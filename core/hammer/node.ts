/** Where pipes meet or end: one pressure, and what flows in flows out. */
import { ATM_PA } from '../units/si.ts';
import { aboveVapour, GAS_WAKES_PA, PARTED_TIMES } from './free-gas.ts';
import type { Pipe } from './pipe.ts';

/** Gas that gives: absolute pressure times volume to the power n stays. */
export interface Gas {
  volumeM3: number;
  /** ln of (Pa absolute times m3 to the power n). */
  logLaw: number;
  /** Into it, m3/s. */
  flow: number;
}

/** Between isothermal and adiabatic. @source trade practice for arrestors and air vessels: 1.2 */
export const GAS_POWER = 1.2;

/** The valve's flow in a moment: q = fixed + perRoot sqrt(p). */
export interface ValveNow {
  fixed: number;
  perRoot: number;
}

export interface Node {
  ends: { pipe: Pipe; isFar: boolean }[];
  /** Its pressure stays, Pa gauge. */
  supplyPa?: number;
  hasValve: boolean;
  gas?: Gas;
  /** Free gas in the water about it, m3, nought before it wakes, now and a step before; what it was when it woke; its pressure above vapour times its volume, Pa m3. */
  free: number;
  freeBefore: number;
  wokeWith: number;
  /** How it grows now, m3/s. */
  freeGrows: number;
  freeGas: number;
  /** Now. */
  pa: number;
  /** Out of the line by the valve, m3/s. */
  out: number;
  /** Out of the supply into the line, m3/s. */
  from: number;
}

/** The wave that arrives by an end. */
const arriving = ({ pipe, isFar }: Node['ends'][number]): number => (isFar ? pipe.nextRight[pipe.n]! : pipe.nextLeft[0]!);

/** Sends a node's pressure into its pipes, and marks how high and low it was. */
function send(node: Node, pa: number): void {
  node.pa = pa;
  for (const { pipe, isFar } of node.ends) {
    const i = isFar ? pipe.n : 0;
    if (isFar) pipe.nextLeft[i] = 2 * pa - pipe.nextRight[i]!;
    else pipe.nextRight[i] = 2 * pa - pipe.nextLeft[i]!;
    pipe.high[i] = Math.max(pipe.high[i]!, 2 * pa);
    pipe.low[i] = Math.min(pipe.low[i]!, 2 * pa);
  }
}

/** Pa at which what comes is what the valve passes: `c - y p = fixed + perRoot sqrt(p)`. */
function withoutGas(c: number, y: number, { fixed, perRoot }: ValveNow): number {
  const rest = c - fixed;
  if (perRoot === 0 || rest <= 0) return rest / y;
  const root = (2 * rest) / (perRoot + Math.sqrt(perRoot * perRoot + 4 * y * rest));
  return root * root;
}

const passes = ({ fixed, perRoot }: ValveNow, pa: number): number => fixed + (pa > 0 && perRoot > 0 ? perRoot * Math.sqrt(pa) : 0);

/** Pa with gas at the node: its volume moves by the mean of its flow over the step, its law holds at the end. */
function withGas(gas: Gas, c: number, y: number, valve: ValveNow, startPa: number, dtS: number): number {
  // Rises with p: as p rises less flows in, and the gas is larger than its law has it.
  const volume = (pa: number) => gas.volumeM3 - (dtS / 2) * (gas.flow + c - y * pa - passes(valve, pa));
  const over = (pa: number) => Math.log(pa + ATM_PA) + GAS_POWER * Math.log(volume(pa)) - gas.logLaw;
  let [low, high] = [-ATM_PA, Number.POSITIVE_INFINITY];
  let pa = startPa;
  for (let i = 0; i < 60; i++) {
    const v = volume(pa);
    if (v <= 0 || pa <= -ATM_PA) {
      low = Math.max(low, pa);
      pa = high < Number.POSITIVE_INFINITY ? (low + high) / 2 : pa + ATM_PA;
      continue;
    }
    const g = over(pa);
    if (g < 0) low = pa;
    else high = pa;
    const out = valve.perRoot > 0 && pa > 0 ? valve.perRoot / (2 * Math.sqrt(pa)) : 0;
    const next = pa - g / (1 / (pa + ATM_PA) + (GAS_POWER * (dtS / 2) * (y + out)) / v);
    const isInside = next > low && next < high;
    const step = isInside ? next : high < Number.POSITIVE_INFINITY ? (low + high) / 2 : pa + ATM_PA;
    if (Math.abs(step - pa) <= 1e-9 * (ATM_PA + Math.abs(pa))) return step;
    pa = step;
  }
  return pa;
}

/**
 * A node's pressure after a step, sent into its pipes.
 *
 * @param vapourPa gauge: it is not lower
 * @returns whether the water stands parted there
 */
export function settle(node: Node, valve: ValveNow, vapourPa: number, dtS: number): boolean {
  let [c, y] = [0, 0];
  for (const end of node.ends) {
    c += arriving(end) / end.pipe.z;
    y += 1 / end.pipe.z;
  }
  if (node.supplyPa !== undefined) {
    send(node, node.supplyPa);
    node.from = node.supplyPa * y - c;
    return false;
  }
  const now = node.hasValve ? valve : SHUT;
  let pa = node.gas ? withGas(node.gas, c, y, now, node.pa, dtS) : withoutGas(c, y, now);
  if (!node.gas && node.free === 0 && pa - vapourPa < GAS_WAKES_PA) {
    node.wokeWith = node.freeGas / Math.max(GAS_WAKES_PA, node.pa - vapourPa);
    [node.free, node.freeBefore] = [node.wokeWith, node.wokeWith];
  }
  if (node.free > 0) {
    // From two steps ago, as in `letGasMove`. As low as it matters the valve passes what its flow is set to, and nothing by its opening.
    const u = aboveVapour(node.freeBefore, y, c - vapourPa * y - now.fixed, node.freeGas, 2 * dtS);
    pa = u + vapourPa;
    node.freeBefore = node.free;
    node.free = node.freeGas / u;
    node.freeGrows = y * pa - c + now.fixed;
  }
  node.out = passes(now, pa);
  if (node.gas) {
    const flow = c - y * pa - node.out;
    node.gas.volumeM3 -= (dtS / 2) * (node.gas.flow + flow);
    node.gas.flow = flow;
  }
  send(node, pa);
  return node.free * ATM_PA > PARTED_TIMES * node.freeGas;
}

const SHUT: ValveNow = { fixed: 0, perRoot: 0 };
