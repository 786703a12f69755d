/** How a shut line's pressure falls in time, what its temperature does taken out. */
import { finite, InputError } from '../../errors.ts';

export interface PressureReading {
  minutes: number;
  psi: number;
  tempF: number;
}

export interface Slope {
  /** Falling: above nought, psi a minute; its standard error. */
  psiPerMin: number;
  sigma: number;
  /** What a degree moves the line, psi; null where the temperature did not move. */
  psiPerF: number | null;
  /** How much the temperature moves in step with time, squared correlation, 0 to 1. */
  inStep: number;
  /** Scatter about the line, as a part of what the gauge is said to have. */
  scatter: number;
  count: number;
  /** Of all readings, psi. */
  meanPsi: number;
  /** From one reading to the next, minutes. */
  everyMin: number;
}

/** Less than this and the temperature did not move, F. */
const STILL_F = 0.05;
export const LEAST_READINGS = 8;
/** Share of time below which nothing can be told any more. */
const NOTHING_LEFT = 1e-9;
const MOST_READINGS = 1_000_000;

/**
 * Least squares of psi = a - s t + b (T - T0); b is left out where the temperature did not move.
 *
 * Figures are taken from their means, so that a day of minutes and a hundredth of a degree do not lose each other's digits.
 *
 * @throws InputError for too few readings, readings out of order, or a gauge without an error
 */
export function slopeOf(readings: readonly PressureReading[], gaugeSigmaPsi: number): Slope {
  const n = readings.length;
  if (n < LEAST_READINGS || n > MOST_READINGS) throw new InputError('readings', n, `Take ${LEAST_READINGS} readings or more.`);
  finite('gaugeSigmaPsi', gaugeSigmaPsi, { above: 0 });
  const mean = { t: 0, p: 0, f: 0 };
  let [coldest, warmest, before] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const { minutes, psi, tempF } of readings) {
    if (!(finite('minutes', minutes) > before))
      throw new InputError('minutes', minutes, 'Readings stand in the order in which they were taken, one at a time.');
    before = minutes;
    mean.t += minutes / n;
    mean.p += finite('psi', psi) / n;
    mean.f += finite('tempF', tempF) / n;
    coldest = Math.min(coldest, tempF);
    warmest = Math.max(warmest, tempF);
  }
  let [tt, tf, ff, tp, fp, pp] = [0, 0, 0, 0, 0, 0];
  for (const { minutes, psi, tempF } of readings) {
    const [t, p, f] = [minutes - mean.t, psi - mean.p, tempF - mean.f];
    tt += t * t;
    tf += t * f;
    ff += f * f;
    tp += t * p;
    fp += f * p;
    pp += p * p;
  }
  const everyMin = (readings[n - 1]!.minutes - readings[0]!.minutes) / (n - 1);
  const moves = warmest - coldest >= STILL_F;
  const inStep = moves ? Math.min(1, (tf * tf) / (tt * ff)) : 0;
  // What of time the temperature does not tell already; where it tells all of it, the figures stay figures.
  const free = tt * Math.max(1 - inStep, NOTHING_LEFT);
  if (!moves) {
    const rise = tp / tt;
    const left = Math.max(0, pp - rise * tp);
    return {
      psiPerMin: -rise,
      sigma: gaugeSigmaPsi / Math.sqrt(tt),
      psiPerF: null,
      inStep,
      scatter: Math.sqrt(left / (n - 2)) / gaugeSigmaPsi,
      count: n,
      meanPsi: mean.p,
      everyMin,
    };
  }
  const rise = (tp - (tf / ff) * fp) / free;
  const psiPerF = (fp - rise * tf) / ff;
  const left = Math.max(0, pp - rise * tp - psiPerF * fp);
  return {
    psiPerMin: -rise,
    sigma: gaugeSigmaPsi / Math.sqrt(free),
    psiPerF,
    inStep,
    scatter: Math.sqrt(left / (n - 3)) / gaugeSigmaPsi,
    count: n,
    meanPsi: mean.p,
    everyMin,
  };
}

/** Standard error of the slope after so many readings more at the same spacing, were the temperature to go on moving as it did. */
export function sigmaAfter({ count, everyMin, inStep }: Slope, more: number, gaugeSigmaPsi: number): number {
  const n = count + more;
  return gaugeSigmaPsi / Math.sqrt(((everyMin ** 2 * n * (n ** 2 - 1)) / 12) * Math.max(1 - inStep, NOTHING_LEFT));
}
