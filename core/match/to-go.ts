import type { EndCode } from '../ends/code.ts';
import { HAS, type Option } from './options.ts';
import { MAX_JOINTS } from './query.ts';
import { callbackRateOf, jointAllowed, looseShort, type Setting } from './setting.ts';

/** A joint as the search sees it: dollars, and whether a loose piece of it is missing on the van. */
export interface JointCost {
  cost: number;
  short: boolean;
  taper: boolean;
  loose: string[];
}

/** Cost of joining two ends, or null when they may not be joined. */
export function jointCosts(s: Setting, marginal: boolean): (a: EndCode, b: EndCode) => JointCost | null {
  const seen = new Map<string, JointCost | null>();
  return (a, b) => {
    const key = `${a} ${b}`;
    const known = seen.get(key);
    if (known !== undefined) return known;
    const mating = s.mating(a, b);
    const cents = mating.loose.reduce((sum, code) => sum + (s.loosePrice.get(code) ?? 0), 0);
    const cost = jointAllowed(mating, s.need, marginal)
      ? {
          cost: callbackRateOf(mating) * s.rules.weights.callbackDollars + cents / 100,
          short: mating.loose.some((code) => looseShort(s, code, 1)),
          taper: mating.seal === 'taper' || mating.seal === 'taper-plastic',
          loose: mating.loose,
        }
      : null;
    seen.set(key, cost);
    return cost;
  };
}

/** What every chain must have in the end, as bits. */
export function required(s: Setting): number {
  const { need } = s;
  return (
    (need.minLengthIn === null ? 0 : HAS.line) |
    (need.stop ? HAS.stop : 0) |
    (need.arrestor ? HAS.arrestor : 0) |
    (need.check ? HAS.check : 0) |
    (s.rejoin === null ? 0 : HAS.rejoined)
  );
}

/** What a chain has after this option; null when the option may not follow what it has. */
export function after(has: number, option: Option): number | null {
  if (option.line && has & HAS.line) return null;
  if (option.gives.rejoined && has & HAS.rejoined) return null;
  let next = has;
  if (option.gives.stop && !(has & HAS.line)) next |= HAS.stop;
  if (option.line) next |= HAS.line;
  if (option.gives.arrestor) next |= HAS.arrestor;
  if (option.gives.check) next |= HAS.check;
  if (option.gives.rejoined) next |= HAS.rejoined;
  return next;
}

/**
 * The least a chain can still cost from an open end, by joints left: a lower bound, exact but for parts used twice, loose pieces run out,
 * line after an arrestor, and two fixed taper ends.
 *
 * Worked out backwards from `to`, joint by joint, over what the chain has (bits).
 */
export function costsToGo(s: Setting, options: Option[], joint: (a: EndCode, b: EndCode) => JointCost | null) {
  const { tripDollars } = s.rules.weights;
  const must = required(s);
  const outCodes = [...new Set([s.from, ...options.map((o) => o.outCode)])];
  const inCodes = [...new Set(options.map((o) => o.inCode))];
  const codeAt = new Map(outCodes.map((c, i) => [c, i]));
  const inAt = new Map(inCodes.map((c, i) => [c, i]));
  const edges = outCodes.map((out) =>
    inCodes.flatMap((code, i) => {
      const cost = joint(out, code);
      return cost ? [{ to: i, cost }] : [];
    }),
  );
  const last = outCodes.map((out) => joint(out, s.to));
  const useful = must | HAS.line | (s.stock === null ? 0 : HAS.trip);
  const states = [...Array(64).keys()].filter((bits) => (bits & ~useful) === 0);
  const fee = (has: number, short: boolean) => (short && !(has & HAS.trip) ? tripDollars : 0);
  const layers: Float64Array[] = [];
  for (let left = 1; left <= MAX_JOINTS; left++) {
    const before = layers.at(-1);
    const now = new Float64Array(outCodes.length * 64).fill(Number.POSITIVE_INFINITY);
    const entering = new Float64Array(inCodes.length * 64).fill(Number.POSITIVE_INFINITY);
    if (before) {
      for (const has of states) {
        for (const o of options) {
          const next = after(has, o);
          if (next === null) continue;
          const bits = (next & useful) | (o.short ? HAS.trip : 0);
          const cost = o.cost + fee(has, o.short) + before[codeAt.get(o.outCode)! * 64 + bits]!;
          const at = inAt.get(o.inCode)! * 64 + has;
          if (cost < entering[at]!) entering[at] = cost;
        }
      }
    }
    outCodes.forEach((_, code) => {
      for (const has of states) {
        let best = Number.POSITIVE_INFINITY;
        const end = last[code];
        if (end && (has & must) === must) best = end.cost + fee(has, end.short);
        if (before) {
          for (const edge of edges[code]!) {
            const bits = has | (edge.cost.short ? HAS.trip : 0);
            const cost = edge.cost.cost + fee(has, edge.cost.short) + entering[edge.to * 64 + bits]!;
            if (cost < best) best = cost;
          }
        }
        now[code * 64 + has] = best;
      }
    });
    layers.push(now);
  }
  return (code: EndCode, has: number, jointsLeft: number): number => {
    if (jointsLeft < 1) return Number.POSITIVE_INFINITY;
    return layers[jointsLeft - 1]![codeAt.get(code)! * 64 + (has & useful)]!;
  };
}
