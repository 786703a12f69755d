import { whyNot } from '../../../../core/index.ts';
import { queryOf } from '../../../http/answers/shop-match.ts';
import { post } from '../../../http/door/endpoint.ts';
import { whyNotShape } from '../../../http/shapes/api-shapes.ts';

/** What stands against a row of parts; an empty list when nothing does. */
export const POST = post(whyNotShape, async ({ parts, ...request }, { locals }) => ({
  because: whyNot(await queryOf(locals.shop, request), parts),
}));
