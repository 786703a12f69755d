/** What vans want loaded for some visits: what their runs take, what is there already, and where the rest lies. */

import type { Needed } from '../run/needs/needed.ts';
import { neededTogether } from '../run/needs/needs.ts';
import { elsewhereOf, type StockedPlace, stockOf, vanOf } from './levels.ts';

export interface LoadRow extends Needed {
  item: string;
  onVan: number;
  /** Of what is needed, what is not on the van. */
  missing: number;
  forRuns: string[];
  /** Where else it lies, and how much of it. */
  elsewhere: { placeId: string; place: string; quantity: number }[];
}

export interface Load {
  /** null where the shop has no van. */
  van: { id: string; name: string } | null;
  rows: LoadRow[];
}

/** @param visits each with the van that it names, null for the shop's first, and its runs with what they take */
export function loadOf(
  visits: readonly { vanId: string | null; runs: { name: string; summary: { needs: Record<string, Needed> } }[] }[],
  stocked: readonly StockedPlace[],
): Load[] {
  const byVan = new Map<StockedPlace | undefined, (typeof visits)[number]['runs']>();
  for (const { vanId, runs } of visits) {
    const van = vanOf(stocked, vanId);
    byVan.set(van, [...(byVan.get(van) ?? []), ...runs]);
  }
  return [...byVan].map(([van, runs]) => {
    const stock = stockOf(van);
    return {
      van: van ? { id: van.id, name: van.name } : null,
      rows: neededTogether(runs).map((needed) => {
        const onVan = stock[needed.item] ?? 0;
        const missing = Math.max(0, needed.quantity - onVan);
        return { ...needed, onVan, missing, elsewhere: missing > 0 ? elsewhereOf(needed.item, stocked, van) : [] };
      }),
    };
  });
}

export interface Move {
  item: string;
  quantity: number;
  fromId: string;
  toId: string;
}

/** Moves that bring the van what it lacks from where it lies: the first places first, never more than is missing. */
export function movesFor({ van, rows }: Load): Move[] {
  if (!van) return [];
  return rows.flatMap(({ item, missing, elsewhere }) => {
    let left = missing;
    return elsewhere.flatMap(({ placeId, quantity }) => {
      const take = Math.min(left, quantity);
      left -= take;
      return take > 0 ? [{ item, quantity: take, fromId: placeId, toId: van.id }] : [];
    });
  });
}
