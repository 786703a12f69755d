import { now } from '../../../../store/database/clock.ts';
import { beginShop, shopsHere } from '../../../../store/shops.ts';
import { database } from '../../../http/database.ts';
import { get, post } from '../../../http/door/endpoint.ts';
import { shopShape } from '../../../http/shapes/api-shapes.ts';

/** The shops of this database. */
export const GET = get(async () => ({ shops: await shopsHere(database()) }));

/** Begins an empty one beside those that are there. */
export const POST = post(shopShape, ({ id }) => beginShop(database(), id, now()));
