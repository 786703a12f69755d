import type { APIRoute } from 'astro';
import { waterFileSchema } from '../../../../store/files/water-file.ts';
import { json } from '../../../http/door/problem.ts';

export const GET: APIRoute = () => json(waterFileSchema());
