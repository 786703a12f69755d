/** The shop in the browser: as the page had it, then as this device holds it with what waits here. */
import { useEffect, useState } from 'react';
import { stateOf } from '../../record/book/fold.ts';
import type { Shop } from '../../record/shop/state.ts';
import { sync } from '../../sync/run.ts';

/** @param initial the server's own, where the page brings it */
export function useShop(initial: Shop | null = null): Shop | null {
  const [shop, setShop] = useState<Shop | null>(initial);
  useEffect(() => {
    let isOver = false;
    const read = async () => {
      try {
        const store = await sync.device();
        const { shopId } = await store.facts();
        // Before the first kit it is not known which shop it is.
        if (shopId === '') return;
        const now = stateOf('shop', shopId, await store.shopEntries());
        if (!isOver && now) setShop(now);
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
  }, []);
  return shop;
}
