import { type HouseRules, indexParts, type MatchQuery, ratesOf, stockForCut } from '../../../core/index.ts';
import { shopCatalogue } from '../../../store/own-parts/index.ts';
import { callbacksBySeal, rulesInForce, sharedStock } from '../../../store/queries/index.ts';
import { database } from '../database.ts';
import type { MatchRequest } from '../shapes/index.ts';

/** The rules of a request, or those in force in the shop. */
export async function rulesOf(shopId: string, given: unknown): Promise<HouseRules> {
  return (given as HouseRules | undefined) ?? rulesInForce(database(), shopId);
}

/** A request as the core takes it: the shop's catalogue, rules and van filled in. */
export async function queryOf(shopId: string, r: MatchRequest): Promise<MatchQuery> {
  const wantsVan = r.stock === undefined || r.stock === 'van';
  const [catalogue, rules, counts] = await Promise.all([
    shopCatalogue(database(), shopId),
    rulesOf(shopId, r.rules),
    callbacksBySeal(database(), shopId),
  ]);
  const held = wantsVan ? await sharedStock(database(), shopId) : undefined;
  const { from, to, rejoin, need, k } = r;
  const stock = held
    ? stockForCut(held.onVan, catalogue.parts, need.minLengthIn)
    : r.stock === 'all'
      ? undefined
      : (r.stock as Record<string, number>);
  return { from, to, rejoin, need, k, rules, callbackRates: ratesOf(counts), stock, parts: indexParts(catalogue.parts), loose: catalogue.loose };
}
