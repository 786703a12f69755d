import { MAX_JOINTS } from '../query.ts';
import { baseDollars, baseShare, FIGURE, STRIDE } from './figures.ts';
import { afterTable, askedOf, HAS, HAS_STATES } from './has.ts';
import { Heap } from './heap.ts';
import { lowerBounds } from './lower-bounds.ts';
import { codeCount, codeNumber, pairTable } from './pair-table.ts';
import { givenBy, type Pricing } from './pricing.ts';
import type { Setting } from './setting.ts';

/** What every chain must have in the end, as bits. */
export function required(s: Setting): number {
  const { need } = s;
  return (
    (need.minLengthIn === null ? 0 : HAS.line) |
    (need.stop ? HAS.stop : 0) |
    (need.arrestor ? HAS.arrestor : 0) |
    (need.check ? HAS.check : 0) |
    (need.stopLeak ? HAS.stopLeak : 0) |
    (need.leaveOutlet ? HAS.outlet : 0) |
    (s.rejoin === null ? 0 : HAS.rejoined)
  );
}

/**
 * The least that a chain can still cost from an open end.
 *
 * Searches backwards from `to`, and no further than it is asked to, led by what it costs at least to come from `from` (A*). Open ends (an outlet
 * and what the chain has so far) and entries (an inlet and what it has) are settled in the order of the whole chain's cost. The bound leaves
 * aside the number of joints, parts used twice, loose pieces that run out, and two fixed taper ends, so it never says too much.
 */
export class ToGo {
  private readonly states: number[];
  private readonly stateOf: Int8Array;
  private readonly count: number;
  /** Nodes: open ends by code x states + state, then entries likewise. */
  private readonly entries: number;
  private readonly cost: Float64Array;
  private readonly done: Uint8Array;
  private readonly heap = new Heap();
  private readonly after: Int8Array;
  private readonly must: number;
  private readonly useful: number;
  private readonly from: number;
  private readonly come: (node: number) => number;
  private readonly partners = pairTable().partners;
  private readonly share: number;
  /** By what a piece brings x states + the state it leads to. */
  private readonly leadFrom: number[][] = [];
  /** A whole chain of more than this is not looked for yet. */
  private cap = Number.POSITIVE_INFINITY;
  /** Open ends settled whose dearer ways are not gone over yet: the node and where to go on. */
  private unfinished: { node: number; next: number }[] = [];

  constructor(
    private readonly s: Setting,
    private readonly p: Pricing,
    marginal: boolean,
  ) {
    this.after = afterTable(askedOf(s));
    this.must = required(s);
    this.useful = this.must | (this.must & (HAS.stop | HAS.arrestor | HAS.stopLeak) ? HAS.line : 0);
    this.states = [...Array(HAS_STATES).keys()].filter((has) => (has & ~this.useful) === 0);
    this.stateOf = Int8Array.from({ length: HAS_STATES }, (_, has) => this.states.indexOf(has & this.useful));
    this.count = this.states.length;
    this.entries = codeCount * this.count;
    this.cost = new Float64Array(2 * this.entries).fill(Number.POSITIVE_INFINITY);
    this.done = new Uint8Array(2 * this.entries);
    this.from = codeNumber(s.from);
    this.share = baseShare(s.rules.weights.minuteDollars);
    this.come = cameFor(s, marginal, { from: this.from, entries: this.entries, count: this.count, states: this.states });
    const to = codeNumber(s.to);
    for (let state = 0; state < this.count; state++)
      if ((this.states[state]! & this.must) === this.must) this.backOverJoints(to, state, 0, p.barred.to);
  }

  /** Exact up to the cost that `settleUpTo` was called with; beyond it a lower bound that is past that cost as well. */
  bound(code: number, has: number): number {
    const node = this.nodeOf(code, has);
    if (this.done[node]) return this.cost[node]!;
    const whole = this.unfinished.length > 0 ? Math.min(this.heap.least, this.cap + PAST) : this.heap.least;
    return Math.max(0, whole - this.come(node));
  }

  /** The least cost to go of one open end; null when it is not settled under the cap. */
  settled(code: number, has: number): number | null {
    const node = this.nodeOf(code, has);
    return this.done[node] ? this.cost[node]! : null;
  }

  /** A whole chain costs at least this. */
  get least(): number {
    return this.heap.least;
  }

