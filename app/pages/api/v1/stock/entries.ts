import * as z from 'zod/mini';
import { uuid } from '../../../../../record/index.ts';
import { stockHistory } from '../../../../../store/queries/index.ts';
import { database } from '../../../../http/database.ts';
import { get } from '../../../../http/door/index.ts';

const asked = z.object({ place: uuid });

/** What was said last of a shelf or van, `place`: at most 100 entries with all that was said of those later. */
export const GET = get(async ({ url, locals }) => {
  const { place } = z.parse(asked, Object.fromEntries(url.searchParams));
  return { entries: await stockHistory(database(), locals.shop, place) };
});
