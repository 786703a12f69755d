/** What lies on a shelf or van, from what was said of it: the last count, and what came and went since. */
import { type BookEntry, isBookEntry } from '../book/entry.ts';
import { resolved } from '../effective.ts';
import type { AmountOf, CameOrWent, Moved } from './stock-place.ts';

/** Of one item at one place, as it was told; what runs took since is not in it. */
export interface ToldAmount<E extends BookEntry = BookEntry> {
  placeId: string;
  /** Pieces, of what is cut from a coil inches; below nought where more went out than ever came in. */
  quantity: number;
  /** 0 where none was set. */
  minimum: number;
  /** The count that it goes by; null where it was never counted. */
  counted: E | null;
  /** The first that was said of it here. */
  first: E;
}

/**
 * @param item    part by its id, or loose piece by its code
 * @param entries all that was said of it, of whatever place; what is of another item is left out
 */
export function toldOf<E extends BookEntry>(item: string, entries: readonly E[]): Map<string, ToldAmount<E>> {
  const found = new Map<string, ToldAmount<E>>();
  const at = (placeId: string, entry: E): ToldAmount<E> => {
    const told = found.get(placeId) ?? { placeId, quantity: 0, minimum: 0, counted: null, first: entry };
    found.set(placeId, told);
    return told;
  };
  for (const { stands } of resolved(entries)) {
    if (!stands || stands.body.item !== item) continue;
    const told = at(stands.subject.id, stands);
    const { quantity } = stands.body as AmountOf;
    switch (stands.change) {
      case 'received':
        told.quantity += quantity;
        break;
      case 'used':
      case 'thrown':
        told.quantity -= quantity;
        break;
      case 'moved':
        told.quantity -= quantity;
        at((stands.body as Moved).toId, stands).quantity += quantity;
        break;
      case 'counted':
        Object.assign(told, { quantity, counted: stands });
        break;
      case 'minimum-set':
        told.minimum = quantity;
        break;
    }
  }
  return found;
}

/** What lies at a place, as lists show it. */
export interface Level {
  item: string;
  quantity: number;
  minimum: number;
}

/** A shelf or van with what lies there. */
export interface StockedPlace {
  id: string;
  name: string;
  kind: 'shelf' | 'van';
  items: Level[];
}

/** What is to be bought: each place's own shortfall, added up. What one place has too much of does not help another that is short of it. */
export function reorderOf(places: readonly StockedPlace[]): { item: string; quantity: number; at: { placeId: string; quantity: number }[] }[] {
  const found = new Map<string, { placeId: string; quantity: number }[]>();
  for (const place of places) {
    for (const { item, quantity, minimum } of place.items) {
      if (minimum - quantity <= 0 || minimum === 0) continue;
      found.set(item, [...(found.get(item) ?? []), { placeId: place.id, quantity: minimum - quantity }]);
    }
  }
  return [...found]
    .map(([item, at]) => ({ item, quantity: at.reduce((sum, a) => sum + a.quantity, 0), at }))
    .sort((a, b) => (a.item < b.item ? -1 : 1));
}

/** What can be taken at a place, by item. */
export const stockOf = (place: StockedPlace | undefined): Record<string, number> =>
  Object.fromEntries((place?.items ?? []).map((l) => [l.item, Math.max(0, l.quantity)]));

/** The van that is meant where a visit names none: the first that was written down. */
export const vanOf = (places: readonly StockedPlace[], vanId?: string | null): StockedPlace | undefined =>
  places.find((p) => p.id === vanId) ?? places.find((p) => p.kind === 'van');

/** Where an item lies but on one van, and how much of it. */
export const elsewhereOf = (
  item: string,
  places: readonly StockedPlace[],
  van: StockedPlace | undefined,
): { placeId: string; place: string; quantity: number }[] =>
  places.flatMap((p) => {
    const quantity = p.id === van?.id ? 0 : (p.items.find((l) => l.item === item)?.quantity ?? 0);
    return quantity > 0 ? [{ placeId: p.id, place: p.name, quantity }] : [];
  });

/** Places as they stand once what waits on this device is counted in: it was said after all that the server knew. */
export function withWaiting(places: readonly StockedPlace[], waiting: readonly object[]): StockedPlace[] {
  const now = new Map(places.map((p) => [p.id, { ...p, items: new Map(p.items.map((l) => [l.item, { ...l }])) }]));
  const level = (placeId: string, item: string): Level | undefined => {
    const items = now.get(placeId)?.items;
    if (!items) return undefined;
    const own = items.get(item) ?? { item, quantity: 0, minimum: 0 };
    items.set(item, own);
    return own;
  };
  for (const entry of standingOf(waiting)) {
    const { id } = entry.subject;
    if (entry.change === 'place-made') {
      const { name, kind } = entry.body as unknown as Pick<StockedPlace, 'name' | 'kind'>;
      now.set(id, { id, name, kind, items: new Map() });
      continue;
    }
    const { item, quantity } = entry.body as unknown as CameOrWent;
    const own = level(id, item);
    if (!own) continue;
    if (entry.change === 'received') own.quantity += quantity;
    if (entry.change === 'used' || entry.change === 'thrown' || entry.change === 'moved') own.quantity -= quantity;
    if (entry.change === 'counted') own.quantity = quantity;
    if (entry.change === 'minimum-set') own.minimum = quantity;
    const to = entry.change === 'moved' ? level((entry.body as unknown as Moved).toId, item) : undefined;
    if (to) to.quantity += quantity;
  }
  return [...now.values()].map((p) => ({ ...p, items: [...p.items.values()].sort((a, b) => (a.item < b.item ? -1 : 1)) }));
}

const standingOf = (waiting: readonly object[]): BookEntry[] =>
  resolved(waiting.filter(isBookEntry).filter((e) => e.subject.kind === 'stock')).flatMap(({ stands }) => (stands ? [stands] : []));
