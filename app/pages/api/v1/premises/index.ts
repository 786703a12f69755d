import { now } from '../../../../../store/database/clock.ts';
import { premisesList } from '../../../../../store/queries/premises.ts';
import { shopToday } from '../../../../../store/queries/shop.ts';
import { premisesQuery } from '../../../../http/asked/premises-asked.ts';
import { database } from '../../../../http/database.ts';
import { get } from '../../../../http/door/endpoint.ts';

/** Premises by name, or those that all the words of `q` are found in. */
export const GET = get(async ({ url, locals }) =>
  premisesList(database(), locals.shop, await shopToday(database(), locals.shop, now()), premisesQuery(url)),
);
