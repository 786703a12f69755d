import { useEffect, useState } from 'react';
import type { LedgerPage } from '../../store/queries/ledger.ts';
import { forThisShop } from '../../sync/shop-here.ts';

/** How long typing rests before it is asked, ms. */
const REST_MS = 150;

export interface LedgerFound {
  page: LedgerPage | null;
  /** The question that `page` answers; null before the first. */
  shown: string | null;
  isLost: boolean;
}

/**
 * The ledger's answer to a question, as one types.
 *
 * @param address the question as an address has it; null asks nothing
 * @param initial the server's own answer, with its question
 */
export function useLedger(address: string | null, initial: { address: string; page: LedgerPage } | null = null): LedgerFound {
  const [found, setFound] = useState<LedgerFound>({ page: initial?.page ?? null, shown: initial?.address ?? null, isLost: false });
  useEffect(() => {
    if (address === null || address === found.shown) return;
    const abort = new AbortController();
    const timer = setTimeout(async () => {
      try {
        const response = await fetch(forThisShop(`/api/v1/ledger?${address}`), { signal: abort.signal });
        if (!response.ok) throw new Error(response.statusText);
        setFound({ page: (await response.json()) as LedgerPage, shown: address, isLost: false });
      } catch {
        if (!abort.signal.aborted) setFound((before) => ({ ...before, isLost: true }));
      }
    }, REST_MS);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [address, found.shown]);
  return found;
}
