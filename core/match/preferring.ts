import { matchChains, refusedParts } from './chains.ts';
import { type Construction, constructionsOf, type ServingLength } from './constructions.ts';
import { isLine } from './part.ts';
import type { Chain, MatchQuery, MatchResult } from './query.ts';
import { settingOf } from './search/setting.ts';
import { twoLines } from './two-lines.ts';

/** The best ways to join two ends, each once, and what is missing where there is none. */
export interface MatchAnswer extends MatchResult {
  /** Of each chain the lengths that serve in its place, the shortest first. */
  lengths: ServingLength[][];
}

/**
 * The best constructions, without what is avoided where anything else reaches; with it where nothing does, and then each says its caution.
 *
 * A joint that only may hold is no reason to avoid anything: it is taken only where nothing seals.
 *
 * @param avoid tags no part carries if it can be helped, the one that counts most first: 'connector' before an appliance's own hose
 */
export function matchPreferring(q: MatchQuery, avoid: readonly string[]): MatchAnswer {
  const without = (n: number): MatchQuery => ({ ...q, need: { ...q.need, avoid: [...(q.need.avoid ?? []), ...avoid.slice(0, n)] } });
  const sealing = (asked: MatchQuery) => constructionsOf(settingOf(asked), false);
  const kept = without(avoid.length);
  const best = sealing(kept);
  if (best.length > 0) return told(kept, best);
  const all = avoid.length === 0 ? [] : sealing(q);
  if (all.length === 0) {
    const marginal = constructionsOf(settingOf(q), true);
    if (marginal.length > 0) return told(q, marginal);
    const two = twoLines(q);
    return two ? { ...two, lengths: two.chains.map(() => []) } : { ...matchChains(q), lengths: [] };
  }
  // The last is given up first.
  for (let n = avoid.length - 1; n > 0; n--) {
    const found = sealing(without(n));
    if (found.length > 0) return told(without(n), found);
  }
  return told(q, all);
}

const told = (q: MatchQuery, found: readonly Construction[]): MatchAnswer => ({
  chains: found.map((c) => c.best),
  lengths: found.map((c) => c.lengths),
  refused: refusedParts(settingOf(q)),
});

/** Which of its lengths would make a chain of exactly these parts, water side first; null where none would. */
export function lengthMaking({ parts }: Chain, lengths: readonly ServingLength[], wanted: readonly string[]): string | null {
  const line = parts.findIndex((id) => lengths.some((l) => l.part === id));
  const rest = (ids: readonly string[]) => ids.filter((_, i) => i !== line).join(' ');
  if (line < 0 || wanted.length !== parts.length || rest(wanted) !== rest(parts)) return null;
  return lengths.find((l) => l.part === wanted[line])?.part ?? null;
}

/**
 * A chain with another length of its line.
 *
 * @param part  id of one of its lengths
 * @returns     null where it is none of them
 */
export function chainWithLength(q: MatchQuery, chain: Chain, part: string): Chain | null {
  const all = Array.isArray(q.parts) ? q.parts : q.parts.parts;
  const parts = chain.parts.map((id) => all.find((p) => p.id === id)!);
  const other = all.find((p) => p.id === part);
  const line = parts.findIndex(isLine);
  if (!other || line < 0) return null;
  parts[line] = other;
  const wanted = parts.map((p) => p.id).join(' ');
  return matchChains({ ...q, k: 100, parts }).chains.find((c) => c.parts.join(' ') === wanted) ?? null;
}
