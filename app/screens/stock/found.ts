import { findParts } from '../../../core/index.ts';
import type { Level, StockedPlace } from '../../../record/index.ts';
import type { ClientCatalogue } from '../../ui/held/index.ts';

/** As many items of the catalogue as are offered beside what lies here. */
const MOST_OTHERS = 20;

export const isLow = (l: Level): boolean => l.quantity < l.minimum;

/** The parts that were described by their ends, the likeliest first. */
function byDescription(place: StockedPlace, ids: readonly string[]): { here: Level[]; others: string[] } {
  const here = ids.flatMap((id) => place.items.find((l) => l.item === id) ?? []);
  const known = new Set(here.map((l) => l.item));
  return { here, others: ids.filter((id) => !known.has(id)).slice(0, MOST_OTHERS) };
}

export function found(
  place: StockedPlace,
  words: string,
  nameOf: (item: string) => string,
  catalogue: ClientCatalogue | null,
): { here: Level[]; others: string[] } {
  const all = words.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = (item: string) => {
    const text = `${nameOf(item)} ${item}`.toLowerCase();
    return all.every((w) => text.includes(w));
  };
  const described = catalogue ? findParts(words, catalogue.parts) : [];
  if (described.length > 0) return byDescription(place, described);
  // What runs low stands first.
  const here = place.items
    .filter((l) => fits(l.item))
    .sort((a, b) => Number(isLow(b)) - Number(isLow(a)) || (nameOf(a.item) < nameOf(b.item) ? -1 : 1));
  if (all.length === 0 || !catalogue) return { here, others: [] };
  const known = new Set(place.items.map((l) => l.item));
  const others = [...catalogue.parts.map((p) => p.id), ...catalogue.loose.map((l) => l.code)].filter((item) => !known.has(item) && fits(item));
  return { here, others: others.slice(0, MOST_OTHERS) };
}
