import type { APIRoute } from 'astro';
import { askGauge } from '../../../../http/gauge.ts';

/** Readings of a line as they come, as server-sent events. */
export const GET: APIRoute = ({ url, request }) => {
  const asked = new URLSearchParams();
  for (const name of ['scenario', 'speed']) {
    const value = url.searchParams.get(name);
    if (value !== null) asked.set(name, value.slice(0, 40));
  }
  return askGauge(`/stream?${asked}`, {}, request.signal);
};
