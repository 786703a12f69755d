/** What a chain takes from the van. */
import { COIL_ALLOWANCE_IN, goodsOf, type WorkStep } from '../../../core/index.ts';
import type { AcceptedChain } from '../kinds/chain-accepted.ts';

/** Of pieces, or of what is cut from a coil whole inches. */
export type Unit = 'piece' | 'inch';

export interface Needed {
  name: string;
  quantity: number;
  unit: Unit;
}

/** Parts and loose pieces of a chain: pieces by number, what is cut from a coil by the inches that the cut takes, at least its allowance. */
export function neededFor({ chain, items }: Pick<AcceptedChain, 'chain' | 'items'>): Record<string, Needed> {
  const out: Record<string, Needed> = {};
  const add = (item: string, quantity: number, unit: Unit) => {
    const row = out[item] ?? { name: items[item]?.name ?? item, quantity: 0, unit };
    out[item] = { ...row, quantity: row.quantity + quantity };
  };
  for (const step of chain.path) {
    const cut = step.cutLengthIn ?? (items[step.part]?.cutToLength ? COIL_ALLOWANCE_IN : undefined);
    if (cut === undefined) add(step.part, 1, 'piece');
    else add(step.part, Math.ceil(cut), 'inch');
  }
  for (const [code, count] of Object.entries(chain.loose)) add(code, count, 'piece');
  return out;
}

/** Small goods that a card uses: of each as many as one card wants. */
export const goodsNeeded = (card: readonly WorkStep[]): Record<string, Needed> =>
  Object.fromEntries(goodsOf(card).map(({ code, name, count }) => [code, { name, quantity: count, unit: 'piece' as const }]));
