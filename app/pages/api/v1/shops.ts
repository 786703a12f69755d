import { now } from '../../../../store/clock.ts';
import { beginShop, shopsHere } from '../../../../store/shops.ts';
import { shopShape } from '../../../http/api-shapes.ts';
import { database } from '../../../http/database.ts';
import { get, post } from '../../../http/endpoint.ts';

/** The shops of this database. */
export const GET = get(async () => ({ shops: await shopsHere(database()) }));

/** Begins an empty one beside those that are there. */
export const POST = post(shopShape, ({ id }) => beginShop(database(), id, now()));
