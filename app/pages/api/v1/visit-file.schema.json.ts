import type { APIRoute } from 'astro';
import { visitFileSchema } from '../../../../store/visit-file.ts';
import { json } from '../../../http/problem.ts';

export const GET: APIRoute = () => json(visitFileSchema());
