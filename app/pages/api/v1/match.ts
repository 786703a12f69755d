import { matchChains } from '../../../../core/index.ts';
import { queryOf } from '../../../http/answers/shop-match.ts';
import { post } from '../../../http/door/endpoint.ts';
import { matchShape } from '../../../http/shapes/api-shapes.ts';

/** The best chains between two ends. */
export const POST = post(matchShape, async (request, { locals }) => matchChains(await queryOf(locals.shop, request)));
