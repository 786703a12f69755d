import { useEffect, useState } from 'react';
import type { Catalogue } from '../../catalog/index.ts';
import type { Appliance, HouseRules } from '../../core/index.ts';
import { rulesBroughtUp } from '../../record/rules/house-rules.ts';
import { sync } from '../../sync/run.ts';

/** What the server sends: the shipped catalogue, with the shop's rules and stock (pieces; of what is cut from a coil, inches). */
export interface ClientCatalogue extends Catalogue {
  rules: HouseRules;
  stock: Record<string, number>;
}

/** How soon to ask again when the server did not answer, and how long an answer may take, ms. */
const AGAIN_MS = 5_000;
const TIMEOUT_MS = 20_000;

const KEY = 'catalogue';

interface Kept {
  tag: string | null;
  catalogue: ClientCatalogue;
}

/** What an older server said of an appliance less than this page asks. */
const UNSAID: Pick<Appliance, 'minBoreIn' | 'usualNeeds' | 'avoid' | 'protection'> = { minBoreIn: 0.12, usualNeeds: [], avoid: [], protection: '' };

const broughtUp = (kept: ClientCatalogue): ClientCatalogue => ({
  ...kept,
  rules: rulesBroughtUp(kept.rules),
  appliances: kept.appliances.map((a) => ({ ...UNSAID, ...a })),
});

/** What this device holds of it; undefined where it holds none, or holds nothing at all. */
async function held(): Promise<Kept | undefined> {
  try {
    const kept = await (await sync.device()).get<Kept>(KEY);
    return kept && { ...kept, catalogue: broughtUp(kept.catalogue) };
  } catch {
    return undefined;
  }
}

/** A device that keeps nothing goes without. */
async function hold(kept: Kept): Promise<void> {
  try {
    await (await sync.device()).put(KEY, kept);
  } catch {
    // Nothing is lost by it while the server answers.
  }
}

/** Asks the server, and keeps what it says; null where it does not answer. The same object where nothing has changed. */
async function fresh(kept: Kept | undefined): Promise<ClientCatalogue | null> {
  try {
    const response = await fetch('/api/v1/catalogue', { signal: AbortSignal.timeout(TIMEOUT_MS) });
    if (!response.ok) return null;
    const tag = response.headers.get('etag');
    if (kept && tag !== null && tag === kept.tag) return kept.catalogue;
    const catalogue = (await response.json()) as ClientCatalogue;
    await hold({ tag, catalogue });
    return catalogue;
  } catch {
    return null;
  }
}

/** Has the device hold the catalogue, for use without a connection. */
export async function keepCatalogue(): Promise<void> {
  await fresh(await held());
}

/** Screens that show it. */
const shown = new Set<() => void>();

/** Has every screen read it again: something of it was changed here. */
export function catalogueChanged(): void {
  for (const read of shown) read();
}

/** The shop's catalogue: at once as this device holds it, then as the server has it. */
export function useCatalogue(): ClientCatalogue | null {
  const [catalogue, setCatalogue] = useState<ClientCatalogue | null>(null);
  useEffect(() => {
    let again: ReturnType<typeof setTimeout>;
    let over = false;
    const read = async () => {
      const kept = await held();
      if (over) return;
      if (kept) setCatalogue((shown) => shown ?? kept.catalogue);
      const now = await fresh(kept);
      if (over) return;
      if (now) setCatalogue((shown) => (shown && kept && now === kept.catalogue ? shown : now));
      else again = setTimeout(read, AGAIN_MS);
    };
    read();
    shown.add(read);
    return () => {
      over = true;
      shown.delete(read);
      clearTimeout(again);
    };
  }, []);
  return catalogue;
}

/** Names by part id or loose code. */
export function namesOf(catalogue: ClientCatalogue | null): Record<string, string> {
  if (!catalogue) return {};
  return Object.fromEntries([...catalogue.parts.map((p) => [p.id, p.name]), ...catalogue.loose.map((l) => [l.code, l.name])]);
}
