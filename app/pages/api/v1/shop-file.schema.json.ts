import { shopFileSchema } from '../../../../store/shop-file.ts';
import { get } from '../../../http/endpoint.ts';

/** What a line of a shop's file may be. */
export const GET = get(() => shopFileSchema());
