import * as z from 'zod/mini';
import { now } from '../../../../store/database/index.ts';
import { shopCatalogue } from '../../../../store/own-parts/index.ts';
import { find, shopToday } from '../../../../store/queries/index.ts';
import { database } from '../../../http/database.ts';
import { get } from '../../../http/door/index.ts';

const asked = z.object({ q: z.string('wants words').check(z.maxLength(200, 'is longer than 200 characters')) });

/** Premises, appliances, visits, follow-ups, parts and connections that all words of `q` are found in. */
export const GET = get(async ({ url, locals }) => {
  const { q } = z.parse(asked, Object.fromEntries(url.searchParams));
  const [today, catalogue] = await Promise.all([shopToday(database(), locals.shop, now()), shopCatalogue(database(), locals.shop)]);
  return { found: await find(database(), locals.shop, q, today, catalogue) };
});