  /** Nothing is left to settle, whatever the cap. */
  get exhausted(): boolean {
    return this.heap.size === 0 && this.unfinished.length === 0;
  }

  /** Settles every node that a whole chain of at most this cost may pass. */
  settleUpTo(dollars: number): void {
    this.cap = dollars;
    const again = this.unfinished;
    this.unfinished = [];
    for (const { node, next } of again) this.backOverWays(node, next);
    while (this.heap.least <= dollars) this.step();
  }

  /** The same bound by joints left, dear to make: for the rare search that the number of joints stops. */
  byJoints(): (code: number, has: number, jointsLeft: number) => number {
    return layered(this.s, this.p, { states: this.states, stateOf: this.stateOf, must: this.must });
  }

  private nodeOf(code: number, has: number): number {
    return code * this.count + this.stateOf[has]!;
  }

  private step(): void {
    const node = this.heap.pop();
    if (this.done[node]) return;
    this.done[node] = 1;
    if (node < this.entries) this.backOverWays(node, this.s.index.ways.startOut[Math.floor(node / this.count)]!);
    else {
      const place = node - this.entries;
      this.backOverJoints(Math.floor(place / this.count), place % this.count, this.cost[node]!);
    }
  }

  private reach(node: number, at: number): void {
    if (at >= this.cost[node]! || this.done[node]) return;
    const whole = at + this.come(node);
    if (whole === Number.POSITIVE_INFINITY) return;
    this.cost[node] = at;
    this.heap.push(whole, node);
  }

  /** From an open end to the entries of the parts that end so, cheap ones first, no dearer than the cap allows. */
  private backOverWays(node: number, start: number): void {
    const { p } = this;
    const { ways } = this.s.index;
    const open = Math.floor(node / this.count);
    const state = node % this.count;
    const at = this.cost[node]!;
    const room = (this.cap - at) / this.share;
    for (let i = start; i < ways.startOut[open + 1]!; i++) {
      const base = baseDollars(ways.outRow, i * STRIDE);
      if (base > room) {
        this.unfinished.push({ node, next: i });
        return;
      }
      const entry = ways.outInCode[i]!;
      const least = at + base * this.share;
      // A plain piece leads from a state to the same: no other has to be looked at.
      const plain = givenBy(ways.outRow[i * STRIDE + FIGURE.is]!) === 0 && !ways.outSpare[i];
      if (plain ? this.cost[this.entries + entry * this.count + state]! <= least : !this.mayImprove(entry, least)) continue;
      if (ways.outSpare[i]) {
        const way = ways.byOut[i]!;
        const choices = p.choiceCount(way);
        const first = p.firstChoice(way);
        for (let choice = first; choice < first + choices; choice++) this.backOverPiece(entry, p.brings(choice), p.dollars(choice), state, at);
      } else {
        const dollars = p.price(ways.outRow, i * STRIDE, ways.outPart[i]!, entry, open);
        if (dollars < Number.POSITIVE_INFINITY) this.backOverPiece(entry, p.brought, dollars, state, at);
      }
    }
  }

  /** Could an entry be reached for less than so far, were it for this? */
  private mayImprove(entry: number, at: number): boolean {
    const node = this.entries + entry * this.count;
    for (let state = 0; state < this.count; state++) if (this.cost[node + state]! > at) return true;
    return false;
  }

  private backOverPiece(entry: number, brings: number, dollars: number, state: number, at: number): void {
    for (const before of this.befores(brings, state)) this.reach(this.entries + entry * this.count + before, at + dollars);
  }

  /** States from which a piece that brings this leads to a state: mostly that state alone. */
  private befores(brings: number, state: number): number[] {
    const key = brings * this.count + state;
    const known = this.leadFrom[key];
    if (known) return known;
    const leads = (has: number) => {
      const next = this.after[brings * HAS_STATES + has]!;
      return next >= 0 && this.stateOf[next] === state;
    };
    const found = [...this.states.keys()].filter((before) => leads(this.states[before]!));
    this.leadFrom[key] = found;
    return found;
  }

  /** From an entry to the open ends that a joint brings there. */
  private backOverJoints(entry: number, state: number, at: number, barred: Uint8Array | null = null): void {
    const { p, count } = this;
    const { ways } = this.s.index;
    for (const open of this.partners[entry]!) {
      if (barred?.[open]) continue;
      if (open !== this.from && ways.startOut[open] === ways.startOut[open + 1]) continue;
      const joint = p.jointCost(open, entry);
      if (joint < Number.POSITIVE_INFINITY) this.reach(open * count + state, at + joint);
    }
  }
}

