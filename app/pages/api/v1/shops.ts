import { now } from '../../../../store/database/index.ts';
import { beginShop, shopsHere } from '../../../../store/shops.ts';
import { database } from '../../../http/database.ts';
import { get, post } from '../../../http/door/index.ts';
import { shopShape } from '../../../http/shapes/index.ts';

/** The shops of this database. */
export const GET = get(async () => ({ shops: await shopsHere(database()) }));

/** Begins an empty one beside those that are there. */
export const POST = post(shopShape, ({ id }) => beginShop(database(), id, now()));
