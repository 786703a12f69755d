/** Bad requests over every endpoint: none is our fault, each is told which field is wrong. REQUESTS=20000 for the long run. */
import { connect } from 'node:net';
import { expect, test } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { chance } from '../store/seed/random.ts';
import { address } from './house.ts';

const MANY = Number(process.env.REQUESTS ?? 600);

const TEXTS = [
  '',
  'x',
  'a\0b',
  '\ud800',
  '__proto__',
  '../../etc/passwd',
  "'; drop table entry; --",
  '<script>',
  '😀'.repeat(50),
  'comp-9/9-m',
  '9'.repeat(400),
];
const VALUES = [null, true, -1, 0, 1e308, 2 ** 53, 0.5, [], {}, [[[[]]]], '0000-01-01', '99:99', ...TEXTS];

type Call = [method: string, path: string, body: unknown];

/** A request that something is wrong with. */
function badCall(next: () => number): Call {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!;
  const id = () => pick([uuidv7(), 'x', '', null, 7, 'a\0b', uuidv7().toUpperCase()]);
  const entry = () => ({
    id: id(),
    visitId: id(),
    runId: id(),
    jointId: pick([null, id()]),
    checkPointId: null,
    correctsId: pick([null, id()]),
    deviceId: id(),
    seq: pick([1, -1, 2 ** 40, 'x', undefined]),
    seenAt: pick(['2026-05-20T09:00:00Z', '0000-01-01T00:00:00Z', 'now', 3]),
    sentAt: '2026-05-20T09:00:00Z',
    recordedAt: null,
    kind: pick(['noted', 'end-seen', 'joint-made', 'sung', 4, '__proto__']),
    body: pick([{ text: pick(VALUES) }, { turns24: pick(VALUES) }, pick(VALUES)]),
  });
  const junk = () => pick(VALUES);
  const bookEntry = () => ({
    id: id(),
    deviceId: id(),
    seq: pick([1, 'x', undefined]),
    seenAt: pick(['2026-05-20T09:00:00Z', 'now']),
    sentAt: '2026-05-20T09:00:00Z',
    recordedAt: null,
    correctsId: pick([null, id()]),
    subject: pick([{ kind: pick(['premises', 'stock', 'visit', 'song']), id: id() }, junk()]),
    change: pick(['made', 'counted', 'changed', 'moved', junk()]),
    body: pick([{ item: junk(), quantity: junk() }, { name: junk() }, junk()]),
  });
  return pick<() => Call>([
    () => ['POST', '/api/v1/entries', pick<unknown>([{ entries: junk() }, { entries: Array.from({ length: 250 }, entry) }, junk(), 'not json', { protocol: 'x', entries: [entry()] }])],
    () => ['POST', '/api/v1/book', pick<unknown>([{ entries: junk() }, { entries: Array.from({ length: pick([1, 30, 250]) }, bookEntry) }, junk()])],
    () => ['POST', '/api/v1/book/import', pick<unknown>(['{', 'x\ny', JSON.stringify(bookEntry())])],
    () => ['POST', '/api/v1/premises/import', pick(['x', 'name\n', 'name,kind\n,toilet', 'name\n"open'])],
    () => ['GET', `/api/v1/${pick(['find?q', 'premises?limit', 'premises?after', 'premises?q', 'visits?from', 'stock/entries?place', 'stock/day?day', 'book/holding?visit'])}=${encodeURIComponent(pick(['x', '-1', '\0', '9'.repeat(300)]))}`, undefined],
    () => ['GET', `/api/v1/premises/${encodeURIComponent(pick(['x', '%', uuidv7()]))}`, undefined],
    () => ['POST', '/api/v1/mate', { a: junk(), b: junk() }],
    () => ['POST', '/api/v1/identify', { gender: junk(), diameterIn: junk() }],
    () => ['POST', '/api/v1/match', { from: junk(), to: 'comp-3/8-m', need: { water: pick(['cold', junk()]), minLengthIn: junk() }, k: junk() }],
    () => ['POST', '/api/v1/why-not', { from: 'comp-3/8-m', to: junk(), need: junk(), parts: junk() }],
    () => ['POST', '/api/v1/rules', { basedOn: junk(), rules: junk(), reason: junk() }],
    () => ['POST', '/api/v1/visits', pick<unknown>([junk(), { format: 'brass-nut-visit', version: 1, premises: junk() }])],
    () => ['POST', `/api/v1/${encodeURIComponent(pick(TEXTS.filter((t) => t !== '\ud800')))}`, {}],
    () => ['GET', `/api/v1/changes?after=${encodeURIComponent(pick(['-1', 'x', '1e9', '\0', '9'.repeat(30)]))}`, undefined],
    () => ['GET', `/api/v1/ledger?offset=${encodeURIComponent(pick(['-1', 'x', '1e99', '\0']))}`, undefined],
    () => ['GET', `/api/v1/ledger.csv?callbacks=${encodeURIComponent(pick(['maybe', '\0']))}`, undefined],
    () => ['GET', `/api/v1/visits/${encodeURIComponent(pick(['x', '%', '\0', uuidv7()]))}`, undefined],
    () => ['GET', `/api/v1/visits/${encodeURIComponent(pick(['x', uuidv7()]))}/${pick(['file', 'recheck.ics', 'nothing'])}`, undefined],
    () => ['GET', `/?day=${encodeURIComponent(pick(['0000-01-01', '9999-99-99', 'x', '2026-02-30', '\0']))}`, undefined],
    () => ['GET', pick(['/ledger?q=%00', '/_image?href=%2F..', '/visits/x', '/ledger/x/y', '/no/such', '/match?q=%00', '/%00', '/%E0%A4%A']), undefined],
    () => [pick(['TRACE', 'PUT', 'DELETE', 'PATCH', 'OPTIONS']), pick(['/', '/api/v1/entries', '/nut.svg']), undefined],
  ])(); // biome-ignore format: a table
}

