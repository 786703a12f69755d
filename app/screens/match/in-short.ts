import { type Chain, shortName } from '../../../core/index.ts';
import { money } from '../../ui/words.ts';
import type { Answer } from './answer.ts';

export const chainName = (chain: Chain, name: (part: string) => string) => chain.parts.map(name).join(' + ') || 'the two ends by themselves';

/** The best chain in a line. */
export function inShort({ result: { chains }, names, currency }: Pick<Answer, 'result' | 'names' | 'currency'>): string {
  const [best] = chains;
  if (!best) return 'No chain: see why';
  return `${chainName(best, (p) => shortName(names[p] ?? p))}, ${money(best.priceCents, currency)}, ${best.offVan.length === 0 ? 'all on the van' : `${best.offVan.length} to buy`}`;
}
