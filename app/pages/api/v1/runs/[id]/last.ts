import * as z from 'zod/mini';
import { uuid } from '../../../../../../record/index.ts';
import { lastTime } from '../../../../../../store/queries/index.ts';
import { database } from '../../../../../http/database.ts';
import { get } from '../../../../../http/door/index.ts';

const asked = z.object({ id: uuid, before: uuid });

/** What was found at a run the last time before a visit; `last` is null where nobody was there. */
export const GET = get(async ({ url, params, locals }) => {
  const { id, before } = z.parse(asked, { id: params.id, before: url.searchParams.get('before') });
  return { last: await lastTime(database(), locals.shop, id, before) };
});
