/** The shop and its house rules in the browser: as the page had them, then as this device holds them with what waits here. */
import { useEffect, useState } from 'react';
import { type Shop, type Standing, type States, standingOf } from '../../../record/index.ts';
import { sync } from '../../../sync/run.ts';

/** What is said of the shop as a whole; null until this device has it. */
export function useOfShop<K extends 'shop' | 'rules'>(kind: K): Standing<States[K]> | null {
  const [now, setNow] = useState<Standing<States[K]> | null>(null);
  useEffect(() => {
    let isOver = false;
    const read = async () => {
      try {
        const store = await sync.device();
        const { shopId } = await store.facts();
        // Before the first kit it is not known which shop it is.
        if (shopId === '') return;
        const read = standingOf(kind, shopId, await store.shopEntries());
        if (!isOver) setNow(read);
      } catch {
        // The page's own stands.
      }
    };
    read();
    const off = sync.subscribe(read);
    return () => {
      isOver = true;
      off();
    };
  }, [kind]);
  return now;
}

/** @param initial the server's own, where the page brings it */
export const useShop = (initial: Shop | null = null): Shop | null => useOfShop('shop')?.state ?? initial;
