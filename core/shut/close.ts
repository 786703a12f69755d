/**
 * Which valves to close so that nothing reaches the work.
 *
 * What no closable valve parts is one block. A plan is the set of blocks that keep water: it holds every source, not the work, hangs together from the
 * sources, and each link out of it is a valve that can be shut (or is). The union of two such sets is one again, so that there is a largest: what sources
 * reach without passing through the work's block. It keeps every outlet that any plan can keep. Of the plans that keep them all the one is wanted whose tanks
 * (each parted from the work or relieved) and valves cost least: a least cut between what must keep water and what cannot, and, where a cut would leave an
 * outlet without its way to a source, the same again with one of the ways forced open, each in turn (branch and bound).
 */

import { type CutLink, minCut } from './min-cut.ts';
import { canShut, isSource, isStuckShut, isTank, isWell, type NetValve, type WaterNetwork } from './network.ts';
import { costOf, costOfTank } from './trust.ts';

export interface Closing {
  close: NetValve[];
  /** Stuck shut, and relied on. */
  reliedOn: NetValve[];
  /** Tanks that stay joined to the work, by their numbers in the network. */
  relieve: number[];
  /** Whether a place has water when they are shut, by its number in the network. */
  hasWater: boolean[];
  cost: bigint;
}

interface Gate {
  valve: NetValve;
  a: number;
  b: number;
  cost: bigint;
  isStuck: boolean;
}

/** How far one goes to keep the water from the work. */
export interface Means {
  /** The valve in the street is turned too. */
  street: boolean;
  /** Wells are stopped at their breakers, and feed nobody. */
  wellsOff: boolean;
}

interface Blocks {
  count: number;
  /** Block of each place. */
  of: number[];
  gates: Gate[];
  around: Gate[][];
  /** What each block's tanks cost where they are to be relieved. */
  tankCost: bigint[];
}

/** Places that are one as long as nothing but a closable valve parts them. */
export class Net {
  readonly number = new Map<string, number>();
  readonly #parent: Int32Array;
  readonly #gates: NetValve[];
  readonly #open: NetValve[];

