import { finite } from '../errors.ts';
import { poissonMean } from '../units/index.ts';

const MINUTES_A_DAY = 1440;

/** Drops that a clean look still allows, by confidence: -ln(1 - c); 3.0 at 95 %. */
function dropsAllowed(confidence: number): number {
  finite('confidence', confidence, { above: 0, atMost: 0.999999 });
  return -Math.log(1 - confidence);
}

/**
 * Largest leak that a dry look still allows.
 *
 * A leak fills what is hidden in the joint before its first drop shows. No drop seen past that and past the first-drop delay bounds the mean rate
 * of a Poisson process by -ln(1 - confidence) drops in that time: q = (hidden - ln(1 - confidence) drop) / (wait - delay).
 *
 * @param d.waitMin        time watched, minutes, >= 0
 * @param d.dropMl         largest plausible drop of the method, millilitres (0.1 by eye at a nut, 0.01 with tissue)
 * @param d.hiddenMl       what can hide in the joint, millilitres; 0 unless given
 * @param d.delayMin       time before a first drop can show, minutes; 0 unless given
 * @param d.floorMlPerDay  evaporation and wicking hide less than this; 0 unless given
 * @returns                bound on the leak, millilitres a day; null while nothing is proven yet
 * @throws InputError      when a figure is negative or not finite
 * @source                 Poisson zero-count bound; Hanley & Lippman-Hand, JAMA 249 (1983)
 */
export function dryBound(d: { waitMin: number; dropMl: number; hiddenMl?: number; confidence?: number; delayMin?: number; floorMlPerDay?: number }): {
  mlPerDay: number | null;
} {
  const { waitMin, dropMl, hiddenMl } = d;
  return pooledBound({ ...d, looks: [{ waitMin, dropMl, hiddenMl }] });
}

/** A dry look: how long, by which method, at a joint in which so much can hide. */
export interface DryLook {
  waitMin: number;
  dropMl: number;
  /** 0 unless given. */
  hiddenMl?: number;
}

/**
 * The same for several dry looks at a joint in one state, nothing moved between them: their evidence adds.
 *
 * A leak of q would show max(0, q t - hidden) / drop expected drops in each look, t being its time past the delay; so the looks together bound q by
 * the smallest that makes the sum -ln(1 - confidence). The sum is made of straight pieces that only rise: it is solved piece by piece, exactly.
 */
export function pooledBound(d: { looks: DryLook[]; confidence?: number; delayMin?: number; floorMlPerDay?: number }): { mlPerDay: number | null } {
  const delayMin = finite('first-drop delay', d.delayMin ?? 0, { atLeast: 0 });
  const floor = finite('floor', d.floorMlPerDay ?? 0, { atLeast: 0 });
  const allowed = dropsAllowed(d.confidence ?? 0.95);
  const looks = d.looks
    .map(({ waitMin, dropMl, hiddenMl = 0 }) => ({
      minutes: Math.max(0, finite('time watched', waitMin, { atLeast: 0 }) - delayMin),
      dropMl: finite('drop volume', dropMl, { above: 0 }),
      hiddenMl: finite('hidden volume', hiddenMl, { atLeast: 0 }),
    }))
    .filter((look) => look.minutes > 0)
    // A look begins to tell where the leak has filled what is hidden: those that tell soonest come first.
    .sort((a, b) => a.hiddenMl / a.minutes - b.hiddenMl / b.minutes);
  if (looks.length === 0) return { mlPerDay: null };
  let slope = 0;
  let offset = 0;
  for (const [i, look] of looks.entries()) {
    slope += look.minutes / look.dropMl;
    offset += look.hiddenMl / look.dropMl;
    const mlPerMin = (allowed + offset) / slope;
    const next = looks[i + 1];
    if (!next || mlPerMin <= next.hiddenMl / next.minutes) return { mlPerDay: Math.max(floor, mlPerMin * MINUTES_A_DAY) };
  }
  return { mlPerDay: null };
}

/**
 * How long a look must last to prove a target.
 *
 * @returns minutes, the first-drop delay included
 * @source  the bound of `dryBound` turned round
 */
export function waitFor(d: { targetMlPerDay: number; dropMl: number; hiddenMl?: number; confidence?: number; delayMin?: number }): {
  minutes: number;
} {
  finite('target', d.targetMlPerDay, { above: 0 });
  finite('drop volume', d.dropMl, { above: 0 });
  const hiddenMl = finite('hidden volume', d.hiddenMl ?? 0, { atLeast: 0 });
  const delayMin = finite('first-drop delay', d.delayMin ?? 0, { atLeast: 0 });
  return { minutes: delayMin + ((hiddenMl + dropsAllowed(d.confidence ?? 0.95) * d.dropMl) * MINUTES_A_DAY) / d.targetMlPerDay };
}

/**
 * How long another look must last to prove a target, after dry looks at the same joint in one state.
 *
 * @returns minutes, the first-drop delay included; 0 where those before prove it
 * @source  `pooledBound` turned round
 */
export function waitAfter(d: { looks: readonly DryLook[]; targetMlPerDay: number; dropMl: number; hiddenMl?: number; delayMin?: number }): {
  minutes: number;
} {
  const { minutes } = waitFor(d);
  const delayMin = d.delayMin ?? 0;
  const mlPerMin = d.targetMlPerDay / MINUTES_A_DAY;
  const shown = d.looks.reduce(
    (sum, { waitMin, dropMl, hiddenMl = 0 }) => sum + Math.max(0, mlPerMin * Math.max(0, waitMin - delayMin) - hiddenMl) / dropMl,
    0,
  );
  const left = dropsAllowed(0.95) - shown;
  return { minutes: left <= 0 ? 0 : minutes - (shown * d.dropMl) / mlPerMin };
}

/** Smallest and largest drop of a fitting, and the usual one, in millilitres. */
const DROP_ML = { low: 0.05, mid: 0.1, high: 0.25 };

/** A leak as drops of the usual size, an hour. */
export const dropsAnHour = (mlPerDay: number): number => mlPerDay / 24 / DROP_ML.mid;

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
  const { low, high } = poissonMean(drops);
  const perMin: [number, number, number] = [low / minutes, drops / minutes, high / minutes];
  const daily = (rate: number, ml: number) => rate * ml * MINUTES_A_DAY;
  return { perMin, mlPerDay: [daily(perMin[0], DROP_ML.low), daily(perMin[1], DROP_ML.mid), daily(perMin[2], DROP_ML.high)] };
}
