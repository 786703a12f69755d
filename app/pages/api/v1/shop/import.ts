import type { APIRoute } from 'astro';
import { importShop } from '../../../../../store/files/index.ts';
import { database } from '../../../../http/database.ts';
import { answerOf, json, spooled } from '../../../../http/door/index.ts';

/** Takes a shop's file into an empty shop, all or nothing. */
export const POST: APIRoute = async ({ request, locals }) => {
  try {
    return json(await spooled(request, (lines) => importShop(database(), locals.shop, lines)));
  } catch (error) {
    return answerOf(error);
  }
};
