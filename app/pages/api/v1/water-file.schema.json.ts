import type { APIRoute } from 'astro';
import { waterFileSchema } from '../../../../store/water-file.ts';
import { json } from '../../../http/problem.ts';

export const GET: APIRoute = () => json(waterFileSchema());
