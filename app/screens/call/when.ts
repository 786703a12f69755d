import { minuteOf } from '../../../record/index.ts';
import type { DayBlock } from '../../ui/day/index.ts';

/** A day begins then, where nothing is said. */
const FIRST_HOUR = '08:00';

export const runsInto = (b: DayBlock, startsAt: string, minutes: number): boolean => {
  const [from, other] = [minuteOf(startsAt), minuteOf(b.startsAt)];
  return from < other + b.minutes && other < from + minutes;
};

/** The first hour from the morning on at which nothing is run into; the morning where there is none. */
export function firstFree(blocks: DayBlock[], minutes: number): string {
  for (let at = minuteOf(FIRST_HOUR); at < 18 * 60; at += 30) {
    const startsAt = `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
    if (!blocks.some((b) => b.status !== 'cancelled' && runsInto(b, startsAt, minutes))) return startsAt;
  }
  return FIRST_HOUR;
}
