import { whyNot } from '../../../../core/index.ts';
import { whyNotShape } from '../../../http/api-shapes.ts';
import { post } from '../../../http/endpoint.ts';
import { queryOf } from '../../../http/shop-match.ts';

/** What stands against a row of parts; an empty list when nothing does. */
export const POST = post(whyNotShape, async ({ parts, ...request }, { locals }) => ({
  because: whyNot(await queryOf(locals.shop, request), parts),
}));
