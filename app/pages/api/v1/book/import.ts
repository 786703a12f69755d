import type { APIRoute } from 'astro';
import { importBook } from '../../../../../store/book-file.ts';
import { database } from '../../../../http/database.ts';
import { answerOf } from '../../../../http/faults.ts';
import { MAX_FILE, readBody } from '../../../../http/guard.ts';
import { json } from '../../../../http/problem.ts';

/** Takes a book into an empty shop, all or nothing. */
export const POST: APIRoute = async ({ request, locals }) => {
  try {
    return json(await importBook(database(), locals.shop, await readBody(request, MAX_FILE)));
  } catch (error) {
    return answerOf(error);
  }
};
