import type { APIRoute } from 'astro';
import * as z from 'zod/mini';
import { pictureId } from '../../../../../../record/index.ts';
import { now } from '../../../../../../store/database/index.ts';
import { PieceError, takePiece } from '../../../../../../store/images/index.ts';
import { pictureAnswer } from '../../../../../http/answers/index.ts';
import { database } from '../../../../../http/database.ts';
import { answerOf, json, readBytes } from '../../../../../http/door/index.ts';

const whole = (most: number) =>
  z.coerce.number('wants a number').check(z.int('wants a whole number'), z.gte(0, 'must be 0 or more'), z.lte(most, `is more than ${most}`));
const asked = z.object({ id: pictureId, at: whole(100_000_000), size: whole(100_000_000) });

/** The picture itself. */
export const GET = pictureAnswer(false);

/**
 * Takes a piece of a picture: `at` is the byte at which it begins, `size` the bytes of the whole. Answers how many are here; a piece that does not follow on
 * them is refused (409) with that number, from which to go on.
 */
export const POST: APIRoute = async ({ request, url, params, locals }) => {
  try {
    const { id, at, size } = z.parse(asked, { id: params.id, at: url.searchParams.get('at'), size: url.searchParams.get('size') });
    const content = await readBytes(request);
    try {
      return json(await takePiece(database(), locals.shop, { id, at, size, content }, now()));
    } catch (error) {
      if (!(error instanceof PieceError)) throw error;
      const answer = answerOf(error);
      return new Response(JSON.stringify({ ...(await answer.json()), have: error.have }), { status: answer.status, headers: answer.headers });
    }
  } catch (error) {
    return answerOf(error);
  }
};
