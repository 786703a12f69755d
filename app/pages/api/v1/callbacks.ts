import { analysisOf } from '../../../http/answers/index.ts';
import { callbackQuery } from '../../../http/asked/index.ts';
import { get } from '../../../http/door/index.ts';

/** What keeps leaking: callbacks by seal, part, turns, sealant, house rule and age. */
export const GET = get(({ url, locals }) => analysisOf(locals.shop, callbackQuery(url)));
