import * as z from 'zod/mini';
import { localDayOf } from '../../../../record/index.ts';
import { now } from '../../../../store/database/index.ts';
import { shopCatalogue } from '../../../../store/own-parts/index.ts';
import { find, shopNow } from '../../../../store/queries/index.ts';
import { oneList } from '../../../http/answers/index.ts';
import { database } from '../../../http/database.ts';
import { get } from '../../../http/door/index.ts';

const asked = z.object({ q: z.string('wants words').check(z.maxLength(200, 'is longer than 200 characters')) });

/** Screens, a question of fittings, and premises, appliances, visits, follow-ups, parts and connections that all words of `q` are found in: the likeliest first. */
export const GET = get(async ({ url, locals }) => {
  const { q } = z.parse(asked, Object.fromEntries(url.searchParams));
  const [shop, catalogue] = await Promise.all([shopNow(database(), locals.shop), shopCatalogue(database(), locals.shop)]);
  const today = localDayOf(now(), shop.zone);
  return { found: oneList(q, await find(database(), locals.shop, q, today, catalogue), { today, words: shop.words }) };
});
