import { mate } from '../../../../core/index.ts';
import { mateShape } from '../../../http/api-shapes.ts';
import { post } from '../../../http/endpoint.ts';
import { rulesOf } from '../../../http/shop-match.ts';

/** Whether and how two ends make a joint. */
export const POST = post(mateShape, async ({ a, b, rules }, { locals }) => mate(a, b, await rulesOf(locals.shop, rules)));
