import type { HouseRules } from '../../house/index.ts';
import { remember } from '../../units/index.ts';
import type { SealRates } from '../seal-rates.ts';
import type { PartIndex } from './catalogue-index.ts';
import { FIGURE, IS, STRIDE } from './figures.ts';
import { HAS } from './has.ts';
import { codeCount, MARGINAL, pairTable } from './pair-table.ts';
import { MARGINAL_FACTOR } from './setting.ts';

/** Between two open ends, by number of the first x number of codes + the second: dollars that no chain gets by with less of. */
export interface LowerBounds {
  any: Float64Array;
  /** By way of a part that brings this (a bit of what a chain has): a line, a stop, an arrestor, a check, a stop-leak device. */
  through: (bit: number) => Float64Array;
}

/** The house's own and a few that are tried out, with and without marginal joints. */
const MOST_KEPT = 6;

const known = new WeakMap<PartIndex, Map<string, LowerBounds>>();

/**
 * The least it costs to get from any open end to any other, whatever is asked of the chain: every part suits, nothing is cut, capped or missing,
 * loose pieces are free. What a query asks can only cost more, so its search may be led by these.
 *
 * With `marginal`, joints that only may hold are counted too, at their rate.
 *
 * Worked out once for a catalogue and the weights of its house, and kept.
 *
 * @source all shortest paths, Floyd, Comm. ACM 5 (1962)
 */
export function lowerBounds(index: PartIndex, weights: HouseRules['weights'], rates: SealRates, marginal = false): LowerBounds {
  const key = `${weights.callbackDollars} ${weights.minuteDollars} ${marginal} ${rates.key}`;
  const of = known.get(index) ?? new Map<string, LowerBounds>();
  known.set(index, of);
  return remember(of, MOST_KEPT, key, () => makeBounds(index, weights, rates, marginal));
}

const FEATURES: Record<number, number> = {
  [HAS.line]: IS.line,
  [HAS.stop]: IS.stop,
  [HAS.arrestor]: IS.arrestor,
  [HAS.check]: IS.check,
  [HAS.stopLeak]: IS.stopLeak,
};

function makeBounds(index: PartIndex, weights: HouseRules['weights'], rates: SealRates, marginal: boolean): LowerBounds {
  const steps = (being: number) => stepMatrix(index, weights, rates, being, marginal);
  const any = steps(0);
  const n = codeCount;
  for (let a = 0; a < n; a++) any[a * n + a] = 0;
  for (let k = 0; k < n; k++) {
    for (let a = 0; a < n; a++) {
      const first = any[a * n + k]!;
      if (first < Number.POSITIVE_INFINITY) minPlus(any, a * n, first, any, k * n);
    }
  }
  const made = new Map<number, Float64Array>();
  const through = (bit: number): Float64Array => {
    const found = made.get(bit) ?? product(any, product(steps(FEATURES[bit] ?? 0), any));
    made.set(bit, found);
    return found;
  };
  return { any, through };
}

/** Dollars of one joint and one part from open end to open end, by parts that are all of this (bits). */
function stepMatrix(index: PartIndex, weights: HouseRules['weights'], rates: SealRates, being: number, marginal: boolean): Float64Array {
  const { ways } = index;
  const sealRates = rates.byPlace;
  const { partners, verdict, seal } = pairTable();
  const n = codeCount;
  const out = new Float64Array(n * n).fill(Number.POSITIVE_INFINITY);
  for (let way = 0; way < ways.count; way++) {
    const at = way * STRIDE;
    if ((ways.row[at + FIGURE.is]! & being) !== being) continue;
    const dollars = ways.row[at + FIGURE.priceCents]! / 100 + ways.row[at + FIGURE.minutes]! * weights.minuteDollars;
    const entry = ways.inCode[way]!;
    for (const open of partners[entry]!) {
      const pair = open * n + entry;
      const isMarginal = verdict[pair] === MARGINAL;
      if (isMarginal && !marginal) continue;
      const total = dollars + sealRates[seal[pair]!]! * (isMarginal ? MARGINAL_FACTOR : 1) * weights.callbackDollars;
      const step = open * n + ways.outCode[way]!;
      if (total < out[step]!) out[step] = total;
    }
  }
  return out;
}

/** row[i] = min(row[i], first + by[i]). */
function minPlus(row: Float64Array, rowAt: number, first: number, by: Float64Array, byAt: number): void {
  for (let i = 0; i < codeCount; i++) {
    const total = first + by[byAt + i]!;
    if (total < row[rowAt + i]!) row[rowAt + i] = total;
  }
}

function product(a: Float64Array, b: Float64Array): Float64Array {
  const n = codeCount;
  const out = new Float64Array(n * n).fill(Number.POSITIVE_INFINITY);
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < n; k++) {
      const first = a[i * n + k]!;
      if (first < Number.POSITIVE_INFINITY) minPlus(out, i * n, first, b, k * n);
    }
  }
  return out;
}
