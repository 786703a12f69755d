import { now } from '../../../../store/database/clock.ts';
import { kit } from '../../../../store/queries/changes.ts';
import { database } from '../../../http/database.ts';
import { get } from '../../../http/door/endpoint.ts';

/** What a device takes along for its next 14 days. */
export const GET = get(({ locals }) => kit(database(), locals.shop, now()));
