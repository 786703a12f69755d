import { useEffect, useState } from 'react';
import type { Catalogue } from '../../catalog/index.ts';
import type { HouseRules } from '../../core/index.ts';

/** What the server sends: the shipped catalogue, with the shop's rules and stock. */
export interface ClientCatalogue extends Catalogue {
  rules: HouseRules;
  stock: Record<string, number>;
}

/** How soon to ask again when the server did not answer. */
const AGAIN_MS = 5_000;

const KEPT = 'brass-nut-catalogue';

/** A catalogue too large for the browser's store is simply not there without a connection. */
function remember(fresh: ClientCatalogue): void {
  try {
    localStorage.setItem(KEPT, JSON.stringify(fresh));
  } catch {
    localStorage.removeItem(KEPT);
  }
}

/** The shop's catalogue; the last one seen stands in while there is no connection. */
export function useCatalogue(): ClientCatalogue | null {
  const [catalogue, setCatalogue] = useState<ClientCatalogue | null>(null);
  useEffect(() => {
    let again: ReturnType<typeof setTimeout>;
    const read = async () => {
      try {
        const response = await fetch('/api/v1/catalogue');
        if (!response.ok) throw new Error(response.statusText);
        const fresh = (await response.json()) as ClientCatalogue;
        setCatalogue(fresh);
        remember(fresh);
      } catch {
        const kept = localStorage.getItem(KEPT);
        if (kept) setCatalogue(JSON.parse(kept) as ClientCatalogue);
        again = setTimeout(read, AGAIN_MS);
      }
    };
    read();
    return () => clearTimeout(again);
  }, []);
  return catalogue;
}

/** Names by part id or loose code. */
export function namesOf(catalogue: ClientCatalogue | null): Record<string, string> {
  if (!catalogue) return {};
  return Object.fromEntries([...catalogue.parts.map((p) => [p.id, p.name]), ...catalogue.loose.map((l) => [l.code, l.name])]);
}
