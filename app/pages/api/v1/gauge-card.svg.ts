import type { APIRoute } from 'astro';
import { cardSvg } from '../../../http/card-file.ts';
import { answerOf } from '../../../http/faults.ts';

export const GET: APIRoute = async () => {
  try {
    return new Response((await cardSvg()) as BodyInit, {
      headers: { 'content-type': 'image/svg+xml; charset=utf-8', 'content-disposition': 'inline; filename="gauge-card.svg"' },
    });
  } catch (error) {
    return answerOf(error);
  }
};
