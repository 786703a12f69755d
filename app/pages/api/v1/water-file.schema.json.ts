import type { APIRoute } from 'astro';
import { waterFileSchema } from '../../../../store/files/index.ts';
import { json } from '../../../http/door/index.ts';

export const GET: APIRoute = () => json(waterFileSchema());
