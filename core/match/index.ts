export { matchChains } from './chains.ts';
export { type Construction, constructions, type ServingLength } from './constructions.ts';
export { stockForCut } from './cut-stock.ts';
export { type Kit, kitFor } from './kits.ts';
export { against, hangsOn, type OpenFact } from './need/hangs-on.ts';
export {
  type AskedNeed,
  asideFor,
  askedNeeds,
  FINISHES,
  KNOWN_IDS,
  type KnownId,
  knownNeed,
  MATCH_RULES,
  type MatchRule,
  needOfAll,
  rulesOfAll,
} from './need/known-need.ts';
export { inletsFound, usualBoreIn } from './need/usual-bore.ts';
export type { Loose, Part, PartEnd, Port } from './part.ts';
export { chainWithLength, lengthMaking, type MatchAnswer, matchPreferring } from './preferring.ts';
export { type Branch, type Chain, type ChainJoint, COIL_ALLOWANCE_IN, type MatchQuery, type Need, type PathStep, type Stub } from './query.ts';
export type { RatesGiven } from './seal-rates.ts';
export { loops } from './search/build.ts';
export { indexParts, type PartIndex } from './search/catalogue-index.ts';
export { AGAIN_TURNS } from './search/found-nut.ts';
export { type ListLine, shoppingList } from './shopping.ts';
export { chainSayings } from './told/sayings.ts';
export { type JointSides, jointSides, shortName, sideWords, throughEnds } from './told/sides.ts';
export { type Apart, tellApart } from './told/tell-apart.ts';
export { whyNot } from './told/why-not.ts';
