import type { APIRoute } from 'astro';
import { now } from '../../../../../../store/database/index.ts';
import { exportWater, importWater, readFile } from '../../../../../../store/files/index.ts';
import { premisesAsked } from '../../../../../http/asked/index.ts';
import { database } from '../../../../../http/database.ts';
import { answerOf, json, MAX_FILE, readBody } from '../../../../../http/door/index.ts';

/** The water of a premises as a file. */
export const GET: APIRoute = async ({ params, locals }) => {
  try {
    const file = await premisesAsked(params.id, (id) => exportWater(database(), locals.shop, id));
    return new Response(file, {
      headers: { 'content-type': 'application/json; charset=utf-8', 'content-disposition': 'attachment; filename="water.json"' },
    });
  } catch (error) {
    return answerOf(error);
  }
};

/** Takes in such a file, all or nothing: what it holds is drawn over what has the same ids. */
export const POST: APIRoute = async ({ request, params, locals }) => {
  try {
    const file = await readFile('water', await readBody(request, MAX_FILE));
    return json(await premisesAsked(params.id, (id) => importWater(database(), locals.shop, id, file, now())));
  } catch (error) {
    return answerOf(error);
  }
};
