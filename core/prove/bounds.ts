import { finite } from '../errors.ts';

const MINUTES_A_DAY = 1440;

/** Drops that a clean look still allows, by confidence: -ln(1 - c); 3.0 at 95 %. */
function dropsAllowed(confidence: number): number {
  finite('confidence', confidence, { above: 0, atMost: 0.999999 });
  return -Math.log(1 - confidence);
}

/**
 * Largest leak that a dry look still allows.
 *
 * No drop seen past the first-drop delay bounds the mean rate of a Poisson process by -ln(1 - confidence) drops in that time.
 *
 * @param d.waitMin        time watched, minutes, >= 0
 * @param d.dropMl         largest plausible drop of the method, millilitres (0.1 by eye at a nut, 0.01 with tissue)
 * @param d.delayMin       time before a first drop can show, minutes; 0 unless given
 * @param d.floorMlPerDay  evaporation and wicking hide less than this; 0 unless given
 * @returns                bound on the leak, millilitres a day; null while nothing is proven yet
 * @throws InputError      when a figure is negative or not finite
 * @source                 Poisson zero-count bound; Hanley & Lippman-Hand, JAMA 249 (1983)
 */
export function dryBound(d: { waitMin: number; dropMl: number; confidence?: number; delayMin?: number; floorMlPerDay?: number }): {
  mlPerDay: number | null;
} {
  return pooledBound({ ...d, looks: [{ waitMin: d.waitMin, dropMl: d.dropMl }] });
}

/**
 * The same for several dry looks at a joint in one state: their evidence adds, each look counting past its own delay.
 *
 * A leak of q would show none of q t / v expected drops in each look, so the looks together bound q by -ln(1 - confidence) / sum(t / v).
 */
export function pooledBound(d: { looks: { waitMin: number; dropMl: number }[]; confidence?: number; delayMin?: number; floorMlPerDay?: number }): {
  mlPerDay: number | null;
} {
  const delayMin = finite('first-drop delay', d.delayMin ?? 0, { atLeast: 0 });
  const floor = finite('floor', d.floorMlPerDay ?? 0, { atLeast: 0 });
  const allowed = dropsAllowed(d.confidence ?? 0.95);
  let minutesPerMl = 0;
  for (const look of d.looks) {
    finite('time watched', look.waitMin, { atLeast: 0 });
    finite('drop volume', look.dropMl, { above: 0 });
    minutesPerMl += Math.max(0, look.waitMin - delayMin) / look.dropMl;
  }
  if (minutesPerMl <= 0) return { mlPerDay: null };
  return { mlPerDay: Math.max(floor, (allowed * MINUTES_A_DAY) / minutesPerMl) };
}

/**
 * How long a look must last to prove a target.
 *
 * @returns minutes, the first-drop delay included
 * @source  the bound of `dryBound` turned round
 */
export function waitFor(d: { targetMlPerDay: number; dropMl: number; confidence?: number; delayMin?: number }): { minutes: number } {
  finite('target', d.targetMlPerDay, { above: 0 });
  finite('drop volume', d.dropMl, { above: 0 });
  const delayMin = finite('first-drop delay', d.delayMin ?? 0, { atLeast: 0 });
  return { minutes: delayMin + (dropsAllowed(d.confidence ?? 0.95) * d.dropMl * MINUTES_A_DAY) / d.targetMlPerDay };
}

/** Smallest and largest drop of a fitting, and the usual one, in millilitres. */
const DROP_ML = { low: 0.05, mid: 0.1, high: 0.25 };

/**
 * A counted drip as a rate, with its exact Poisson 95 % interval; the volume with the range of drop sizes besides.
 *
 * @source exact (Garwood) interval of a Poisson mean, Biometrika 28 (1936)
 */
export function dripRate(d: { drops: number; minutes: number }): {
  perMin: [low: number, mid: number, high: number];
  mlPerDay: [low: number, mid: number, high: number];
} {
  const drops = Math.round(finite('drops', d.drops, { atLeast: 0, atMost: 100_000 }));
  const minutes = finite('minutes', d.minutes, { above: 0 });
  const low = drops === 0 ? 0 : solveMean((mean) => 1 - poissonAtMost(drops - 1, mean), 0.025, drops, true);
  const high = solveMean((mean) => poissonAtMost(drops, mean), 0.025, drops, false);
  const perMin: [number, number, number] = [low / minutes, drops / minutes, high / minutes];
  const daily = (rate: number, ml: number) => rate * ml * MINUTES_A_DAY;
  return { perMin, mlPerDay: [daily(perMin[0], DROP_ML.low), daily(perMin[1], DROP_ML.mid), daily(perMin[2], DROP_ML.high)] };
}

/** P(X <= n) of a Poisson mean, summed from the largest term's logarithm down. */
function poissonAtMost(n: number, mean: number): number {
  if (mean === 0) return 1;
  let logTerm = -mean;
  let sum = Math.exp(logTerm);
  for (let i = 1; i <= n; i++) {
    logTerm += Math.log(mean / i);
    sum += Math.exp(logTerm);
  }
  return Math.min(1, sum);
}

/** The mean at which a tail probability passes `target`, by bisection; the tail rises or falls with the mean. */
function solveMean(tail: (mean: number) => number, target: number, drops: number, rises: boolean): number {
  let low = 0;
  let high = drops + 10 * Math.sqrt(drops + 1) + 10;
  for (let i = 0; i < 100; i++) {
    const mid = (low + high) / 2;
    if (tail(mid) > target === rises) high = mid;
    else low = mid;
  }
  return (low + high) / 2;
}
