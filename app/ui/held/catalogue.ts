import { useEffect, useMemo, useState } from 'react';
import type { Catalogue } from '../../../catalog/index.ts';
import { type Appliance, type HouseRules, type RatesGiven, ratesOf, type SealCount } from '../../../core/index.ts';
import { NO_LOOK, type OwnMinutes, type OwnStepMinutes, type StockedPlace, stockOf, upcastRules, vanOf } from '../../../record/index.ts';
import { sync } from '../../../sync/run.ts';
import { getTagged, hold } from './held.ts';
import { useStockedPlaces } from './stock.ts';

/** What the server sends: the catalogue with the shop's own parts, its rules, and how long its own visits and steps took. */
type SentCatalogue = Catalogue & { rules: HouseRules; ownMinutes?: OwnMinutes; ownStepMinutes?: OwnStepMinutes; callbacks?: SealCount[] };

/** The same with what is in stock: on the shelves and vans, and on the van that is meant where none is named (pieces; of a coil, inches). */
export interface ClientCatalogue extends SentCatalogue {
  places: StockedPlace[];
  stock: Record<string, number>;
  /** Callbacks to expect by seal: first guesses weighed with the shop's own record. */
  callbackRates: RatesGiven;
}

/** How soon to ask again when the server did not answer, ms. */
const AGAIN_MS = 5_000;

const KEY = 'catalogue';

interface Kept {
  tag: string | null;
  catalogue: SentCatalogue;
}

/** What an older server said of an appliance less than this page asks. */
const UNSAID: Pick<
  Appliance,
  | 'minBoreIn'
  | 'plasticInlet'
  | 'usualNeeds'
  | 'avoid'
  | 'protection'
  | 'mixes'
  | 'hasAerator'
  | 'makesIce'
  | 'fedBoth'
  | 'capGpm'
  | 'usualLine'
  | 'closesMs'
> = {
  minBoreIn: 0.12,
  plasticInlet: false,
  usualNeeds: [],
  avoid: [],
  protection: '',
  mixes: false,
  hasAerator: false,
  makesIce: false,
  fedBoth: false,
  capGpm: null,
  closesMs: 25,
  usualLine: { stop: 'quarter-angle', tube: 'braid-faucet', lengthIn: 20 },
};

const upcast = (kept: SentCatalogue): SentCatalogue => ({
  ...kept,
  look: kept.look ?? NO_LOOK,
  losses: kept.losses ?? [],
  kits: kept.kits ?? [],
  rules: upcastRules(kept.rules),
  appliances: kept.appliances.map((a) => ({ ...UNSAID, ...a })),
});

/** What this device holds of it; undefined where it holds none, or holds nothing at all. */
async function held(): Promise<Kept | undefined> {
  try {
    const kept = await (await sync.device()).get<Kept>(KEY);
    return kept && { ...kept, catalogue: upcast(kept.catalogue) };
  } catch {
    return undefined;
  }
}

/** Asks the server, and keeps what it says; null where it does not answer. The same object where nothing has changed. */
async function fresh(kept: Kept | undefined): Promise<SentCatalogue | null> {
  const said = await getTagged<SentCatalogue>('/api/v1/catalogue');
  if (!said) return null;
  if (kept && said.tag !== null && said.tag === kept.tag) return kept.catalogue;
  const catalogue = await said.read();
  if (catalogue) await hold(KEY, { tag: said.tag, catalogue });
  return catalogue;
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
  const [catalogue, setCatalogue] = useState<SentCatalogue | null>(null);
  const places = useStockedPlaces();
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
  return useMemo(
    () => catalogue && places && { ...catalogue, places, stock: stockOf(vanOf(places)), callbackRates: ratesOf(catalogue.callbacks ?? []) },
    [catalogue, places],
  );
}

/** Names by part id or loose code. */
export function namesOf(catalogue: ClientCatalogue | null): Record<string, string> {
  if (!catalogue) return {};
  return Object.fromEntries([...catalogue.parts.map((p) => [p.id, p.name]), ...catalogue.loose.map((l) => [l.code, l.name])]);
}
