import type { APIRoute } from 'astro';
import { answerOf, readJson } from '../../../../../../http/door/index.ts';
import { askGauge } from '../../../../../../http/gauge.ts';
import { letOutShape } from '../../../../../../http/shapes/index.ts';

/** Lets a measured volume out of a line under the gauge. */
export const POST: APIRoute = async ({ params, request }) => {
  try {
    const body = letOutShape.parse(await readJson(request));
    return await askGauge(`/lines/${encodeURIComponent(params.id ?? '')}/let-out`, { method: 'POST', body: JSON.stringify(body) }, request.signal);
  } catch (error) {
    return answerOf(error);
  }
};
