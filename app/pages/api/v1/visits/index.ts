import type { APIRoute } from 'astro';
import { now } from '../../../../../store/database/clock.ts';
import { readFile } from '../../../../../store/files/parse-apart.ts';
import { importVisit } from '../../../../../store/files/visit-file.ts';
import { plannedVisits } from '../../../../../store/queries/day.ts';
import { visitAnswer } from '../../../../http/answers/visit-answer.ts';
import { daysAsked } from '../../../../http/asked/day-asked.ts';
import { database } from '../../../../http/database.ts';
import { get } from '../../../../http/door/endpoint.ts';
import { answerOf } from '../../../../http/door/faults.ts';
import { MAX_FILE, readBody } from '../../../../http/door/guard.ts';
import { json } from '../../../../http/door/problem.ts';

/** Visits of some days, both included, with how far they are, what they run into, and what the van lacks for them. */
export const GET = get(async ({ url, locals }) => {
  const { from, to } = daysAsked(url);
  return { visits: (await plannedVisits(database(), locals.shop, from, to, now())).map(visitAnswer) };
});

/** Takes in a visit file, all or nothing. */
export const POST: APIRoute = async ({ request, locals }) => {
  try {
    const file = await readFile('visit', await readBody(request, MAX_FILE));
    return json(await importVisit(database(), locals.shop, file, now()));
  } catch (error) {
    return answerOf(error);
  }
};
