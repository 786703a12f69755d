/** The pressure gauge at the shop's network: asked through the server, so that a page talks to nobody else. */
import { problem } from './door/index.ts';

/** A gauge that does not answer by then is not there, ms. */
const WAIT_MS = 3000;

const absent = (): Response =>
  problem(
    503,
    'no-gauge',
    'No gauge answers',
    'No logging gauge is connected, or it does not answer. Type its readings, or read them from a file.',
    'the gauge',
  );

/**
 * Hands a request on to the gauge and its answer back.
 *
 * @param signal ends it when whoever asked is gone
 */
export async function askGauge(path: string, init: RequestInit = {}, signal?: AbortSignal): Promise<Response> {
  const address = process.env.BRASS_NUT_GAUGE;
  if (!address) return absent();
  const gone = new AbortController();
  signal?.addEventListener('abort', () => gone.abort());
  const late = setTimeout(() => gone.abort(), WAIT_MS);
  try {
    const answer = await fetch(new URL(path, address), { ...init, signal: gone.signal });
    const type = answer.headers.get('content-type') ?? 'application/json';
    if (answer.ok) return new Response(answer.body, { headers: { 'content-type': type, 'cache-control': 'no-store', 'x-accel-buffering': 'no' } });
    const { fault } = (await answer.json()) as { fault?: string };
    return problem(answer.status === 404 ? 404 : 422, 'gauge', 'The gauge does not do that', fault ?? 'It did not say why.', 'the gauge');
  } catch {
    return absent();
  } finally {
    clearTimeout(late);
  }
}
