import { z } from 'zod';
import { DUE_KINDS, type DueQuery } from '../../../store/queries/index.ts';
import { askedOf, offsetAsked } from './asked-of.ts';

const shape = z.object({
  kind: z.enum(DUE_KINDS).optional(),
  premises: z.uuid('is not an id').optional(),
  ahead: z.coerce.number('is not a number').int('is not a whole number').min(0, 'is less than 0').max(20_000, 'is more than 20,000').optional(),
  offset: offsetAsked,
});

/** What is asked of the due list, from an address. */
export const dueQuery = (url: URL): DueQuery => askedOf(shape, url);
