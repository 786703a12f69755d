import type { APIRoute } from 'astro';
import { askGauge } from '../../../../http/gauge.ts';

/** Lines that the gauge can hang on. */
export const GET: APIRoute = () => askGauge('/lines');
