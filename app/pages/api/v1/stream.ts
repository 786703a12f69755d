import type { APIRoute } from 'astro';
import { cursorStream } from '../../../http/stream.ts';

/** Says when something is new; what it is, is asked of `changes`. */
export const GET: APIRoute = ({ request, locals }) =>
  new Response(cursorStream(locals.shop, request.signal), {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
  });
