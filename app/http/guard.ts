import { problem } from './problem.ts';

/** Largest body of a write, bytes: a batch of entries, and a visit file. */
export const MAX_BODY = 1_000_000;
export const MAX_FILE = 20_000_000;

const LOOPBACK = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/;

/**
 * Refuses a request for a foreign host, and a write that another site's page could have made.
 *
 * The Host must be loopback (or named in BRASS_NUT_HOSTS, for a proxy of the shop's own); a write must come from our own pages or from no
 * page at all (a script of the user's).
 *
 * @returns the refusal, or null
 */
export function guard(request: Request): Response | null {
  const host = request.headers.get('host') ?? '';
  const allowed = (process.env.BRASS_NUT_HOSTS ?? '').split(',').filter(Boolean);
  if (!LOOPBACK.test(host) && !allowed.includes(host)) {
    return problem(421, 'foreign-host', 'Not this host', `This server does not answer for "${host.slice(0, 80)}". Open it by its own address.`);
  }
  if (request.method === 'GET' || request.method === 'HEAD') return null;
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  const sameOrigin = origin === null || origin === `http://${host}` || origin === `https://${host}`;
  if (!sameOrigin || (site !== null && site !== 'same-origin' && site !== 'none')) {
    return problem(403, 'other-origin', 'Not from another site', 'A page from another site may not write here. Nothing was changed.');
  }
  return null;
}

/** A body that is larger than it may be. */
export class TooLargeError extends Error {
  override readonly name = 'TooLargeError';
  constructor(readonly limit: number) {
    super(`That is more than ${Math.round(limit / 1000)} kB at once. Send less, or shorten the texts. Nothing was changed.`);
  }
}

/** Text of a body, read no further than its limit. */
export async function readBody(request: Request, limit = MAX_BODY): Promise<string> {
  if (Number(request.headers.get('content-length') ?? 0) > limit) throw new TooLargeError(limit);
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  for (let part = await reader?.read(); part && !part.done; part = await reader?.read()) {
    size += part.value.byteLength;
    if (size > limit) {
      await reader?.cancel();
      throw new TooLargeError(limit);
    }
    chunks.push(part.value);
  }
  return Buffer.concat(chunks).toString('utf8');
}
