/** The accounts of a transient: no water may be made or lost. */
import type { Network } from './network.ts';
import type { Node } from './node.ts';
import { type Pipe, pressureAt } from './pipe.ts';

/**
 * Free gas as the accounts have it, m3: it grew by the flow of each step alone, they take the mean of two.
 *
 * @param now,before volumes of this step and the one before
 * @param grows      m3/s, now
 */
const gapNow = (now: number, before: number, grows: number, dtS: number): number => (now + before - dtS * grows) / 2;

/** The water's accounts: what came from the supply less what the valve passed is what the pipes and the gas hold more. */
export class Books {
  private readonly storedBefore: number;
  private readonly gasBefore: number;
  private came: number;
  private went: number;
  private moved = 0;
  private fromBefore: number;
  private outBefore: number;

  constructor(
    private readonly net: Network,
    private readonly pipes: readonly Pipe[],
  ) {
    this.storedBefore = this.stored();
    this.gasBefore = this.gas();
    [this.came, this.went] = [0, 0];
    this.fromBefore = net.nodes[0]!.from;
    this.outBefore = net.valve.out;
  }

  add(): void {
    const { from } = this.net.nodes[0]!;
    const { out } = this.net.valve;
    this.came += (this.net.dtS / 2) * (from + this.fromBefore);
    this.went += (this.net.dtS / 2) * (out + this.outBefore);
    this.moved += (this.net.dtS / 2) * Math.abs(from + this.fromBefore);
    [this.fromBefore, this.outBefore] = [from, out];
  }

  /** What does not add up, over all that went through the line's beginning. */
  off(): number {
    const held = this.stored() - this.storedBefore + (this.gasBefore - this.gas());
    return Math.abs(this.came - this.went - held) / (this.moved + Number.MIN_VALUE);
  }

  /** By the water's and the walls' give, m3; gas holds none. */
  private stored(): number {
    const { vapourPa, dtS, nodes } = this.net;
    const inPipe = (pipe: Pipe): number => {
      let held = (pressureAt(pipe, 0, vapourPa) + pressureAt(pipe, pipe.n, vapourPa)) / 2;
      let gaps = 0;
      for (let i = 1; i < pipe.n; i++) {
        const pa = pressureAt(pipe, i, vapourPa);
        held += pa;
        if (pipe.isCavityOpen) gaps += gapNow(pipe.gas[i]!, pipe.nextGas[i]!, (pipe.left[i]! + pipe.right[i]! - 2 * pa) / pipe.z, dtS);
      }
      return (held * dtS) / pipe.z - gaps + pipe.openedWith;
    };
    // Beside a cushion that gives the free gas stands still.
    const growth = (n: Node): number => (n.gas?.state === 'gives' ? 0 : n.freeGrows);
    const atNode = (n: Node): number => (n.free > 0 ? n.openedWith - gapNow(n.free, n.freeBefore, growth(n), dtS) : 0);
    return this.pipes.reduce((sum, p) => sum + inPipe(p), 0) + nodes.reduce((sum, n) => sum + atNode(n), 0);
  }

  private gas(): number {
    return this.net.nodes.reduce((sum, n: Node) => sum + (n.gas?.volumeM3 ?? 0), 0);
  }
}