/** Over a socket of our own: a browser's request would not let half of this through. */
function ask(base: string, method: string, path: string, body: unknown): Promise<{ status: number; text: string }> {
  const { hostname, port } = new URL(base);
  const text = body === undefined ? '' : typeof body === 'string' ? body : JSON.stringify(body);
  const head = `${method} ${path} HTTP/1.1\r\nhost: ${hostname}:${port}\r\nconnection: close\r\n${text ? `content-type: application/json\r\ncontent-length: ${Buffer.byteLength(text)}\r\n` : ''}\r\n`;
  return new Promise((resolve, reject) => {
    const socket = connect(Number(port), hostname, () => socket.write(head + text));
    let answer = '';
    socket
      .setEncoding('utf8')
      .on('data', (part) => {
        answer += part;
      })
      .on('error', reject)
      .on('close', () => resolve({ status: Number(answer.split(' ')[1]), text: answer.slice(answer.indexOf('\r\n\r\n') + 4) }));
  });
}

/** What an answer to a bad request should not be; '' where it is right. */
function wrongOf(status: number, path: string, text: string): string {
  if (!(status >= 200 && status < 500)) return 'our fault';
  const body = () => JSON.parse(text.replace(/^[0-9a-f]+\r\n|\r\n0\r\n\r\n$/g, ''));
  if (status >= 400) return !path.startsWith('/api/') || body().at ? '' : 'no field named';
  if (status !== 200 || (path !== '/api/v1/entries' && path !== '/api/v1/book')) return '';
  const { results } = body() as { results: { status: string; why?: string }[] };
  return results.length > 0 && results.every((r) => r.status === 'refused' && (r.why ?? '').length > 5) ? '' : 'taken';
}

test(`${MANY} bad requests: none is a fault of ours, each refusal names the field`, async () => {
  test.setTimeout(60_000 + MANY * 100);
  const next = chance(Number(process.env.SEED ?? 3));
  const counts: Record<number, number> = {};
  for (let i = 0; i < MANY; i++) {
    const [method, path, body] = badCall(next);
    const { status, text } = await ask(address(), method, path, body);
    counts[status] = (counts[status] ?? 0) + 1;
    const wrong = wrongOf(status, path, text);
    // Not an expectation each: twenty thousand of them would be told one by one in the report.
    if (wrong) throw new Error(`${wrong}: ${status} for ${method} ${path} ${JSON.stringify(body)?.slice(0, 300)}: ${text.slice(0, 300)}`);
  }
  // Every way of being wrong was met.
  for (const status of [400, 404, 405, 422]) expect(counts[status] ?? 0, `no ${status}`).toBeGreaterThan(MANY / 200);
});

test('files of the program pass the same door as pages do', async () => {
  const { hostname, port } = new URL(address());
  const get = (path: string, host: string) =>
    new Promise<string>((resolve) => {
      const socket = connect(Number(port), hostname, () => socket.write(`GET ${path} HTTP/1.1\r\nhost: ${host}\r\nconnection: close\r\n\r\n`));
      let answer = '';
      socket
        .setEncoding('latin1')
        .on('data', (part) => {
          answer += part;
        })
        .on('close', () => resolve(answer));
    });
  expect(await get('/nut.svg', 'elsewhere.example')).toMatch(/^HTTP\/1\.1 421/);
  const own = await get('/nut.svg', `${hostname}:${port}`);
  expect(own).toMatch(/^HTTP\/1\.1 200/);
  expect(own.toLowerCase()).toContain('x-content-type-options: nosniff');
});

test('a form’s post is told in our words how to send', async ({ request }) => {
  const response = await request.post(`${address()}/api/v1/entries`, {
    headers: { 'content-type': 'application/x-www-form-urlencoded' },
    data: '{"entries":[]}',
  });
  expect(response.status()).toBe(415);
  expect((await response.json()).detail).toContain('content-type: application/json');
});

