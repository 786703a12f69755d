import type { APIRoute } from 'astro';
import { now } from '../../../../../store/clock.ts';
import { readFile } from '../../../../../store/parse-apart.ts';
import { plannedVisits } from '../../../../../store/queries/day.ts';
import { importVisit } from '../../../../../store/visit-file.ts';
import { database } from '../../../../http/database.ts';
import { daysAsked } from '../../../../http/day-asked.ts';
import { get } from '../../../../http/endpoint.ts';
import { answerOf } from '../../../../http/faults.ts';
import { MAX_FILE, readBody } from '../../../../http/guard.ts';
import { json } from '../../../../http/problem.ts';
import { visitAnswer } from '../../../../http/visit-answer.ts';

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
