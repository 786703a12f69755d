import { matchChains, refusedParts } from './chains.ts';
import { type Construction, constructions, type ServingLength } from './constructions.ts';
import type { Chain, MatchQuery, MatchResult } from './query.ts';
import { settingOf } from './search/setting.ts';

/** The best ways to join two ends, each once, and what is missing where there is none. */
export interface MatchAnswer extends MatchResult {
  /** Of each chain the lengths that serve in its place, the shortest first. */
  lengths: ServingLength[][];
}

/**
 * The best constructions, without what is avoided where anything else reaches; with it where nothing does, and then each says its caution.
 *
 * @param avoid tags no part carries if it can be helped, the one that counts most first: 'connector' before an appliance's own hose
 */
export function matchPreferring(q: MatchQuery, avoid: readonly string[]): MatchAnswer {
  // The last is given up first.
  for (let n = avoid.length; n >= 0; n--) {
    const asked = n === 0 ? q : { ...q, need: { ...q.need, avoid: [...(q.need.avoid ?? []), ...avoid.slice(0, n)] } };
    const found = constructions(asked);
    if (found.length > 0) return told(asked, found);
  }
  return { ...matchChains(q), lengths: [] };
}

const told = (q: MatchQuery, found: readonly Construction[]): MatchAnswer => ({
  chains: found.map((c) => c.best),
  lengths: found.map((c) => c.lengths),
  refused: refusedParts(settingOf(q)),
});

/**
 * A chain with another length of its line.
 *
 * @param part  id of one of its lengths
 * @returns     null where it is none of them
 */
export function chainWithLength(q: MatchQuery, chain: Chain, part: string): Chain | null {
  const all = Array.isArray(q.parts) ? q.parts : q.parts.parts;
  const other = all.find((p) => p.id === part);
  const line = chain.parts.findIndex((id) => all.find((p) => p.id === id)?.flexible || all.find((p) => p.id === id)?.cutToLength);
  if (!other || line < 0) return null;
  const ids = chain.parts.map((id, i) => (i === line ? part : id));
  const { chains } = matchChains({ ...q, k: 100, parts: ids.map((id) => all.find((p) => p.id === id)!) });
  return chains.find((c) => c.parts.join(' ') === ids.join(' ')) ?? null;
}
