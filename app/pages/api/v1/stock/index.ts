import type { APIRoute } from 'astro';
import { shopCatalogue } from '../../../../../store/own-parts/index.ts';
import { shopSince } from '../../../../../store/queries/shop.ts';
import { stockAnswer } from '../../../../../store/queries/stock.ts';
import { database, THE_SHOP } from '../../../../http/database.ts';
import { answerOf } from '../../../../http/faults.ts';
import { json } from '../../../../http/problem.ts';

/** What lies on each shelf and van, and what is to be bought so that each has its minimum again. */
export const GET: APIRoute = async ({ request }) => {
  try {
    const [since, own] = await Promise.all([shopSince(database(), THE_SHOP), shopCatalogue(database(), THE_SHOP)]);
    const { revision, ...stock } = await stockAnswer(database(), THE_SHOP, own.parts);
    const etag = `"${since} ${own.version} ${revision}"`;
    const headers = { etag, 'cache-control': 'no-cache' };
    if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers });
    return json(stock, headers);
  } catch (error) {
    return answerOf(error);
  }
};
