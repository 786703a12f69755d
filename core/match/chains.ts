import type { EndCode } from '../ends/code.ts';
import { parseEnd } from '../ends/code.ts';
import { type Reason, reason } from '../reason.ts';
import { buildChain } from './build.ts';
import { Heap } from './heap.ts';
import { HAS, type Option, optionsOf } from './options.ts';
import { ARRESTOR_REACH_IN, type Chain, MAX_JOINTS, type MatchQuery, type MatchResult } from './query.ts';
import { looseShort, type Setting, settingOf } from './setting.ts';
import { unsuited } from './suits.ts';
import { after, costsToGo, type JointCost, jointCosts, required } from './to-go.ts';
import { explainUnreachable } from './unreachable.ts';

/** Totals closer than this are equal: dollars. */
const SAME_DOLLARS = 1e-9;

const MAX_REFUSED = 20;

/**
 * The best ways to join two ends, by the money expected to be spent.
 *
 * Exact: no chain of at most 7 joints that obeys the rules costs less than those given. Every joint seals; only when no such chain exists are
 * chains with marginal joints given, and they say so. Never a false start, never a saddle valve.
 *
 * @throws InputError (EndCodeError) for codes, parts, lengths or weights that do not read
 */
export function matchChains(q: MatchQuery): MatchResult {
  const s = settingOf(q);
  const refused = refusedParts(s);
  let chains = search(s, false);
  if (chains.length === 0) chains = search(s, true);
  if (chains.length > 0) return { chains, refused };
  return { chains, refused, unreachable: explainUnreachable(s, q, (other) => search(settingOf({ ...other, k: 1 }), true).length > 0) };
}

interface Node {
  code: EndCode;
  has: number;
  joints: number;
  cost: number;
  option: Option | null;
  before: Node | null;
  loose: string[];
  /** Line since the last arrestor, inches. */
  sinceArrestorIn: number;
  /** A joint that is not a taper, or a union. */
  canTurn: boolean;
  done: boolean;
}

/** Best first over whole paths, guided by what is still to be paid at least: what comes out complete comes out in order of its cost. */
function search(s: Setting, marginal: boolean): Chain[] {
  const usable = s.index.parts.map((part) => unsuited(part, s.need).length === 0);
  const options = cheapest(s.index.traversals.filter((t) => usable[t.part]).flatMap((t) => optionsOf(s, t, marginal)));
  const joint = jointCosts(s, marginal);
  const toGo = costsToGo(s, options, joint);
  const byInCode = groupBy(options);
  const must = required(s);
  const heap = new Heap<Node>();
  const start: Node = {
    code: s.from,
    has: 0,
    joints: 0,
    cost: 0,
    option: null,
    before: null,
    loose: [],
    sinceArrestorIn: 0,
    canTurn: false,
    done: false,
  };
  push(heap, start, toGo(start.code, 0, MAX_JOINTS));
  const found = new Map<string, Chain>();
  let worst = Number.POSITIVE_INFINITY;
  for (let top = heap.pop(); top; top = heap.pop()) {
    if (top.key > worst + SAME_DOLLARS) break;
    const node = top.item;
    if (node.done) {
      const steps = stepsOf(node);
      const key = steps.map((o) => `${o.part.id}:${o.inCode}>${o.outCode}`).join(' ');
      if (found.has(key)) continue;
      found.set(key, buildChain(s, steps));
      if (found.size === s.k) worst = top.key;
      continue;
    }
    const end = joint(node.code, s.to);
    if (end && (node.has & must) === must && (node.option === null || node.canTurn || !end.taper)) {
      push(heap, extend(s, node, end, null), 0);
    }
    if (node.joints + 2 > MAX_JOINTS) continue;
    for (const [inCode, group] of byInCode) {
      const into = joint(node.code, inCode);
      if (!into) continue;
      for (const option of group) {
        if (after(node.has, option) === null || uses(node, option.part.id)) continue;
        const next = extend(s, node, into, option);
        push(heap, next, toGo(next.code, next.has, MAX_JOINTS - next.joints));
      }
    }
  }
  return [...found.values()].sort(byCost).slice(0, s.k);
}

