import type { APIRoute } from 'astro';
import { exportParts } from '../../../../../store/own-parts.ts';
import { database, THE_SHOP } from '../../../../http/database.ts';
import { answerOf } from '../../../../http/faults.ts';

/** The shop's own parts, as they came in (RFC 4180, UTF-8). */
export const GET: APIRoute = async () => {
  try {
    return new Response(await exportParts(database(), THE_SHOP), {
      headers: { 'content-type': 'text/csv; charset=utf-8; header=present', 'content-disposition': 'attachment; filename="own-parts.csv"' },
    });
  } catch (error) {
    return answerOf(error);
  }
};
