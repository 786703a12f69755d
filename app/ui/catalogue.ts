import { openDB } from 'idb';
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

const STORE = 'seen';
const KEPT = 'catalogue';
const TAG = 'tag';

/** Of its own, apart from the entries that wait: with many parts it is megabytes. */
const seen = () =>
  openDB('brass-nut-seen', 1, {
    upgrade(db) {
      db.createObjectStore(STORE);
    },
  });

/** A device that keeps nothing goes without. */
async function remember(fresh: ClientCatalogue, tag: string | null): Promise<void> {
  try {
    const db = await seen();
    if (tag !== null && (await db.get(STORE, TAG)) === tag) return;
    const tx = db.transaction(STORE, 'readwrite');
    await Promise.all([tx.store.put(fresh, KEPT), tx.store.put(tag, TAG), tx.done]);
  } catch {
    // Nothing is lost by it while the server answers.
  }
}

async function lastSeen(): Promise<ClientCatalogue | undefined> {
  return seen()
    .then((db) => db.get(STORE, KEPT))
    .catch(() => undefined);
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
        await remember(fresh, response.headers.get('etag'));
      } catch {
        const kept = await lastSeen();
        if (kept) setCatalogue((shown) => shown ?? kept);
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