/** A way left for later makes a chain dearer than the cap by at least nothing: this stands for it, dollars. */
const PAST = 1e-6;

/** What a chain has behind it that leads the search. */
const LEADING = [HAS.line, HAS.stop, HAS.arrestor, HAS.check, HAS.stopLeak];

/**
 * What it costs at least to come from `from` to a node, by the bounds of the whole catalogue; an end reached with a line has one behind it.
 */
function cameFor(s: Setting, marginal: boolean, k: { from: number; entries: number; count: number; states: number[] }): (node: number) => number {
  const { partners } = pairTable();
  const bounds = lowerBounds(s.ledBy, s.rules.weights, s.rates, marginal);
  const row = (matrix: Float64Array) => matrix.subarray(k.from * codeCount, (k.from + 1) * codeCount);
  const any = row(bounds.any);
  const through = new Map(LEADING.filter((bit) => k.states.some((has) => has & bit)).map((bit) => [bit, row(bounds.through(bit))]));
  /** By state: to each open end. */
  const toOpen = k.states.map((has) => {
    const leads = [...through].filter(([bit]) => has & bit).map(([, costs]) => costs);
    return any.map((cost, open) => Math.max(cost, ...leads.map((costs) => costs[open]!)));
  });
  const toEntry = new Float64Array(k.entries).fill(Number.NaN);
  return (node) => {
    const place = node % k.entries;
    const code = Math.floor(place / k.count);
    const costs = toOpen[place % k.count]!;
    if (node < k.entries) return costs[code]!;
    if (Number.isNaN(toEntry[place]!)) {
      let least = Number.POSITIVE_INFINITY;
      for (const open of partners[code]!) if (costs[open]! < least) least = costs[open]!;
      toEntry[place] = least;
    }
    return toEntry[place]!;
  };
}

/** Least costs to go for each number of joints left, by going over everything once for each. */
function layered(
  s: Setting,
  p: Pricing,
  k: { states: number[]; stateOf: Int8Array; must: number },
): (code: number, has: number, left: number) => number {
  const { ways } = s.index;
  const { partners } = pairTable();
  const { states, stateOf, must } = k;
  const after = afterTable(askedOf(s));
  const count = states.length;
  const to = codeNumber(s.to);
  const far = Number.POSITIVE_INFINITY;
  const layers: Float64Array[] = [];
  for (let left = 1; left <= MAX_JOINTS; left++) {
    const before = layers.at(-1);
    const entering = new Float64Array(codeCount * count).fill(far);
    if (before) {
      const over = (way: number, brings: number, dollars: number) => {
        for (let state = 0; state < count; state++) {
          const next = after[brings * HAS_STATES + states[state]!]!;
          if (next < 0) continue;
          const at = ways.inCode[way]! * count + state;
          const total = dollars + before[ways.outCode[way]! * count + stateOf[next]!]!;
          if (total < entering[at]!) entering[at] = total;
        }
      };
      for (let way = 0; way < ways.count; way++) {
        if (ways.spare[way]) {
          const choices = p.choiceCount(way);
          const first = p.firstChoice(way);
          for (let choice = first; choice < first + choices; choice++) over(way, p.brings(choice), p.dollars(choice));
        } else {
          const dollars = p.price(ways.row, way * STRIDE, ways.part[way]!, ways.inCode[way]!, ways.outCode[way]!);
          if (dollars < far) over(way, p.brought, dollars);
        }
      }
    }
    const now = new Float64Array(codeCount * count).fill(far);
    for (let open = 0; open < codeCount; open++) {
      for (const entry of partners[open]!) {
        const joint = p.jointCost(open, entry);
        if (joint === far) continue;
        for (let state = 0; state < count; state++) {
          const rest = Math.min(entering[entry * count + state]!, entry === to && (states[state]! & must) === must ? 0 : far);
          const total = joint + rest;
          if (total < now[open * count + state]!) now[open * count + state] = total;
        }
      }
    }
    layers.push(now);
  }
  return (code, has, left) => (left < 1 ? far : layers[left - 1]![code * count + stateOf[has]!]!);
}
