import { get } from '../../../http/endpoint.ts';
import { openapi } from '../../../http/openapi.ts';

export const GET = get(() => openapi());
