import { changesAfter } from '../../../../store/queries/index.ts';
import { afterAsked } from '../../../http/after.ts';
import { database } from '../../../http/database.ts';
import { get } from '../../../http/door/index.ts';

/** What is new to a device since a position, for a device that holds no stream. */
export const GET = get(({ url, locals }) => changesAfter(database(), locals.shop, afterAsked(url)));
