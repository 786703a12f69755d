import { now } from '../../../../store/database/clock.ts';
import { dueList } from '../../../../store/queries/due.ts';
import { dueQuery } from '../../../http/asked/due-query.ts';
import { database } from '../../../http/database.ts';
import { get } from '../../../http/door/endpoint.ts';

/** What falls due, what is late among it, soonest first, a page at a time. */
export const GET = get(({ url, locals }) => dueList(database(), locals.shop, now(), dueQuery(url)));
