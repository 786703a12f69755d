import { get } from '../../../http/door/endpoint.ts';
import { openapi } from '../../../http/openapi.ts';

export const GET = get(() => openapi());
