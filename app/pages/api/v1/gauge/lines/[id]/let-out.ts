import type { APIRoute } from 'astro';
import * as z from 'zod/mini';
import { answerOf, readJson } from '../../../../../../http/door/index.ts';
import { askGauge } from '../../../../../../http/gauge.ts';

const letOut = z.strictObject({ ml: z.number('wants a number').check(z.gt(0, 'must be more than 0'), z.lte(1000, 'is more than 1000')) });

/** Lets a measured volume out of a line under the gauge. */
export const POST: APIRoute = async ({ params, request }) => {
  try {
    const body = z.parse(letOut, await readJson(request));
    return await askGauge(`/lines/${encodeURIComponent(params.id ?? '')}/let-out`, { method: 'POST', body: JSON.stringify(body) }, request.signal);
  } catch (error) {
    return answerOf(error);
  }
};
