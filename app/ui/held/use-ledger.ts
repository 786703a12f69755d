import type { LedgerPage } from '../../../store/queries/index.ts';
import { type Asked, useAsked } from '../form/index.ts';

/**
 * The ledger's answer to a question, as one types.
 *
 * @param query   the question as an address has it; null asks nothing
 * @param initial the server's own answer, with its question
 */
export const useLedger = (query: string | null, initial: { query: string; answer: LedgerPage } | null = null): Asked<LedgerPage> =>
  useAsked('/api/v1/ledger', query, initial);
