import { minuteOf, type WeekVisit } from '../../../record/index.ts';

/** A leaf of the rule: its hours, and how they lie on it. */
export const LEAF = { from: 7 * 60, minutes: 12 * 60, width: 870, height: 84 };

/** To a tenth: no screen shows less. */
export const tenth = (n: number): number => Math.round(n * 10) / 10;

export const x = (minute: number): number => tenth(((minute - LEAF.from) / LEAF.minutes) * LEAF.width);

export const leftOf = (v: WeekVisit, byMinutes = 0): number => x(Math.max(LEAF.from, minuteOf(v.startsAt) + byMinutes));

export const widthOf = (v: WeekVisit, left: number): number =>
  tenth(Math.max(18, Math.min(LEAF.width - left - 2, (v.minutes / LEAF.minutes) * LEAF.width)));

export function roomOf(v: WeekVisit, next: WeekVisit | undefined): number {
  const left = leftOf(v);
  return tenth(Math.max(widthOf(v, left), (next ? x(minuteOf(next.startsAt)) : LEAF.width) - left - 4));
}
