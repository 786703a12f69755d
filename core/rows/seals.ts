import { sealsTable } from './seals.table.ts';

export type SealId = (typeof sealsTable)[number]['id'];

/** Turns past hand-tight: the usual range, the house default, what a weep gets, and the total after which the joint is remade. */
export interface SealTurns {
  from: number;
  to: number;
  default: number;
  nudge: number;
  most: number;
}

/** How a joint keeps water in. */
export interface Seal {
  id: SealId;
  name: string;
  /** In a word or two, for lists: 'ferrule'. */
  shortName: string;
  /** Sealants that go with it, the first being usual. */
  sealant: readonly string[];
  /** null for a joint that is not screwed. */
  turns: SealTurns | null;
  /** A first guess until the shop's own ledger speaks. */
  callbacksPer1000: number;
  /** What a leak can fill inside nut, cup or collar before its first drop shows, mL; typical. */
  hiddenMl: number;
  /** Where nobody can reach it afterwards, behind a wall or a built-in. */
  mayBeHidden: boolean;
  note: string;
}

export const seals: readonly Seal[] = sealsTable;

const byId = new Map(seals.map((s) => [s.id, s]));

export function sealById(id: SealId): Seal {
  return byId.get(id) as Seal;
}
