import { mate } from '../../../../core/index.ts';
import { rulesOf } from '../../../http/answers/index.ts';
import { post } from '../../../http/door/index.ts';
import { mateShape } from '../../../http/shapes/index.ts';

/** Whether and how two ends make a joint. */
export const POST = post(mateShape, async ({ a, b, rules }, { locals }) => mate(a, b, await rulesOf(locals.shop, rules)));
