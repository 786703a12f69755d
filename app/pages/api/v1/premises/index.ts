import { now } from '../../../../../store/database/index.ts';
import { premisesList, shopToday } from '../../../../../store/queries/index.ts';
import { premisesQuery } from '../../../../http/asked/index.ts';
import { database } from '../../../../http/database.ts';
import { get } from '../../../../http/door/index.ts';

/** Premises by name, or those that all the words of `q` are found in. */
export const GET = get(async ({ url, locals }) =>
  premisesList(database(), locals.shop, await shopToday(database(), locals.shop, now()), premisesQuery(url)),
);
