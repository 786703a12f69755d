import { shopFileSchema } from '../../../../store/files/index.ts';
import { get } from '../../../http/door/index.ts';

/** What a line of a shop's file may be. */
export const GET = get(() => shopFileSchema());
