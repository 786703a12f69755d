import { MAX_JOINTS, SAME_DOLLARS } from '../query.ts';
import type { Step } from './build.ts';
import { Representatives } from './families.ts';
import { baseDollars, baseShare, FIGURE, IS, STRIDE } from './figures.ts';
import { afterTable, askedOf, HAS_STATES } from './has.ts';
import { Heap } from './heap.ts';
import { codeNumber, pairTable } from './pair-table.ts';
import { cutOf, lengthOf, Pricing } from './pricing.ts';
import { looseShort, type Setting } from './setting.ts';
import { required, ToGo } from './to-go.ts';

/** So many chains looked into without an end in sight: the number of joints is what stops them, and the dearer bound pays. */
const PATIENCE = 4000;

/** So many chains looked into for another that is not idle: what is left is found by leaving parts out. */
const IDLE_PATIENCE = 6000;

const NO_CHOICE = -1;

/** Nodes of the search: chains begun, one row each: its last piece and the row before it. */
class Nodes {
  size = 0;
  private room = 4096;
  choice = new Int32Array(this.room);
  before = new Int32Array(this.room);
  code = new Int16Array(this.room);
  has = new Uint8Array(this.room);
  joints = new Uint8Array(this.room);
  /** A joint that is not a taper, or a union: it can be put together. */
  turns = new Uint8Array(this.room);
  complete = new Uint8Array(this.room);
  cost = new Float64Array(this.room);

  add(choice: number, before: number, code: number, has: number, joints: number, turns: number, complete: number, cost: number): number {
    if (this.size === this.room) this.grow();
    const at = this.size++;
    this.choice[at] = choice;
    this.before[at] = before;
    this.code[at] = code;
    this.has[at] = has;
    this.joints[at] = joints;
    this.turns[at] = turns;
    this.complete[at] = complete;
    this.cost[at] = cost;
    return at;
  }

  private grow(): void {
    this.room *= 2;
    const wider = <T extends Int32Array | Int16Array | Uint8Array | Float64Array>(old: T): T => {
      const next = new (old.constructor as new (n: number) => T)(this.room);
      next.set(old as never);
      return next;
    };
    this.choice = wider(this.choice);
    this.before = wider(this.before);
    this.code = wider(this.code);
    this.has = wider(this.has);
    this.joints = wider(this.joints);
    this.turns = wider(this.turns);
    this.complete = wider(this.complete);
    this.cost = wider(this.cost);
  }
}

/** The first guess at what the last chain wanted costs more than the best, a part of that one and no more than so many dollars; raised until it holds. */
const FIRST_CAP = { part: 0.3, dollars: 1, most: 18 };
const RAISE = 1.3;

const capOver = (best: number) => best + Math.min(best * FIRST_CAP.part + FIRST_CAP.dollars, FIRST_CAP.most);

/**
 * Hands out complete chains in the order of their cost, each as its steps.
 *
 * Best first over whole chains, guided by what is still to be paid at exactly, which is worked out backwards first. Both go no further than a
 * cap on the cost; where that leaves too few chains, both go on with a higher one, up to the limit given in dollars.
 *
 * With a stock in the setting a chain may take no more loose pieces than it covers.
 */
export class Search {
  private readonly p: Pricing;
  private readonly toGo: ToGo;
  private readonly must: number;
  private readonly after: Int8Array;
  private readonly from: number;
  private readonly to: number;
  private readonly share: number;
  private readonly partners = pairTable().partners;
  /** The only part that `to` can be reached from, by its place; null where there are several, or none. */
  private readonly onlyLast: number | null;
  private readonly representatives: Representatives | null;
  private readonly nodes = new Nodes();
  private readonly heap = new Heap();
  private byJoints: ReturnType<ToGo['byJoints']> | null = null;
  private cap = 0;
  /** A chain was left out because it costs more than the cap. */
  private capped = false;
  /** Chains handed out: what holds all their parts and costs more is idle, and its like are not gone on with. */
  private handedOut: { parts: number[]; cost: number }[] = [];
  /** Looked into since the last chain that was handed out. */
  private lookedIdle = 0;
  /** It gave up: other chains than those handed out may be left. */
  gaveUp = false;

  constructor(
    private readonly s: Setting,
    marginal: boolean,
    private readonly limit = Number.POSITIVE_INFINITY,
  ) {
    this.p = new Pricing(s, marginal);
    this.toGo = new ToGo(s, this.p, marginal);
    this.must = required(s);
    this.after = afterTable(askedOf(s));
    this.from = codeNumber(s.from);
    this.to = codeNumber(s.to);
    this.share = baseShare(s.rules.weights.minuteDollars);
    this.onlyLast = this.findOnlyLast();
    this.representatives = s.byFamily ? new Representatives(s, this.p) : null;
  }

