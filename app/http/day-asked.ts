import * as z from 'zod/mini';
import { localDay } from '../../record/shapes.ts';

const shape = z.object({ day: localDay });

/** The day that an address asks for; null where it asks for none. @throws ZodError for one that is no day, or lies outside 1970 to 2199 */
export function dayAsked(url: URL): string | null {
  const day = url.searchParams.get('day');
  return day === null ? null : z.parse(shape, { day }).day;
}
