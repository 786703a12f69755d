import type { APIRoute } from 'astro';
import * as z from 'zod/mini';
import { pictureId } from '../../../record/index.ts';
import { pictureOf } from '../../../store/images/index.ts';
import { database } from '../database.ts';
import { answerOf, RefusedError } from '../door/index.ts';

/** A picture of the shop, whole or small. By its content, it never becomes another: a browser asks once. */
export const pictureAnswer =
  (isSmall: boolean): APIRoute =>
  async ({ params, locals }) => {
    try {
      const id = z.safeParse(pictureId, params.id);
      const found = id.success ? await pictureOf(database(), locals.shop, id.data, isSmall) : null;
      if (!found)
        throw new RefusedError(
          404,
          'no-picture',
          'No such picture',
          'That picture is not here, or still on its way from the device that took it.',
          'id',
        );
      return new Response(new Uint8Array(found.content), {
        headers: {
          'content-type': found.type,
          'cache-control': 'private, max-age=31536000, immutable',
          'content-security-policy': "default-src 'none'",
        },
      });
    } catch (error) {
      return answerOf(error);
    }
  };
