import { now } from '../../../../store/clock.ts';
import { dueList } from '../../../../store/queries/due.ts';
import { database } from '../../../http/database.ts';
import { dueQuery } from '../../../http/due-query.ts';
import { get } from '../../../http/endpoint.ts';

/** What falls due, what is late among it, soonest first, a page at a time. */
export const GET = get(({ url, locals }) => dueList(database(), locals.shop, now(), dueQuery(url)));
