import type { Happening } from '../../../record/index.ts';
import { localTime } from '../words.ts';

/** Rows of a day together, in the order given. */
export function byDay(rows: Happening[], timeZone: string): [day: string, rows: Happening[]][] {
  const days: [string, Happening[]][] = [];
  for (const row of rows) {
    const day = localTime(row.atMs, timeZone).slice(0, 10);
    const last = days.at(-1);
    if (last?.[0] === day) last[1].push(row);
    else days.push([day, [row]]);
  }
  return days;
}
