import { z } from 'zod';
import type { CallbackQuery } from '../../../store/queries/index.ts';
import { askedOf } from './asked-of.ts';

const day = z.iso.date('is not a day as YYYY-MM-DD').optional();
const shape = z.object({ from: day, to: day, appliance: z.string().max(60, 'is longer than 60 characters').optional() });

/** Of which joints the callbacks are counted, from an address. */
export const callbackQuery = (url: URL): CallbackQuery => askedOf(shape, url);
