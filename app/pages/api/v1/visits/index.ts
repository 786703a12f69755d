import type { APIRoute } from 'astro';
import { now } from '../../../../../store/database/index.ts';
import { importVisit, readFile } from '../../../../../store/files/index.ts';
import { plannedVisits } from '../../../../../store/queries/index.ts';
import { visitAnswer } from '../../../../http/answers/index.ts';
import { daysAsked } from '../../../../http/asked/index.ts';
import { database } from '../../../../http/database.ts';
import { answerOf, get, json, MAX_FILE, readBody } from '../../../../http/door/index.ts';

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
