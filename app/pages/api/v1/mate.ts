import { mate } from '../../../../core/index.ts';
import { rulesOf } from '../../../http/answers/shop-match.ts';
import { post } from '../../../http/door/endpoint.ts';
import { mateShape } from '../../../http/shapes/api-shapes.ts';

/** Whether and how two ends make a joint. */
export const POST = post(mateShape, async ({ a, b, rules }, { locals }) => mate(a, b, await rulesOf(locals.shop, rules)));
