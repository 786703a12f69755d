import type { EntryOf } from '../../../../record/index.ts';

/** When this page began each look by its own stopwatch, ms; a reload loses it and the device's clock stands in. */
const begunAt = new Map<string, number>();

export const startStopwatch = (lookId: string): void => void begunAt.set(lookId, performance.now());

/** Seconds that a look has lasted: the smaller of what the device's clock and the stopwatch say. */
export function elapsedOf(look: EntryOf<'look-begun'>): number {
  const began = begunAt.get(look.id);
  const byClock = (Date.now() - Date.parse(look.seenAt)) / 1000;
  return Math.max(0, began === undefined ? byClock : Math.min(byClock, (performance.now() - began) / 1000));
}
