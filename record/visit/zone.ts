import { remember } from '../../core/index.ts';

/** Making one costs more than using it a hundred times. */
const formats = new Map<string, Intl.DateTimeFormat>();
const MOST_FORMATS = 40;

/**
 * The moment of a local day and time at a place. A time that a clock put forward skips is the moment it is put forward to; one that comes twice
 * is the first.
 *
 * @param day      'YYYY-MM-DD'
 * @param time     'HH:MM'
 * @param timeZone IANA name
 * @returns milliseconds since 1970
 */
export function instantOf(day: string, time: string, timeZone: string): number {
  const asUtc = Date.parse(`${day}T${time}:00Z`);
  // Twice: the first guess may fall on the other side of a change of the clock.
  const first = asUtc - offsetMs(asUtc, timeZone);
  const second = asUtc - offsetMs(first, timeZone);
  return second === first ? first : Math.max(first, second);
}

/** How far a zone is ahead of UTC at a moment, ms. */
function offsetMs(atMs: number, timeZone: string): number {
  const make = () =>
    new Intl.DateTimeFormat('en-US', {
      timeZone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
      second: '2-digit',
    });
  const parts = Object.fromEntries(
    remember(formats, MOST_FORMATS, timeZone, make)
      .formatToParts(atMs)
      .map((p) => [p.type, Number(p.value)]),
  );
  const { year, month, day, hour, minute, second } = parts as Record<'year' | 'month' | 'day' | 'hour' | 'minute' | 'second', number>;
  return Date.UTC(year, month - 1, day, hour, minute, second) - Math.floor(atMs / 1000) * 1000;
}
