/** Shelves and vans with what lies there: at once as this device holds it, then as the server has it, what waits here counted in. */
import { useEffect, useState } from 'react';
import { elsewhereOf, type StockedPlace, vanOf, withWaiting } from '../../../record/index.ts';
import { sync } from '../../../sync/run.ts';
import { getTagged, heldAnswer, hold } from './held.ts';

const KEY = 'stock';
/** Runs take from the vans while they are worked on: asked anew so long after the last change, ms. */
const SETTLED_MS = 1500;

interface Kept {
  tag: string | null;
  places: StockedPlace[];
}

async function fresh(kept: Kept | undefined): Promise<Kept | null> {
  const said = await getTagged<{ places: StockedPlace[] }>('/api/v1/stock');
  if (!said) return null;
  if (kept && said.tag !== null && said.tag === kept.tag) return kept;
  const stock = await said.read();
  if (!stock) return null;
  const now = { tag: said.tag, places: stock.places };
  await hold(KEY, now);
  return now;
}

/** Has the device hold it, for use without a connection. */
export async function keepStock(): Promise<void> {
  await fresh(await heldAnswer<Kept>(KEY));
}

async function waitingHere(): Promise<object[]> {
  try {
    return (await (await sync.device()).outgoing()).filter((o) => o.status === 'waiting').map((o) => o.entry);
  } catch {
    return [];
  }
}

/** @returns null until this device or the server has said */
export function useStockedPlaces(): StockedPlace[] | null {
  const [places, setPlaces] = useState<StockedPlace[] | null>(null);
  useEffect(() => {
    let over = false;
    let later: ReturnType<typeof setTimeout>;
    let kept: Kept | undefined;
    let shown = '';
    const show = async () => {
      const now = withWaiting(kept?.places ?? [], await waitingHere());
      // The same object while nothing has changed: chains are worked out anew for another.
      const words = JSON.stringify(now);
      if (over || words === shown) return;
      shown = words;
      setPlaces(now);
    };
    const ask = async () => {
      const said = await fresh(kept);
      if (over) return;
      if (said) kept = said;
      await show();
    };
    const begin = async () => {
      kept = await heldAnswer<Kept>(KEY);
      if (kept) await show();
      await ask();
    };
    begin();
    const off = sync.subscribe(() => {
      show();
      clearTimeout(later);
      later = setTimeout(ask, SETTLED_MS);
    });
    return () => {
      over = true;
      clearTimeout(later);
      off();
    };
  }, []);
  return places;
}

/** Where else an item lies, in words; '' where nowhere. */
export const whereElse = (places: StockedPlace[], vanId?: string | null) => (item: string) =>
  elsewhereOf(item, places, vanOf(places, vanId))
    .map((e) => `${e.place} (${e.quantity})`)
    .join(', ');
