import { sealsTable } from './seals.table.ts';

export type SealId =
  | 'washer'
  | 'washer-plastic'
  | 'washer-hose'
  | 'washer-aerator'
  | 'ferrule'
  | 'ferrule-large'
  | 'ferrule-plastic'
  | 'taper'
  | 'taper-plastic'
  | 'o-ring'
  | 'flare'
  | 'cone'
  | 'push'
  | 'push-small'
  | 'crimp'
  | 'expansion'
  | 'solder';

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
  /** Sealants that go with it, the first being usual. */
  sealant: string[];
  /** null for a joint that is not screwed. */
  turns: SealTurns | null;
  /** A first guess until the shop's own ledger speaks. */
  callbacksPer1000: number;
  note: string;
}

export const seals: readonly Seal[] = sealsTable;

const byId = new Map(seals.map((s) => [s.id, s]));

export function sealById(id: SealId): Seal {
  return byId.get(id) as Seal;
}
