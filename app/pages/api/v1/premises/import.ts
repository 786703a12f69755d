import type { APIRoute } from 'astro';
import { now } from '../../../../../store/database/index.ts';
import { CsvFileError, importPremises } from '../../../../../store/files/index.ts';
import { database } from '../../../../http/database.ts';
import { answerOf, json, MAX_FILE, readBytes } from '../../../../http/door/index.ts';

/** Takes in a CSV file of premises, all or nothing; what will not do comes back as problem details, with every fault by line and column. */
export const POST: APIRoute = async ({ request, locals }) => {
  try {
    return json(await importPremises(database(), locals.shop, await readBytes(request, MAX_FILE), now()));
  } catch (error) {
    const answer = answerOf(error);
    if (!(error instanceof CsvFileError)) return answer;
    return new Response(JSON.stringify({ ...(await answer.json()), faults: error.faults }), { status: answer.status, headers: answer.headers });
  }
};
