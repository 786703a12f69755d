/** A transient whose figures are not known exactly: many runs over what they may be, and the band they make. */
import { finite } from '../errors.ts';
import type { Surge, SurgeQuestion } from './shape.ts';

/** From and to. */
export type Range = [low: number, high: number];

/** What is not known exactly: as figures, or as factors of the question's own. */
export interface Spread {
  closeMs?: Range;
  staticPsi?: Range;
  gpm?: Range;
  /** Of every pipe's modulus. */
  modulusTimes?: Range;
  /** Of the cushion's gas. */
  cushionTimes?: Range;
}

/** Of a run, what the band wants. */
export interface SweptRun {
  peakPsi: number;
  timesOver: number;
  cavity: boolean;
  /** At even times from 0 to the end. */
  psi: number[];
}

export interface Band {
  t: number[];
  low: number[];
  mid: number[];
  high: number[];
  peak: { low: number; mid: number; high: number };
  /** Runs that passed the limit, and that parted the column, as parts of all. */
  over: number;
  parted: number;
  runs: number;
}

const MOST_RUNS = 1000;
/** Times at which the band is told. */
const TIMES = 400;

/** Plastic's modulus falls with warmth and is higher for short pulses; metal's is known. @source typical: 0.7 to 1.6 times the catalogue's figure */
export const PLASTIC_TIMES: Range = [0.7, 1.6];

/**
 * Even spacing in any number of dimensions: each run's place in the ranges.
 *
 * @source the additive recurrence whose steps are powers of the root of x^(d+1) = x + 1
 */
function placesOf(dimensions: number, run: number): number[] {
  let root = 2;
  for (let i = 0; i < 60; i++) root = (1 + root) ** (1 / (dimensions + 1));
  return Array.from({ length: dimensions }, (_, k) => (0.5 + (run + 1) * (1 / root) ** (k + 1)) % 1);
}

/** The question of one run of a sweep. @param run from 0 */
export function sweptQuestion(base: SurgeQuestion, spread: Spread, run: number): SurgeQuestion {
  finite('run', run, { atLeast: 0, atMost: MOST_RUNS });
  const keys = (Object.keys(spread) as (keyof Spread)[]).filter((k) => spread[k] !== undefined).sort();
  const at = placesOf(Math.max(1, keys.length), run);
  const value = (key: keyof Spread): number | undefined => {
    const range = spread[key];
    return range === undefined ? undefined : range[0] + (range[1] - range[0]) * at[keys.indexOf(key)]!;
  };
  const [times, cushionTimes] = [value('modulusTimes') ?? 1, value('cushionTimes') ?? 1];
  return {
    ...base,
    closeMs: value('closeMs') ?? base.closeMs,
    staticPsi: value('staticPsi') ?? base.staticPsi,
    gpm: value('gpm') ?? base.gpm,
    pipes: base.pipes.map((p) => ({ ...p, modulusGpa: p.modulusGpa * times })),
    ...(base.cushion ? { cushion: { ...base.cushion, volumeIn3: base.cushion.volumeIn3 * cushionTimes } } : {}),
  };
}

/** A run's pressure at the band's times. */
export function sweptRun({ t, psi, peakPsi, timesOver, cavity }: Surge, seconds: number): SweptRun {
  let i = 0;
  const at = Array.from({ length: TIMES }, (_, k) => {
    const time = (k * seconds) / (TIMES - 1);
    while (i + 2 < t.length && t[i + 1]! < time) i++;
    const part = Math.min(1, Math.max(0, (time - t[i]!) / (t[i + 1]! - t[i]!)));
    return psi[i]! + part * (psi[i + 1]! - psi[i]!);
  });
  return { peakPsi, timesOver, cavity, psi: at };
}

const quantile = (sorted: ArrayLike<number>, part: number): number => {
  const x = part * (sorted.length - 1);
  const i = Math.min(sorted.length - 2, Math.floor(x));
  return sorted.length === 1 ? sorted[0]! : sorted[i]! + (x - i) * (sorted[i + 1]! - sorted[i]!);
};

/** The band that runs make: 5, 50 and 95 in a hundred of them. @param runs one at least */
export function bandOf(runs: readonly SweptRun[], seconds: number): Band {
  finite('runs', runs.length, { atLeast: 1, atMost: MOST_RUNS });
  const [low, mid, high]: [number[], number[], number[]] = [[], [], []];
  for (let k = 0; k < TIMES; k++) {
    const all = Float64Array.from(runs, (r) => r.psi[k]!).sort();
    low.push(quantile(all, 0.05));
    mid.push(quantile(all, 0.5));
    high.push(quantile(all, 0.95));
  }
  const peaks = Float64Array.from(runs, (r) => r.peakPsi).sort();
  const share = (of: (r: SweptRun) => boolean) => runs.filter(of).length / runs.length;
  return {
    t: Array.from({ length: TIMES }, (_, k) => (k * seconds) / (TIMES - 1)),
    low,
    mid,
    high,
    peak: { low: quantile(peaks, 0.05), mid: quantile(peaks, 0.5), high: quantile(peaks, 0.95) },
    over: share((r) => r.timesOver > 0),
    parted: share((r) => r.cavity),
    runs: runs.length,
  };
}
