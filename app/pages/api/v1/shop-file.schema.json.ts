import { shopFileSchema } from '../../../../store/files/shop-file.ts';
import { get } from '../../../http/door/endpoint.ts';

/** What a line of a shop's file may be. */
export const GET = get(() => shopFileSchema());
