import type { Loose, Part } from '../match/part.ts';
import type { AcceptedChain } from './entry.ts';

/** What an acceptance keeps of the parts and loose pieces of a chain, as they are in the catalogue now. */
export function itemsOf(ids: string[], parts: Part[], loose: (Loose & { name: string })[]): AcceptedChain['items'] {
  const known = new Map<string, AcceptedChain['items'][string]>([
    ...parts.map((p) => [p.id, { name: p.name, priceCents: p.priceCents, kind: p.kind, tags: p.tags }] as const),
    ...loose.map((l) => [l.code, { name: l.name, priceCents: l.priceCents }] as const),
  ]);
  return Object.fromEntries(ids.flatMap((id) => (known.has(id) ? [[id, known.get(id)!] as const] : [])));
}
