import { useEffect, useState } from 'react';
import type { Catalogue } from '../../catalog/index.ts';
import type { HouseRules } from '../../core/index.ts';

/** What the server sends: the shipped catalogue, with the shop's rules and stock. */
export interface ClientCatalogue extends Catalogue {
  rules: HouseRules;
  stock: Record<string, number>;
}

const KEPT = 'brass-nut-catalogue';

/** The shop's catalogue; the last one seen stands in while there is no connection. */
export function useCatalogue(): ClientCatalogue | null {
  const [catalogue, setCatalogue] = useState<ClientCatalogue | null>(null);
  useEffect(() => {
    fetch('/api/v1/catalogue')
      .then((r) => (r.ok ? r.json() : Promise.reject(new Error(r.statusText))))
      .then((fresh: ClientCatalogue) => {
        setCatalogue(fresh);
        localStorage.setItem(KEPT, JSON.stringify(fresh));
      })
      .catch(() => {
        const kept = localStorage.getItem(KEPT);
        if (kept) setCatalogue(JSON.parse(kept) as ClientCatalogue);
      });
  }, []);
  return catalogue;
}
