import type { APIRoute } from 'astro';
import { type SealCount, weighedSeal } from '../../../../core/index.ts';
import { shopCatalogue } from '../../../../store/own-parts/index.ts';
import { callbacksBySeal, countOf, currentRules, ownMinutes, ownStepMinutes, shopSince } from '../../../../store/queries/index.ts';
import { database } from '../../../http/database.ts';
import { answerOf, json } from '../../../http/door/index.ts';

/**
 * What matching and work cards need in the browser: parts, loose pieces, steps and the house rules in force; what is in stock is `/stock`. A browser that has
 * it already is told so, for a shop with many parts of its own is megabytes.
 */
export const GET: APIRoute = async ({ request, locals }) => {
  try {
    const [since, own, { upTo, rules }, minutes, stepMinutes, callbacks] = await Promise.all([
      shopSince(database(), locals.shop),
      shopCatalogue(database(), locals.shop),
      currentRules(database(), locals.shop),
      ownMinutes(database(), locals.shop),
      ownStepMinutes(database(), locals.shop),
      callbacksBySeal(database(), locals.shop),
    ]);
    const etag = `"${since} ${own.version} ${upTo} ${countOf(minutes)} ${countOf(stepMinutes)} ${inRough(callbacks)}"`;
    const headers = { etag, 'cache-control': 'no-cache' };
    if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers });
    return json({ ...own, rules, ownMinutes: minutes, ownStepMinutes: stepMinutes, callbacks }, headers);
  } catch (error) {
    return answerOf(error);
  }
};

/** Rates in 10,000ths: a joint more of many is no reason to send the catalogue again. */
const inRough = (counts: SealCount[]): string => counts.map((c) => Math.round(weighedSeal(c.seal, counts).weighed * 10_000)).join('.');
