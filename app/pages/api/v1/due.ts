import { now } from '../../../../store/database/index.ts';
import { dueList } from '../../../../store/queries/index.ts';
import { dueQuery } from '../../../http/asked/index.ts';
import { database } from '../../../http/database.ts';
import { get } from '../../../http/door/index.ts';

/** What falls due, what is late among it, soonest first, a page at a time. */
export const GET = get(({ url, locals }) => dueList(database(), locals.shop, now(), dueQuery(url)));
