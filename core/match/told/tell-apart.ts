/** What tells the chains of an answer apart, in the words a plumber would ask for them. */
import type { HouseRules } from '../../house/index.ts';
import { type Reason, reason } from '../../reason.ts';
import { length, type Said, said } from '../../units/index.ts';
import type { Part } from '../part.ts';
import type { Chain } from '../query.ts';
import { shortName } from './sides.ts';

export interface Apart {
  /** Its parts, water side first; a line with its length. */
  parts: Said[];
  /** What has to be bought: names of parts and loose pieces that the van lacks. */
  missing: string[];
  /** Why the first departs from a rule of the house; null where it does not. */
  departs: Reason | null;
}

/** Which rule a part's kind of line is weighed by. */
const RULE_OF_LINE: Record<string, 'toiletLine' | 'applianceLine'> = {
  riser: 'toiletLine',
  flexible: 'toiletLine',
  braided: 'applianceLine',
  copper: 'applianceLine',
  pe: 'applianceLine',
  pex: 'applianceLine',
};

/**
 * What tells each chain of an answer from the others.
 *
 * @param chains ranked, best first
 * @param names  names by part id or loose code
 */
export function tellApart(chains: Chain[], parts: Part[], names: Record<string, string>, rules: HouseRules): Apart[] {
  const byId = new Map(parts.map((p) => [p.id, p]));
  return chains.map((chain, i) => ({
    parts: chain.path.map(({ part, cutLengthIn }) => inWords(byId.get(part), names[part] ?? part, cutLengthIn)),
    missing: chain.offVan.map((id) => names[id] ?? id),
    departs: i === 0 ? departure(chains, byId, rules) : null,
  }));
}

function inWords(part: Part | undefined, name: string, cutLengthIn: number | undefined): Said {
  const lengthIn = cutLengthIn ?? (part?.flexible ? part.lengthIn : undefined);
  if (lengthIn === undefined) return said`${shortName(name)}`;
  return said`${shortName(name)}, ${cutLengthIn === undefined ? '' : 'cut to '}${length(lengthIn)}`;
}

/** A chain of a kind the house does not prefer comes first only where it is dearer to keep to the rule. */
function departure(chains: Chain[], byId: Map<string, Part>, rules: HouseRules): Reason | null {
  const best = chains[0]!;
  if (best.cost.preference === 0) return null;
  const kinds = best.parts.flatMap((id) => byId.get(id)?.tags.flatMap((tag) => (tag.startsWith('line:') ? [tag.slice(5)] : [])) ?? []);
  const kind = kinds.find((k) => RULE_OF_LINE[k] !== undefined && rules[RULE_OF_LINE[k]] !== k);
  if (kind === undefined) return null;
  const asked = rules[RULE_OF_LINE[kind]!];
  const kept = chains.find((c) => c.cost.preference === 0);
  if (!kept) return reason('departs', `The house prefers a ${asked} line; none of the chains found has one.`);
  const dollars = kept.cost.total - best.cost.total;
  const isTrip = kept.cost.trip > best.cost.trip;
  return reason(
    'departs',
    `The house prefers a ${asked} line, but the best such chain would cost $${dollars.toFixed(2)} more in all${isTrip ? ', most of it the trip for what the van lacks' : ''}.`,
    { figures: { dollars: Number(dollars.toFixed(2)) } },
  );
}
