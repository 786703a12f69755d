import type { APIRoute } from 'astro';
import { shopCatalogue } from '../../../../../store/own-parts/index.ts';
import { shopSince, stockAnswer } from '../../../../../store/queries/index.ts';
import { database } from '../../../../http/database.ts';
import { answerOf, json } from '../../../../http/door/index.ts';

/** What lies on each shelf and van, and what is to be bought so that each has its minimum again. */
export const GET: APIRoute = async ({ request, locals }) => {
  try {
    const [since, own] = await Promise.all([shopSince(database(), locals.shop), shopCatalogue(database(), locals.shop)]);
    const { revision, ...stock } = await stockAnswer(database(), locals.shop, own.parts);
    const etag = `"${since} ${own.version} ${revision}"`;
    const headers = { etag, 'cache-control': 'no-cache' };
    if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers });
    return json(stock, headers);
  } catch (error) {
    return answerOf(error);
  }
};
