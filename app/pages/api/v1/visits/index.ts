import type { APIRoute } from 'astro';
import { now } from '../../../../../store/clock.ts';
import { importVisit, parseVisitFile } from '../../../../../store/visit-file.ts';
import { database, THE_SHOP } from '../../../../http/database.ts';
import { answerOf } from '../../../../http/faults.ts';
import { MAX_FILE, readBody } from '../../../../http/guard.ts';
import { json } from '../../../../http/problem.ts';

/** Takes in a visit file, all or nothing. */
export const POST: APIRoute = async ({ request }) => {
  try {
    const file = parseVisitFile(await readBody(request, MAX_FILE));
    return json(await importVisit(database(), THE_SHOP, file, now()));
  } catch (error) {
    return answerOf(error);
  }
};