  /**
   * @param begin called before the chains of a new cap come, from the best on
   * @param take  gets a chain's steps and its cost; answers whether more are wanted
   */
  run(begin: () => void, take: (steps: Step[], cost: number) => boolean): void {
    const { toGo } = this;
    this.cap = capOver(toGo.least);
    let best = toGo.settled(this.from, 0);
    let raise = RAISE;
    while (best === null && !toGo.exhausted) {
      toGo.settleUpTo(this.cap);
      best = toGo.settled(this.from, 0);
      if (best !== null) break;
      if (this.cap >= this.limit) return;
      // The longer nothing is found, the likelier there is nothing: in ever larger steps.
      this.cap *= raise;
      raise *= RAISE;
    }
    if (best === null) return;
    for (this.cap = Math.max(this.cap, capOver(best)); ; this.cap *= RAISE) {
      toGo.settleUpTo(this.cap);
      this.capped = false;
      begin();
      if (this.runUnderCap(take) || this.gaveUp || !this.capped || this.cap >= this.limit) return;
    }
  }

  /** @returns whether as many chains were found as are wanted */
  private runUnderCap(take: (steps: Step[], cost: number) => boolean): boolean {
    const { nodes, heap } = this;
    nodes.size = 0;
    heap.clear();
    this.handedOut = [];
    this.offer(nodes.add(NO_CHOICE, -1, this.from, 0, 0, 0, 0, 0));
    for (let looked = 0; heap.size > 0; looked++) {
      const at = heap.pop();
      this.lookedIdle++;
      if (this.lookedIdle > IDLE_PATIENCE && this.handedOut.length > 0) {
        this.gaveUp = true;
        return false;
      }
      if (this.isDominated(at)) continue;
      if (nodes.complete[at]) {
        if (!take(this.stepsOf(at), nodes.cost[at]!)) return true;
        this.handedOut.push({ parts: this.partsOf(at), cost: nodes.cost[at]! });
        this.lookedIdle = 0;
        // Two ends that join by themselves leave every other chain idle.
        if (nodes.joints[at] === 1) return true;
        continue;
      }
      this.finish(at);
      // The only part that leads to the end stands in it already, and none stands in a chain twice.
      const isSpent = this.onlyLast !== null && this.uses(at, this.onlyLast);
      if (nodes.joints[at]! + 2 <= MAX_JOINTS && !isSpent) this.goOn(at);
      if (looked === PATIENCE && !this.byJoints) this.countJoints();
    }
    return false;
  }

  /** Does it hold all the parts of a chain that costs less? Then whatever becomes of it does too. */
  private isDominated(at: number): boolean {
    if (this.handedOut.length === 0) return false;
    const total = this.nodes.cost[at]! + this.stillOf(at);
    const cheaper = this.handedOut.filter((chain) => chain.cost < total - SAME_DOLLARS);
    if (cheaper.length === 0) return false;
    const own = this.partsOf(at);
    return cheaper.some(({ parts }) => parts.every((part) => own.includes(part)));
  }

  /** Parts of a chain begun, last first. */
  private partsOf(at: number): number[] {
    const { nodes, p } = this;
    const out: number[] = [];
    for (let row = nodes.complete[at] ? nodes.before[at]! : at; nodes.choice[row] !== NO_CHOICE; row = nodes.before[row]!) {
      out.push(this.s.index.ways.part[p.wayOf(nodes.choice[row]!)]!);
    }
    return out;
  }

  private findOnlyLast(): number | null {
    const { p } = this;
    const { ways } = this.s.index;
    let only: number | null = null;
    for (const open of this.partners[this.to]!) {
      if (p.barred.to?.[open] || p.jointCost(open, this.to) === Number.POSITIVE_INFINITY) continue;
      for (let i = ways.startOut[open]!; i < ways.startOut[open + 1]!; i++) {
        const way = ways.byOut[i]!;
        const part = ways.part[way]!;
        if (part === only) continue;
        const mayBe = ways.spare[way]
          ? p.choiceCount(way) > 0
          : p.price(ways.row, way * STRIDE, part, ways.inCode[way]!, open) < Number.POSITIVE_INFINITY;
        if (!mayBe) continue;
        if (only !== null) return null;
        only = part;
      }
    }
    return only;
  }

  private stillOf(at: number): number {
    const { nodes } = this;
    if (nodes.complete[at]) return 0;
    const bound = this.toGo.bound(nodes.code[at]!, nodes.has[at]!);
    return this.byJoints ? Math.max(bound, this.byJoints(nodes.code[at]!, nodes.has[at]!, MAX_JOINTS - nodes.joints[at]!)) : bound;
  }

  private offer(at: number): void {
    const total = this.nodes.cost[at]! + this.stillOf(at);
    if (total <= this.cap) this.heap.push(total, at);
    else if (total < Number.POSITIVE_INFINITY) this.capped = true;
  }

  /** From here on the number of joints left counts in every bound. */
  private countJoints(): void {
    this.byJoints = this.toGo.byJoints();
    const rows = this.heap.all();
    this.heap.clear();
    for (const row of rows) this.offer(row);
  }

  /** Ends the chain at `to`, where it has all that is asked of it and can be put together. */
  private finish(at: number): void {
    const { nodes, p } = this;
    if ((nodes.has[at]! & this.must) !== this.must) return;
    const first = nodes.choice[at] === NO_CHOICE;
    if (p.barred.to?.[nodes.code[at]!] || (first && p.barred.from?.[this.to])) return;
    const joint = p.jointCost(nodes.code[at]!, this.to);
    if (joint === Number.POSITIVE_INFINITY) return;
    if (first || nodes.turns[at] || !p.isTaper(nodes.code[at]!, this.to)) this.extend(at, this.to, NO_CHOICE, joint, 0);
  }

