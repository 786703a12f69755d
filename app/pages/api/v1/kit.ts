import { now } from '../../../../store/database/index.ts';
import { offlineSnapshot } from '../../../../store/queries/index.ts';
import { database } from '../../../http/database.ts';
import { get } from '../../../http/door/index.ts';

/** What a device takes along for its next 14 days. */
export const GET = get(({ locals }) => offlineSnapshot(database(), locals.shop, now()));
