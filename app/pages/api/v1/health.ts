import type { APIRoute } from 'astro';
import { json } from '../../../http/door/index.ts';

/** `checkout` tells the start command of one folder from that of another. */
export const GET: APIRoute = () => json({ name: 'brass-nut', checkout: process.env.BRASS_NUT_CHECKOUT ?? null });
