import * as z from 'zod/mini';
import { localDay } from '../../../record/index.ts';

const shape = z.object({ day: localDay });

/** As many days as a list takes in. */
const MOST_DAYS = 100;

/** The day that an address asks for; null where it asks for none. @throws ZodError for one that is no day, or lies outside 1970 to 2199 */
export function dayAsked(url: URL): string | null {
  const day = url.searchParams.get('day');
  return day === null ? null : z.parse(shape, { day }).day;
}

const days = z.object({ from: localDay, to: localDay }).check(
  z.refine((d) => d.from <= d.to, { error: 'lies before from', path: ['to'] }),
  z.refine((d) => Date.parse(d.to) - Date.parse(d.from) <= MOST_DAYS * 86_400_000, { error: 'lies more than 100 days after from', path: ['to'] }),
);

/** The days that an address asks for, both included. @throws ZodError naming the field */
export function daysAsked(url: URL): { from: string; to: string } {
  return z.parse(days, Object.fromEntries(url.searchParams));
}
