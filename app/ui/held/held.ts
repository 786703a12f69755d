/** Answers of the server that this device keeps, so that they are there at once and without a connection. */
import { sync } from '../../../sync/run.ts';
import { forThisShop } from '../../../sync/shop-here.ts';

const TIMEOUT_MS = 20_000;

/** What the server says of an address, read only where it is wanted; null where it does not answer. */
export async function getTagged<T>(path: string): Promise<{ tag: string | null; read: () => Promise<T | null> } | null> {
  try {
    const response = await fetch(forThisShop(path), { signal: AbortSignal.timeout(TIMEOUT_MS) });
    if (!response.ok) return null;
    return { tag: response.headers.get('etag'), read: () => response.json().catch(() => null) };
  } catch {
    return null;
  }
}

/** Undefined where this device holds none, or holds nothing at all. */
export async function heldAnswer<T>(key: string): Promise<T | undefined> {
  try {
    return await (await sync.device()).get<T>(key);
  } catch {
    return undefined;
  }
}

/** A device that keeps nothing goes without: nothing is lost by it while the server answers. */
export async function hold(key: string, value: unknown): Promise<void> {
  try {
    await (await sync.device()).put(key, value);
  } catch {
    // As said above.
  }
}
