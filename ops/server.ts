/** The server of one process: a door for everything, files and pages behind it. `BRASS_NUT_ROOT` names the house, `PORT` and `HOST` where it listens. */
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { answers, HEADERS, refusedAtDoor } from '../app/http/door/index.ts';
import { checkoutId } from './checkout.ts';

/** A body that has not come in whole by then is cut off, ms. */
const WHOLE_BODY_MS = 60_000;
const HEAD_MS = 15_000;
/** Longer than a browser or a proxy keeps a connection idle: closed sooner, it is closed now and then under a request. */
const IDLE_MS = 75_000;

process.env.ASTRO_NODE_AUTOSTART = 'disabled';
// Else the interface library runs in its slow build for development.
process.env.NODE_ENV ??= 'production';
const root = process.env.BRASS_NUT_ROOT ?? process.cwd();
process.env.BRASS_NUT_ROOT = root;
process.env.BRASS_NUT_CHECKOUT = checkoutId(root);

type Handler = (request: IncomingMessage, response: ServerResponse) => void;
const { handler } = (await import(pathToFileURL(join(root, 'dist', 'server', 'entry.mjs')).href)) as { handler: Handler };

const server = createServer(
  { requestTimeout: WHOLE_BODY_MS, headersTimeout: HEAD_MS, keepAliveTimeout: IDLE_MS, connectionsCheckingInterval: 2000 },
  (request, response) => {
    for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
    const { method = 'GET', url = '/' } = request;
    const refused = refusedAtDoor({ method, address: url, host: request.headers.host ?? '' });
    if (!refused) return answers(response, () => handler(request, response));
    const { status, rule, title, detail, at } = refused;
    if (status === 405) response.setHeader('allow', 'GET, HEAD, POST');
    // What is refused is not read either.
    response.writeHead(status, { 'content-type': 'application/problem+json', connection: 'close' });
    response.end(JSON.stringify({ type: `/problems/${rule}`, title, status, detail, ...(at ? { at } : {}) }));
  },
);

/** Requests that are no HTTP, or that did not come in whole in time. */
server.on('clientError', (error: NodeJS.ErrnoException, socket) => {
  if (!socket.writable || error.code === 'ECONNRESET') return void socket.destroy();
  const late = error.code === 'ERR_HTTP_REQUEST_TIMEOUT';
  const [line, title] = late ? ['408 Request Timeout', 'Too slow'] : ['400 Bad Request', 'Not a request'];
  const detail = late
    ? 'The request did not come in whole within a minute. Nothing was changed; send it again.'
    : 'This does not read as an HTTP request.';
  const body = JSON.stringify({ type: '/problems/request', title, status: Number.parseInt(line, 10), detail, at: 'the request' });
  socket.end(
    `HTTP/1.1 ${line}\r\ncontent-type: application/problem+json\r\ncontent-length: ${Buffer.byteLength(body)}\r\nconnection: close\r\n\r\n${body}`,
  );
});

for (const signal of ['SIGTERM', 'SIGINT'] as const) {
  process.on(signal, () => {
    server.close(() => process.exit(0));
    // Streams are never over by themselves.
    server.closeAllConnections();
  });
}

// Kept up by another process: when that is gone its end of the pipe is, and nobody would stop this one.
if (process.env.BRASS_NUT_KEPT) {
  process.stdin.on('end', () => process.exit(0)).on('error', () => process.exit(0));
  process.stdin.resume();
}

server.listen(Number(process.env.PORT ?? 4880), process.env.HOST ?? '127.0.0.1');
