import { now } from '../../../../store/database/index.ts';
import { kit } from '../../../../store/queries/index.ts';
import { database } from '../../../http/database.ts';
import { get } from '../../../http/door/index.ts';

/** What a device takes along for its next 14 days. */
export const GET = get(({ locals }) => kit(database(), locals.shop, now()));
