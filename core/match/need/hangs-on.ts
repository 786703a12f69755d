/** What speaks against a chain that was chosen: now, or were a fact so that nobody has said yet. */
import type { Reason } from '../../reason.ts';
import type { MatchQuery, Need } from '../query.ts';
import { whyNot } from '../told/why-not.ts';

/** Of what may stand against a chain, what says nothing of what is asked: a dearer one may be wanted, and the catalogue goes on. */
const NOT_ASKED: readonly string[] = ['idle', 'marginal', 'unknown-part'];

/** Reasons why a chain does not do what is asked; none where the catalogue has one of its parts no more: that says nothing of the work. */
export function against(query: MatchQuery, partIds: string[]): Reason[] {
  const reasons = whyNot(query, partIds);
  return reasons.some((r) => r.rule === 'unknown-part') ? [] : reasons.filter((r) => !NOT_ASKED.includes(r.rule));
}

/** Facts of a survey that decide over parts and joints. */
export const OPEN_FACTS = {
  hidden: {
    need: (need) => ({ ...need, reachable: false }),
    // A hose or a valve is never closed in: where one is, the joints stay in sight.
    staysInSight: ['hidden-flexible', 'needs-access'],
  },
  osmosis: { need: (need) => ({ ...need, avoid: [...new Set([...(need.avoid ?? []), 'copper', 'brass'])] }), staysInSight: [] },
} as const satisfies Record<string, { need: (need: Need) => Need; staysInSight: readonly string[] }>;
export type OpenFact = keyof typeof OPEN_FACTS;

/**
 * Facts that nobody has said yet and that would rule the chain out, were they so: they are asked before it is taken.
 *
 * @param open  those that are not known
 */
export function hangsOn(query: MatchQuery, partIds: string[], open: readonly OpenFact[]): { fact: OpenFact; because: Reason[] }[] {
  const now = new Set(against(query, partIds).map((r) => r.rule));
  return open.flatMap((fact) => {
    const { need, staysInSight } = OPEN_FACTS[fact];
    const because = against({ ...query, need: need(query.need) }, partIds).filter((r) => !now.has(r.rule));
    const isMoot = because.some((r) => (staysInSight as readonly string[]).includes(r.rule));
    return because.length === 0 || isMoot ? [] : [{ fact, because }];
  });
}
