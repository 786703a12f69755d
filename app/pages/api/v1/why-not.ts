import { whyNot } from '../../../../core/index.ts';
import { queryOf } from '../../../http/answers/index.ts';
import { post } from '../../../http/door/index.ts';
import { whyNotShape } from '../../../http/shapes/index.ts';

/** What stands against a row of parts; an empty list when nothing does. */
export const POST = post(whyNotShape, async ({ parts, ...request }, { locals }) => ({
  because: whyNot(await queryOf(locals.shop, request), parts),
}));