test('damaged entries of the book are refused one by one, the field named, and the others taken', async ({ request }) => {
  const id = () => crypto.randomUUID();
  const at = new Date().toISOString();
  const [premises, visit] = [id(), id()];
  const entry = (kind: string, subject: string, change: string, body: object, more: object = {}) => ({
    id: id(),
    deviceId: id(),
    seenAt: at,
    sentAt: at,
    recordedAt: null,
    correctsId: null,
    subject: { kind, id: subject },
    change,
    body,
    ...more,
  });
  const sent = [
    entry('premises', premises, 'made', { name: 'Over HTTP', timeZone: 'UTC' }),
    entry('visit', visit, 'made', { premisesId: premises, onDate: 'tomorrow', startsAt: '10:00', title: 'x' }),
    entry('visit', visit, 'made', { premisesId: premises, onDate: '2031-02-03', startsAt: '10:00', title: 'Far ahead' }),
    entry('visit', visit, 'changed', { minutes: 3 }),
    entry('boat', visit, 'made', {}),
    entry('visit', visit, 'made', { premisesId: premises, onDate: '2031-02-03', startsAt: '10:00', title: 'Again' }),
    entry('visit', id(), 'changed', { title: 'Nowhere' }),
    'not an entry',
  ];
  const response = await request.post(`${address()}/api/v1/book`, { data: { entries: sent } });
  expect(response.status()).toBe(200);
  const { results } = (await response.json()) as { results: { status: string; rule?: string; at?: string }[] };
  expect(results.map((r) => r.at ?? r.rule ?? r.status)).toEqual([
    'kept',
    'body.onDate',
    'kept',
    'body.minutes',
    'subject.kind',
    'made-already',
    'unknown-visit',
    'entry',
  ]);
  const far = await (await request.get(`${address()}/api/v1/visits?from=2031-02-03&to=2031-02-03`)).json();
  expect(far.visits.map((v: { title: string; status: string }) => [v.title, v.status])).toEqual([['Far ahead', 'planned']]);
  for (const bad of ['visits?from=2031-02-03', 'visits?from=2031-02-03&to=2030-01-01', 'premises?limit=0', 'premises/none', 'book/holding?visit=x']) {
    const answer = await request.get(`${address()}/api/v1/${bad}`);
    expect([bad, answer.status() >= 400 && answer.status() < 500]).toEqual([bad, true]);
    expect((await answer.json()).at, bad).toBeTruthy();
  }
  const calendar = await (await request.get(`${address()}/api/v1/calendar.ics`)).text();
  expect(calendar).toContain('BEGIN:VEVENT');
  // Taken back again: the others find the house as it was.
  const [made, , visitMade] = sent as { id: string }[];
  const backs = [
    entry('visit', visit, 'withdrawn', { reason: 'tried' }, { correctsId: visitMade!.id }),
    entry('premises', premises, 'withdrawn', { reason: 'tried' }, { correctsId: made!.id }),
  ];
  const back = await (await request.post(`${address()}/api/v1/book`, { data: { entries: backs } })).json();
  expect(back.results.map((r: { status: string }) => r.status)).toEqual(['kept', 'kept']);
});

test('every call that answers JSON answers as it is described', async ({ request }) => {
  const read = async (path: string) => (await request.get(`${address()}/api/v1${path}`)).json();
  const today = new Date().toISOString().slice(0, 10);
  const { visits } = (await read(`/visits?from=${today}&to=${today}`)) as {
    visits: { id: string; premises: { id: string }; runs: { id: string }[] }[];
  };
  const [visit] = visits;
  const { places } = (await read('/stock')) as { places: { id: string }[] };
  const query: Record<string, string> = {
    day: today,
    from: today,
    to: today,
    place: places[0]!.id,
    before: visit!.id,
    q: 'lodge',
    after: '0',
    offset: '0',
  };
  const wanted: Record<string, string> = { '/premises/{id}': visit!.premises.id, '/visits/{id}': visit!.id, '/runs/{id}': visit!.runs[0]!.id };
  // Much to read, and for this test alone.
  const [{ CALLS }, { bookLine }] = await Promise.all([import('../app/http/shapes/calls.ts'), import('../app/http/shapes/book-answers.ts')]);
  let held = 0;
  for (const [path, { get }] of Object.entries(CALLS)) {
    // The simulated gauge is not started here.
    if (!get || 'file' in get.answers || path.startsWith('/gauge/')) continue;
    const of = Object.keys(wanted).find((start) => path.startsWith(start));
    const asked = [...(get.must ?? []), ...(get.query?.includes('q') ? ['q'] : [])].map((name) => `${name}=${query[name]}`);
    const answer = await read(`${path.replace('{id}', of ? wanted[of]! : '')}?${asked.join('&')}`);
    const { error } = z.safeParse(get.answers, answer);
    expect(error?.issues ?? [], path).toEqual([]);
    held++;
  }
  expect(held).toBeGreaterThan(18);
  const [line] = (await (await request.get(`${address()}/api/v1/book.jsonl`)).text()).split('\n');
  bookLine.parse(JSON.parse(line!));
});
