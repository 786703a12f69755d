import { matchChains } from '../../../../core/index.ts';
import { matchShape } from '../../../http/api-shapes.ts';
import { post } from '../../../http/endpoint.ts';
import { queryOf } from '../../../http/shop-match.ts';

/** The best chains between two ends. */
export const POST = post(matchShape, async (request, { locals }) => matchChains(await queryOf(locals.shop, request)));
