import type { APIRoute } from 'astro';
import { shopCatalogue } from '../../../../store/own-parts/index.ts';
import { currentRules } from '../../../../store/queries/rules.ts';
import { shopSince } from '../../../../store/queries/shop.ts';
import { sharedVan } from '../../../../store/queries/stock.ts';
import { database, THE_SHOP } from '../../../http/database.ts';
import { answerOf } from '../../../http/faults.ts';
import { json } from '../../../http/problem.ts';

/**
 * What matching and work cards need in the browser: parts, loose pieces, steps, the house rules in force and the van's stock. A browser that has
 * it already is told so, for a shop with many parts of its own is megabytes.
 */
export const GET: APIRoute = async ({ request }) => {
  try {
    const [since, own, { version, rules }] = await Promise.all([
      shopSince(database(), THE_SHOP),
      shopCatalogue(database(), THE_SHOP),
      currentRules(database(), THE_SHOP),
    ]);
    const { moves, stock } = await sharedVan(database(), THE_SHOP, own.parts);
    const etag = `"${since} ${own.version} ${version} ${moves}"`;
    const headers = { etag, 'cache-control': 'no-cache' };
    if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers });
    return json({ ...own, rules, stock }, headers);
  } catch (error) {
    return answerOf(error);
  }
};
