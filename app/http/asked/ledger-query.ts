import { z } from 'zod';
import type { LedgerQuery } from '../../../store/queries/index.ts';
import { askedOf, offsetAsked } from './asked-of.ts';

const shape = z.object({
  q: z.string().max(200, 'is longer than 200 characters').optional(),
  appliance: z.string().max(60, 'is longer than 60 characters').optional(),
  seal: z.string().max(60, 'is longer than 60 characters').optional(),
  callbacks: z.enum(['any', 'only', 'none']).optional(),
  recheck: z.enum(['any', 'due']).optional(),
  finding: z.enum(['any', 'damp', 'drip', 'running']).optional(),
  from: z.iso.date('is not a day as YYYY-MM-DD').optional(),
  to: z.iso.date('is not a day as YYYY-MM-DD').optional(),
  part: z.string().max(80, 'is longer than 80 characters').optional(),
  end: z.string().max(80, 'is longer than 80 characters').optional(),
  run: z.uuid('is not an id').optional(),
  premises: z.uuid('is not an id').optional(),
  offset: offsetAsked,
});

/** The ledger's filter from an address. */
export const ledgerQuery = (url: URL): LedgerQuery => askedOf(shape, url);
