import { matchChains } from './chains.ts';
import type { MatchQuery, MatchResult } from './query.ts';

/**
 * The best chains, without what is avoided where anything else reaches; with it where nothing does, and then each says its caution.
 *
 * @param avoid tags no part carries if it can be helped: 'hose' before an appliance's own hose
 */
export function matchPreferring(q: MatchQuery, avoid: readonly string[]): MatchResult {
  if (avoid.length === 0) return matchChains(q);
  const without = matchChains({ ...q, need: { ...q.need, avoid: [...(q.need.avoid ?? []), ...avoid] } });
  return without.chains.length > 0 ? without : matchChains(q);
}