function push(heap: Heap<Node>, node: Node, still: number): void {
  if (still < Number.POSITIVE_INFINITY) heap.push(node.cost + still, node);
}

/** Adds a joint, and the part behind it; without a part the chain is complete. */
function extend(s: Setting, node: Node, into: JointCost, option: Option | null): Node {
  const loose = [...into.loose, ...(option?.loose ?? [])];
  const all = loose.length > 0 ? [...node.loose, ...loose] : node.loose;
  let has = option ? (after(node.has, option) as number) : node.has;
  let cost = node.cost + into.cost + (option?.cost ?? 0);
  if (!(has & HAS.trip) && (into.short || option?.short || loose.some((code) => looseShort(s, code, count(all, code))))) {
    has |= HAS.trip;
    cost += s.rules.weights.tripDollars;
  }
  const sinceArrestorIn = option === null || option.gives.arrestor ? 0 : node.sinceArrestorIn + option.lengthIn;
  if (option && has & HAS.arrestor && sinceArrestorIn > ARRESTOR_REACH_IN) has &= ~HAS.arrestor;
  return {
    code: option ? option.outCode : s.to,
    has,
    joints: node.joints + 1,
    cost,
    option,
    before: node,
    loose: all,
    sinceArrestorIn,
    canTurn: node.canTurn || !into.taper || (option?.union ?? false),
    done: option === null,
  };
}

function count(codes: string[], code: string): number {
  return codes.reduce((n, c) => n + (c === code ? 1 : 0), 0);
}

function uses(node: Node, part: string): boolean {
  for (let at: Node | null = node; at; at = at.before) if (at.option?.part.id === part) return true;
  return false;
}

function stepsOf(node: Node): Option[] {
  const out: Option[] = [];
  for (let at: Node | null = node; at; at = at.before) if (at.option) out.push(at.option);
  return out.reverse();
}

/** Ways through one part alike in their codes and in rejoining differ only in cost: the cheapest stands for them. */
function cheapest(options: Option[]): Option[] {
  const best = new Map<string, Option>();
  for (const o of options) {
    const key = `${o.part.id} ${o.inCode} ${o.outCode} ${o.gives.rejoined}`;
    const known = best.get(key);
    if (!known || o.cost < known.cost) best.set(key, o);
  }
  return [...best.values()];
}

function groupBy(options: Option[]): Map<EndCode, Option[]> {
  const groups = new Map<EndCode, Option[]>();
  for (const o of options) {
    const group = groups.get(o.inCode);
    if (group) group.push(o);
    else groups.set(o.inCode, [o]);
  }
  return groups;
}

/** Cheapest first; ties by fewer joints, then price, then part ids. */
export function byCost(a: Chain, b: Chain): number {
  const gap = a.cost.total - b.cost.total;
  if (Math.abs(gap) > SAME_DOLLARS) return gap;
  return a.joints.length - b.joints.length || a.priceCents - b.priceCents || compareIds(a.parts, b.parts);
}

function compareIds(a: string[], b: string[]): number {
  const [left, right] = [a.join(' '), b.join(' ')];
  return left < right ? -1 : left > right ? 1 : 0;
}

function refusedParts(s: Setting): MatchResult['refused'] {
  const out: MatchResult['refused'] = [];
  for (const part of [...s.index.parts].sort((a, b) => (a.id < b.id ? -1 : 1))) {
    const because: Reason[] = [
      ...unsuited(part, s.need),
      ...falseStarts(
        s,
        part.ends.map((e) => e.code),
      ),
    ];
    if (because.length > 0) out.push({ part: part.id, because });
    if (out.length === MAX_REFUSED) break;
  }
  return out;
}

function falseStarts(s: Setting, codes: EndCode[]): Reason[] {
  return [s.from, s.to].flatMap((side) =>
    [...new Set(codes)].flatMap((code) => {
      const mating = s.mating(side, code);
      if (mating.verdict !== 'false-start') return [];
      const text = mating.because[0]?.text ?? '';
      return [reason(mating.nearMiss ?? 'false-start', `On ${parseEnd(side).code}: ${text}`, { figures: { end: code } })];
    }),
  );
}
