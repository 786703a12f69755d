import { get } from '../../../http/door/index.ts';
import { openapi } from '../../../http/openapi.ts';

export const GET = get(() => openapi());
