import type { APIRoute } from 'astro';
import { cardPdf } from '../../../http/card-file.ts';
import { answerOf } from '../../../http/faults.ts';

export const GET: APIRoute = async () => {
  try {
    return new Response((await cardPdf()) as BodyInit, {
      headers: { 'content-type': 'application/pdf', 'content-disposition': 'inline; filename="gauge-card.pdf"' },
    });
  } catch (error) {
    return answerOf(error);
  }
};
