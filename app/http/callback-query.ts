import { z } from 'zod';
import type { CallbackQuery } from '../../store/queries/callbacks.ts';

const day = z.iso.date('is not a day as YYYY-MM-DD').optional();
const shape = z.object({ from: day, to: day, appliance: z.string().max(60).optional() });

/** Of which joints the callbacks are counted, from an address. */
export function callbackQuery(url: URL): CallbackQuery {
  return shape.parse(Object.fromEntries([...url.searchParams].filter(([, value]) => value !== '')));
}
