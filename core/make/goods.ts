/** Small goods that a card uses besides its chain: tape, wax, bolts, sealant. */
import { goodsTable } from './goods.table.ts';
import type { WorkStep } from './work-card.ts';

export interface Good {
  /** Its code among loose pieces. */
  code: string;
  name: string;
  /** Words by which cards ask for it. */
  says: readonly string[];
  /** Pieces, rolls or tins that one card wants on the van. */
  count: number;
  /** What one card uses of it costs, cents. */
  useCents: number;
}

const byWords = new Map(goodsTable.flatMap((good: Good) => good.says.map((words) => [words, good] as const)));

/** What a card uses, each once, in the order in which it is wanted. */
export function goodsOf(steps: readonly Pick<WorkStep, 'materials'>[]): Good[] {
  const found = steps.flatMap((s) => (s.materials ?? []).flatMap(({ what }) => byWords.get(what.toLowerCase()) ?? []));
  return [...new Set(found)];
}
