/** Where pipes meet or end: one pressure, and what flows in flows out. */
import { ATM_PA } from '../../units/index.ts';
import { aboveVapour, CAVITY_OPENS_PA, PARTED_TIMES } from './cavity.ts';
import { type Gas, givingPa, landingFlow, liftsOff, tookUp } from './cushion.ts';
import { passes, SHUT, type ValveNow, withoutGas } from './outlet.ts';
import type { Pipe } from './pipe.ts';

export interface Node {
  ends: { pipe: Pipe; isFar: boolean }[];
  /** Its pressure stays, Pa gauge. */
  supplyPa?: number;
  hasValve: boolean;
  gas?: Gas;
  /** Free gas in the water about it, m3, nought before it wakes, now and a step before; what it was when it woke; its pressure above vapour times its volume, Pa m3. */
  free: number;
  freeBefore: number;
  openedWith: number;
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

/**
 * The pressure above vapour that the free gas about a node comes to; null where it sleeps.
 *
 * As low as it matters the valve passes what its flow is set to, and nothing by its opening.
 */
function freeAbove(node: Node, c: number, y: number, now: ValveNow, vapourPa: number, dtS: number): number | null {
  if (node.free === 0) {
    if (withoutGas(c, y, now) - vapourPa >= CAVITY_OPENS_PA) return null;
    node.openedWith = node.freeGas / Math.max(CAVITY_OPENS_PA, node.pa - vapourPa);
    [node.free, node.freeBefore] = [node.openedWith, node.openedWith];
  }
  // From two steps ago, as in `stepCavities`.
  return aboveVapour(node.freeBefore, y, c - vapourPa * y - now.fixed, node.freeGas, 2 * dtS);
}

/** It is what that pressure makes of it. @param grows m3/s */
function freeMoves(node: Node, above: number, grows: number): void {
  node.freeBefore = node.free;
  node.free = node.freeGas / above;
  node.freeGrows = grows;
}

/** A node's pressure, with the gas that gives there and what is free about it moved on. */
function pressed(node: Node, c: number, y: number, now: ValveNow, vapourPa: number, dtS: number): number {
  const { gas } = node;
  const gave = gas?.state === 'gives';
  let pa = gave ? givingPa(gas, c, y, now, node.pa, dtS) : null;
  if (pa === null) {
    // A piston that lands in this step takes what brings it there, whatever the pressure.
    const taken = gave ? landingFlow(gas, dtS) : 0;
    const stiff = { ...now, fixed: now.fixed + taken };
    const above = freeAbove(node, c, y, stiff, vapourPa, dtS);
    const stiffPa = above === null ? withoutGas(c, y, stiff) : above + vapourPa;
    if (!gas || gave || !liftsOff(gas, stiffPa)) {
      if (above !== null) freeMoves(node, above, y * stiffPa - c + stiff.fixed);
      if (gas) tookUp(gas, taken, dtS);
      return stiffPa;
    }
    pa = givingPa(gas, c, y, now, node.pa, dtS) ?? stiffPa;
  }
  tookUp(gas!, c - y * pa - passes(now, pa), dtS);
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
  const pa = pressed(node, c, y, now, vapourPa, dtS);
  node.out = passes(now, pa);
  send(node, pa);
  return node.free * ATM_PA > PARTED_TIMES * node.freeGas;
}
