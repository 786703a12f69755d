import { finite, InputError } from '../errors.ts';
import { type Reason, reason } from '../reason.ts';
import { threeDigits } from '../units/index.ts';

export interface MeterCheck {
  /** What ran through, mL a day: each reading may lie one step short of what it shows. */
  mlPerDay: { low: number; high: number };
  /** Smallest leak that this wait is sure to show. */
  surelySeenMlPerDay: number;
  verdict: 'flows' | 'nothing seen';
  because: Reason[];
}

/** What water meters count in. */
export const METER_UNITS = {
  gal: { name: 'gal', ml: 3785.411784 },
  L: { name: 'L', ml: 1000 },
  ft3: { name: 'cubic feet', ml: 28_316.846592 },
} as const;
export type MeterUnit = keyof typeof METER_UNITS;

const MINUTES_A_DAY = 1440;

/**
 * A leak by two readings of the water meter, everything shut between them.
 *
 * A meter shows whole steps: what ran through lies less than a step to either side of the difference. It shows flow from the first step on; no step
 * bounds it by one.
 *
 * @param d.before, d.after  as the dial shows it, in any one unit
 * @param d.step             smallest step of the dial, in that unit
 * @param d.mlPerUnit        millilitres in one of that unit, 3785.41 of a gallon
 * @param d.minutes          between the two readings
 * @throws InputError        for a dial that ran backward, or no time between
 * @source                   resolution of a counter over the wait
 */
export function meterCheck(d: { before: number; after: number; step: number; mlPerUnit: number; minutes: number }): MeterCheck {
  const before = finite('before', d.before, { atLeast: 0 });
  const after = finite('after', d.after, { atLeast: 0 });
  const step = finite('step', d.step, { above: 0 });
  const perDay = (finite('mlPerUnit', d.mlPerUnit, { above: 0 }) * MINUTES_A_DAY) / finite('minutes', d.minutes, { above: 0 });
  const ran = after - before;
  if (ran < 0) throw new InputError('after', d.after, 'The meter does not run backward: read both again, and mind a dial that went through nought.');
  const isFlow = ran > step * 1e-9;
  const mlPerDay = { low: isFlow ? Math.max(0, ran - step) * perDay : 0, high: (ran + step) * perDay };
  const surelySeenMlPerDay = step * perDay;
  const text = isFlow
    ? `The meter moved: ${threeDigits(mlPerDay.low)} to ${threeDigits(mlPerDay.high)} mL a day ran through while everything was shut.`
    : `The meter did not move: under ${threeDigits(surelySeenMlPerDay)} mL a day; a smaller leak would not have moved it in that time.`;
  return { mlPerDay, surelySeenMlPerDay, verdict: isFlow ? 'flows' : 'nothing seen', because: [reason('meter', text, { figures: { ran, step } })] };
}
