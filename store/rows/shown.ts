import { type NamedChain, partNames, type RunSummary } from '../../record/index.ts';

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

export const shownOf = (accepted: NamedChain, { exceptions, signedOffMs }: RunSummary): Shown => ({
  from: accepted.from,
  to: accepted.to,
  parts: partNames(accepted).join('; '),
  priceCents: accepted.chain.priceCents,
  currency: accepted.currency,
  exceptions,
  signedOff: signedOffMs !== null,
});