  constructor(readonly network: WaterNetwork) {
    network.places.forEach((p, i) => void this.number.set(p.id, i));
    this.#parent = Int32Array.from(network.places, (_, i) => i);
    this.#gates = network.valves.filter((v) => canShut(v) || isStuckShut(v));
    this.#open = network.valves.filter((v) => !canShut(v) && !isStuckShut(v));
    for (const link of [...network.pipes, ...this.#open]) this.#join(this.#parent, link);
  }

  at(id: string): number {
    return this.number.get(id)!;
  }

  #join(parent: Int32Array, { a, b }: { a: string; b: string }): void {
    const [x, y] = [root(parent, this.at(a)), root(parent, this.at(b))];
    if (x !== y) parent[Math.max(x, y)] = Math.min(x, y);
  }

  /** Blocks, with the valves between them; a valve that is not used parts nothing. */
  blocks(isUsed: (valve: NetValve) => boolean): Blocks {
    const parent = Int32Array.from(this.#parent);
    for (const v of this.#gates) if (!isUsed(v)) this.#join(parent, v);
    const numbered = new Map<number, number>();
    const of = Array.from(parent, (_, i) => {
      const r = root(parent, i);
      const known = numbered.get(r) ?? numbered.size;
      numbered.set(r, known);
      return known;
    });
    const most = this.#gates.length + 1;
    const gates = this.#gates.flatMap((valve): Gate[] => {
      const [a, b] = [of[this.at(valve.a)]!, of[this.at(valve.b)]!];
      return a === b ? [] : [{ valve, a, b, cost: costOf(valve, most), isStuck: isStuckShut(valve) }];
    });
    const around: Gate[][] = Array.from({ length: numbered.size }, () => []);
    for (const gate of gates) {
      around[gate.a]!.push(gate);
      around[gate.b]!.push(gate);
    }
    const tankCost = new Array<bigint>(numbered.size).fill(0n);
    for (const [i, p] of this.network.places.entries()) if (isTank(p)) tankCost[of[i]!]! += costOfTank(most);
    return { count: numbered.size, of, gates, around, tankCost };
  }
}

function root(parent: Int32Array, i: number): number {
  let at = i;
  while (parent[at] !== at) {
    parent[at] = parent[parent[at]!]!;
    at = parent[at]!;
  }
  return at;
}

const other = (gate: Gate, block: number): number => (gate.a === block ? gate.b : gate.a);

/** Blocks that water reaches from some, through valves that are open, staying within what is allowed. */
function flood(blocks: Blocks, from: readonly number[], isAllowed: (block: number) => boolean): boolean[] {
  const wet = new Array<boolean>(blocks.count).fill(false);
  const queue = from.filter(isAllowed);
  for (const b of queue) wet[b] = true;
  for (let i = 0; i < queue.length; i++) {
    for (const gate of blocks.around[queue[i]!]!) {
      const next = other(gate, queue[i]!);
      if (gate.isStuck || wet[next] || !isAllowed(next)) continue;
      wet[next] = true;
      queue.push(next);
    }
  }
  return wet;
}

/**
 * The plan that leaves the fewest outlets dry, then relieves the fewest tanks, then relies on the most trusted valves, then on the fewest.
 *
 * @param workOn  places that no source may reach
 * @returns       null where no valve parts the work from a source
 */
export function closingFor(net: Net, workOn: readonly number[], struckOut: ReadonlySet<string>, { street, wellsOff }: Means): Closing | null {
  const { places } = net.network;
  const blocks = net.blocks((v) => !struckOut.has(v.id) && (street || v.kind !== 'street' || isStuckShut(v)));
  const work = new Set(workOn.map((p) => blocks.of[p]!));
  const sources = [...new Set(places.flatMap((p, i) => (isSource(p) && !(wellsOff && isWell(p)) ? [blocks.of[i]!] : [])))];
  if (sources.some((b) => work.has(b))) return null;
  const largest = flood(blocks, sources, (b) => !work.has(b));
  const mustKeep = new Set(sources);
  for (const [i, p] of places.entries()) if (p.kind === 'outlet' && largest[blocks.of[i]!]) mustKeep.add(blocks.of[i]!);
  const { isApart, wet } = cheapest(blocks, sources, mustKeep, work, (b) => largest[b]!);
  const crossing = blocks.gates.filter((g) => isApart[g.a] !== isApart[g.b]);
  return {
    close: crossing.filter((g) => !g.isStuck).map((g) => g.valve),
    reliedOn: crossing.filter((g) => g.isStuck).map((g) => g.valve),
    relieve: places.flatMap((p, i) => (isTank(p) && !isApart[blocks.of[i]!] ? [i] : [])),
    hasWater: blocks.of.map((b) => wet[b]!),
    cost: crossing.reduce((sum, g) => sum + g.cost, 0n),
  };
}

interface Parted {
  /** On the side that is kept apart from the work: it has water, or lies behind a valve that is stuck shut, or is a tank's. */
  isApart: boolean[];
  wet: boolean[];
}

/** Of the ways to part the work from the rest, with everything that must keep water reached from a source, the one that costs least. */
function cheapest(
  blocks: Blocks,
  sources: readonly number[],
  mustKeep: ReadonlySet<number>,
  work: ReadonlySet<number>,
  isLargest: (block: number) => boolean,
): Parted {
  let best: (Parted & { cost: bigint }) | null = null;
  const seen = new Set<string>();
  const visit = (wetBlocks: ReadonlySet<number>): void => {
    // What is not forced open may lie apart without water, with a tank: so nothing is forced dry, and the same set may be come to by several ways.
    const key = [...wetBlocks].sort((x, y) => x - y).join(' ');
    if (seen.has(key)) return;
    seen.add(key);
    const { cost, isApart } = parted(blocks, wetBlocks, work);
    if (best && cost >= best.cost) return;
    const wet = flood(blocks, sources, (b) => isApart[b]!);
    const lost = [...mustKeep].find((b) => !wet[b]);
    if (lost === undefined) {
      best = { cost, isApart, wet };
      return;
    }
    // One of the blocks around the island that the lost one lies on must keep water.
    const island = flood(blocks, [lost], (b) => isApart[b]!);
    const ways = new Set<number>();
    for (const gate of blocks.gates) {
      if (gate.isStuck) continue;
      for (const [from, next] of [
        [gate.a, gate.b],
        [gate.b, gate.a],
      ] as const)
        if (island[from] && !island[next] && isLargest(next)) ways.add(next);
    }
    for (const way of [...ways].sort((x, y) => x - y)) visit(new Set([...wetBlocks, way]));
  };
  visit(mustKeep);
  return best!;
}

/** A least cut between blocks that keep water and blocks that may not. */
function parted(blocks: Blocks, wetBlocks: ReadonlySet<number>, work: ReadonlySet<number>): { cost: bigint; isApart: boolean[] } {
  // All that keeps water is node 0, the work node 1; a tank is held back from the work as if from there, or relieved.

  const node = new Int32Array(blocks.count);
  let nodes = 2;
  for (let b = 0; b < blocks.count; b++) node[b] = wetBlocks.has(b) ? 0 : work.has(b) ? 1 : nodes++;
  const links: CutLink[] = blocks.gates.map((g) => ({ a: node[g.a]!, b: node[g.b]!, cost: g.cost }));
  for (const [b, of] of blocks.tankCost.entries()) if (of > 0n) links.push({ a: 0, b: node[b]!, cost: of });
  const { cost, isOnSinkSide } = minCut(nodes, links, 0, 1);
  return { cost, isApart: Array.from(node, (n) => !isOnSinkSide[n]) };
}
