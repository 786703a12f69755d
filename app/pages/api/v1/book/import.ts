import type { APIRoute } from 'astro';
import { importBook } from '../../../../../store/files/index.ts';
import { database } from '../../../../http/database.ts';
import { answerOf, json, MAX_BOOK_FILE, spooled } from '../../../../http/door/index.ts';

/** Takes a book into an empty shop, all or nothing. */
export const POST: APIRoute = async ({ request, locals }) => {
  try {
    return json(await spooled(request, (lines) => importBook(database(), locals.shop, lines), MAX_BOOK_FILE));
  } catch (error) {
    return answerOf(error);
  }
};
