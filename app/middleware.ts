import { defineMiddleware } from 'astro:middleware';
import { catalogue } from '../catalog/index.ts';
import { shopsHere } from '../store/shops.ts';
import { database } from './http/database.ts';
import { answerOf, guard, HEADERS, type Problem, problem } from './http/door/index.ts';
import { shopAsked } from './http/shop.ts';
import { inUnits, unitsOf } from './http/units.ts';

// Read now, so that no request waits for it.
catalogue();

export const onRequest = defineMiddleware(async (context, next) => {
  const { request, url } = context;
  const isApi = url.pathname.startsWith('/api/');
  let response = guard(request);
  if (!response) {
    try {
      context.locals.shop = await shopAsked(context);
      if (isApi) response = await next();
      else {
        // One question for all that a page wants to know of its shop before it begins.
        context.locals.shops = await shopsHere(database());
        context.locals.units = unitsOf(context);
        response = await inUnits(context.locals.units, next);
      }
      // The worker that keeps pages keeps them for their shop.
      if (!isApi) response.headers.set('brass-nut-shop', context.locals.shop);
      if (response.status === 404 && isApi && !isProblem(response)) response = noSuchCall(context.request.method, url.pathname);
    } catch (error) {
      response = answerOf(error);
      if (!isApi) response = await asPage(response);
    }
  }
  for (const [name, value] of Object.entries(HEADERS)) response.headers.set(name, value);
  return response;
});

const isProblem = (response: Response) => response.headers.get('content-type')?.startsWith('application/problem+json');

/** The framework would answer with a page. */
const noSuchCall = (method: string, path: string) =>
  problem(
    404,
    'no-such-call',
    'No such call',
    `The API has no ${method} ${path.slice(0, 200)}. What it has is described at /api/v1/openapi.json.`,
    'the path',
  );

/** The same words for a person: a bare page that needs neither database nor script. */
async function asPage(response: Response): Promise<Response> {
  const { title, detail, status } = (await response.json()) as Problem;
  const safe = (text: string) => text.replace(/[<>&"]/g, (c) => `&#${c.charCodeAt(0)};`);
  const body = `<!doctype html><html lang="en"><meta charset="utf-8"><title>${safe(title)}</title><meta name="viewport" content="width=device-width">
<h1>${safe(title)}</h1><p>${safe(detail)}</p><p><a href="">Try again</a> or go <a href="/">to the day sheet</a>.</p></html>`;
  return new Response(body, { status, headers: { 'content-type': 'text/html; charset=utf-8', 'content-security-policy': "default-src 'none'" } });
}
