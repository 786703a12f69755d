import { analysisOf } from '../../../http/analysis.ts';
import { callbackQuery } from '../../../http/callback-query.ts';
import { get } from '../../../http/endpoint.ts';

/** What keeps leaking: callbacks by seal, part, turns, sealant, house rule and age. */
export const GET = get(({ url, locals }) => analysisOf(locals.shop, callbackQuery(url)));
