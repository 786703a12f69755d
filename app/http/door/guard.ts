import { problem } from './problem.ts';

/** Largest body of a write, bytes: a batch of entries, and a visit file. */
export const MAX_BODY = 1_000_000;
export const MAX_FILE = 20_000_000;

const LOOPBACK = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/;

/** Why something is refused, as its answer says it. */
export interface Refused {
  status: number;
  rule: string;
  title: string;
  detail: string;
  at?: string;
}

/** The Host must be loopback, or named in BRASS_NUT_HOSTS for a proxy of the shop's own. */
export function refuseHost(host: string): Refused | null {
  const allowed = (process.env.BRASS_NUT_HOSTS ?? '').split(',').filter(Boolean);
  if (LOOPBACK.test(host) || allowed.includes(host)) return null;
  const detail = `This server does not answer for "${host.slice(0, 80)}". Open it by its own address.`;
  return { status: 421, rule: 'foreign-host', title: 'Not this host', detail, at: 'the host' };
}

/**
 * Refuses a request for a foreign host, and a write that another site's page could have made: it must come from our own pages or from no page at
 * all (a script of the user's).
 *
 * @returns the refusal, or null
 */
export function guard(request: Request): Response | null {
  const host = request.headers.get('host') ?? '';
  const foreign = refuseHost(host);
  if (foreign) return problem(foreign.status, foreign.rule, foreign.title, foreign.detail, foreign.at);
  if (request.method === 'GET' || request.method === 'HEAD') return null;
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  const sameOrigin = origin === null || origin === `http://${host}` || origin === `https://${host}`;
  if (!sameOrigin || (site !== null && site !== 'same-origin' && site !== 'none')) {
    return problem(403, 'other-origin', 'Not from another site', 'A page from another site may not write here. Nothing was changed.', 'the origin');
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

/** Bytes of a body, read no further than its limit. */
export async function readBytes(request: Request, limit = MAX_BODY): Promise<Uint8Array> {
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
  return Buffer.concat(chunks);
}

/** A body in another encoding than UTF-8, or of another kind than was wanted. */
export class BodyError extends Error {
  override readonly name = 'BodyError';
  constructor(
    readonly status: 400 | 415,
    message: string,
  ) {
    super(message);
  }
}

export const NOT_UTF8 = 'The body is not text in UTF-8. Save or send it as UTF-8 and try again.';

/** Text of a body. @throws BodyError for one that is not UTF-8: it is not turned into question marks */
export async function readBody(request: Request, limit = MAX_BODY): Promise<string> {
  const bytes = await readBytes(request, limit);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    throw new BodyError(400, NOT_UTF8);
  }
}

/** JSON of a body. @throws BodyError, SyntaxError */
export async function readJson(request: Request, limit = MAX_BODY): Promise<unknown> {
  const type = request.headers.get('content-type') ?? '';
  if (!/^application\/(json|[\w.+-]+\+json)\s*(;|$)/i.test(type)) {
    throw new BodyError(415, 'Send JSON, and say so: with the header "content-type: application/json".');
  }
  return JSON.parse(await readBody(request, limit));
}
