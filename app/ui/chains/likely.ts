/** What runs will likely take whose ends are known and whose chain is not accepted yet. */
import { useEffect, useMemo, useState } from 'react';
import { itemsOf, type Needed, neededFor, type StockedPlace } from '../../../record/index.ts';
import type { ClientCatalogue } from '../held/index.ts';

export interface LikelyRun {
  id: string;
  water: 'cold' | 'hot';
  from: string;
  to: string;
  rejoin: string | null;
}

/** By run; null while it is worked out, or the runs are not known yet. Runs that no chain joins are not in it. */
export function useLikelyNeeds(runs: readonly LikelyRun[] | null, catalogue: ClientCatalogue | null): Map<string, Record<string, Needed>> | null {
  const [found, setFound] = useState<{ key: string; needs: Map<string, Record<string, Needed>> } | null>(null);
  const key = JSON.stringify(runs);
  const { parts, loose, rules, callbackRates, places } = catalogue ?? {};
  // What the shop has, wherever it lies: it can be loaded. Nothing of it changes by being moved.
  const has = useMemo(() => JSON.stringify(places ? together(places) : null), [places]);
  useEffect(() => {
    if (!parts || !loose || !rules || key === 'null') return;
    let isOver = false;
    const stock = JSON.parse(has) as Record<string, number>;
    const work = async () => {
      const { matchChains } = await import('../../../core/match/chains.ts');
      const needs = new Map<string, Record<string, Needed>>();
      for (const { id, water, from, to, rejoin } of JSON.parse(key) as LikelyRun[]) {
        const ends = { from, to, ...(rejoin ? { rejoin } : {}) };
        const [chain] = matchChains({ ...ends, need: { water }, parts, loose, rules, callbackRates, stock, k: 1 }).chains;
        if (chain) needs.set(id, neededFor({ chain, items: itemsOf([...chain.parts, ...Object.keys(chain.loose)], { parts, loose }) }));
        // Others have their turn between two.
        await new Promise((wake) => setTimeout(wake));
        if (isOver) return;
      }
      setFound({ key, needs });
    };
    work();
    return () => {
      isOver = true;
    };
  }, [key, parts, loose, rules, callbackRates, has]);
  return found?.key === key ? found.needs : null;
}

function together(places: readonly StockedPlace[]): Record<string, number> {
  const all = new Map<string, number>();
  for (const { items } of places) for (const l of items) all.set(l.item, (all.get(l.item) ?? 0) + Math.max(0, l.quantity));
  return Object.fromEntries([...all].sort(([a], [b]) => (a < b ? -1 : 1)));
}
