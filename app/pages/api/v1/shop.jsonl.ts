import { exportShop } from '../../../../store/files/index.ts';
import { database } from '../../../http/database.ts';
import { JSON_LINES, streamed } from '../../../http/door/index.ts';

/** Everything of the shop, a line each: rules, own parts, pictures, every entry. */
export const GET = streamed({ type: JSON_LINES, name: 'shop.jsonl' }, ({ locals }) => exportShop(database(), locals.shop));
