import { matchChains } from '../../../../core/index.ts';
import { queryOf } from '../../../http/answers/index.ts';
import { post } from '../../../http/door/index.ts';
import { matchShape } from '../../../http/shapes/index.ts';

/** The best chains between two ends. */
export const POST = post(matchShape, async (request, { locals }) => matchChains(await queryOf(locals.shop, request)));
