import type { APIRoute } from 'astro';
import { visitFileSchema } from '../../../../store/files/visit-file.ts';
import { json } from '../../../http/door/problem.ts';

export const GET: APIRoute = () => json(visitFileSchema());