  /** Adds every part that may come next. */
  private goOn(at: number): void {
    const { p } = this;
    const { ways } = this.s.index;
    const open = this.nodes.code[at]!;
    const barred = this.nodes.choice[at] === NO_CHOICE ? p.barred.from : null;
    const isUsed = (part: number) => this.uses(at, part);
    for (const entry of this.partners[open]!) {
      if (barred?.[entry]) continue;
      const joint = p.jointCost(open, entry);
      if (joint === Number.POSITIVE_INFINITY) continue;
      const room = (this.cap - this.nodes.cost[at]! - joint) / this.share;
      for (let way = ways.startIn[entry]!; way < ways.startIn[entry + 1]!; way++) {
        if (baseDollars(ways.row, way * STRIDE) > room) {
          this.capped = true;
          break;
        }
        const part = ways.part[way]!;
        if (this.representatives?.isStoodFor(way, isUsed)) continue;
        if (ways.spare[way]) {
          const choices = p.choiceCount(way);
          if (choices === 0 || this.uses(at, part)) continue;
          const first = p.firstChoice(way);
          for (let choice = first; choice < first + choices; choice++) this.extend(at, entry, choice, joint + p.dollars(choice), p.brings(choice));
        } else {
          const dollars = p.price(ways.row, way * STRIDE, part, entry, ways.outCode[way]!);
          if (dollars < Number.POSITIVE_INFINITY && !this.uses(at, part)) this.extend(at, entry, way, joint + dollars, p.brought);
        }
      }
    }
  }

  /** Adds a joint at `entry` and the choice behind it; without a choice the chain is complete. */
  private extend(at: number, entry: number, choice: number, dollars: number, brings: number): void {
    const { nodes, p } = this;
    const { ways } = this.s.index;
    const had = nodes.has[at]!;
    const last = choice === NO_CHOICE;
    const has = last ? had : this.after[brings * HAS_STATES + had]!;
    if (has < 0) return;
    const open = nodes.code[at]!;
    if (this.s.stock !== null && this.runsOut(at, open, entry, choice)) return;
    const cost = nodes.cost[at]! + dollars;
    const way = last ? -1 : p.wayOf(choice);
    const code = last ? this.to : ways.outCode[way]!;
    const total = cost + (last ? 0 : this.toGo.bound(code, has));
    if (total > this.cap) {
      if (total < Number.POSITIVE_INFINITY) this.capped = true;
      return;
    }
    const union = !last && (ways.row[way * STRIDE + FIGURE.is]! & IS.union) !== 0;
    const turns = nodes.turns[at] || union || !p.isTaper(open, entry) ? 1 : 0;
    this.offer(nodes.add(choice, at, code, has, nodes.joints[at]! + 1, turns, last ? 1 : 0, cost));
  }

  private uses(at: number, part: number): boolean {
    const { nodes, p } = this;
    for (let row = at; nodes.choice[row] !== NO_CHOICE; row = nodes.before[row]!) {
      if (this.s.index.ways.part[p.wayOf(nodes.choice[row]!)] === part) return true;
    }
    return false;
  }

  /** Is a loose piece missing on the van once a joint and a choice are added to what the chain takes already? */
  private runsOut(at: number, open: number, entry: number, choice: number): boolean {
    const { p, s } = this;
    const more = [...p.jointLoose(open, entry), ...(choice === NO_CHOICE ? [] : p.looseOf(choice))];
    if (more.length === 0) return false;
    const all = [...this.looseOf(at), ...more];
    return more.some((code) => looseShort(s, code, all.filter((c) => c === code).length));
  }

  /** Loose pieces of a chain begun. */
  private looseOf(at: number): string[] {
    const { nodes, p } = this;
    const out: string[] = [];
    for (let row = at; nodes.choice[row] !== NO_CHOICE; row = nodes.before[row]!) {
      const choice = nodes.choice[row]!;
      out.push(...p.jointLoose(nodes.code[nodes.before[row]!]!, this.s.index.ways.inCode[p.wayOf(choice)]!), ...p.looseOf(choice));
    }
    return out;
  }

  private stepsOf(at: number): Step[] {
    const { s, p, nodes } = this;
    const { ways, parts } = s.index;
    const out: Step[] = [];
    for (let row = nodes.before[at]!; nodes.choice[row] !== NO_CHOICE; row = nodes.before[row]!) {
      const choice = nodes.choice[row]!;
      const way = p.wayOf(choice);
      const part = parts[ways.part[way]!]!;
      out.push({
        part,
        inEnd: part.ends[ways.inEnd[way]!]!,
        outEnd: part.ends[ways.outEnd[way]!]!,
        branches: p.branchesOf(choice),
        lengthIn: lengthOf(s, part),
        cutLengthIn: cutOf(s, part),
      });
    }
    return out.reverse();
  }
}
