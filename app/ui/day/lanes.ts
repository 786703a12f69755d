import { minuteOf } from '../../../record/index.ts';
import type { DayBlock } from './day-blocks.ts';

/** In which lane each stands: the first where it runs into nothing. */
export function lanesOf(blocks: DayBlock[]): Map<string, number> {
  const lanes = new Map<string, number>();
  const endOf: number[] = [];
  for (const b of [...blocks].sort((x, y) => minuteOf(x.startsAt) - minuteOf(y.startsAt))) {
    const from = minuteOf(b.startsAt);
    const free = endOf.findIndex((end) => end <= from);
    const lane = free === -1 ? endOf.length : free;
    endOf[lane] = from + b.minutes;
    lanes.set(b.id, lane);
  }
  return lanes;
}
