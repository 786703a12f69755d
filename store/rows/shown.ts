import type { AcceptedChain, RunSummary } from '../../record/index.ts';

/** What the ledger's row shows of a connection, as it was accepted. */
export interface Shown {
  from: string;
  to: string;
  parts: string;
  priceCents: number;
  currency: string;
  exceptions: number;
  signedOff: boolean;
}

export const shownOf = ({ from, to, chain, items, currency }: AcceptedChain, { exceptions, signedOffMs }: RunSummary): Shown => ({
  from,
  to,
  parts: chain.parts.map((id) => items[id]?.name ?? id).join('; '),
  priceCents: chain.priceCents,
  currency,
  exceptions,
  signedOff: signedOffMs !== null,
});
