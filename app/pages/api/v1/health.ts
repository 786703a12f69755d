import type { APIRoute } from 'astro';
import { json } from '../../../http/problem.ts';

export const GET: APIRoute = () => json({ name: 'brass-nut' });
