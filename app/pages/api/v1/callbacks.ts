import { analysisOf } from '../../../http/answers/analysis.ts';
import { callbackQuery } from '../../../http/asked/callback-query.ts';
import { get } from '../../../http/door/endpoint.ts';

/** What keeps leaking: callbacks by seal, part, turns, sealant, house rule and age. */
export const GET = get(({ url, locals }) => analysisOf(locals.shop, callbackQuery(url)));
