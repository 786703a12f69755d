/** `npm run bench`: ratios in one run where there is a baseline, and what is asked of the figures. */
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { type Browser, chromium } from '@playwright/test';
import { catalogue } from '../catalog/index.ts';
import { allEndCodes, identifyThread, indexParts, matchChains, mate, type Part } from '../core/index.ts';
import { startLogger } from '../ops/logger/serve.ts';
import { FIRST_SHOP, type Sql } from '../store/connection.ts';
import { importParts } from '../store/own-parts/index.ts';
import { rebuild } from '../store/projections/index.ts';
import { coldQuestions, keysOnPhone } from './asking.ts';
import { cardPage } from './card-page.ts';
import { gaugePage, PER_SECOND } from './gauge-page.ts';
import { asCsv, generatedCaps, generatedParts, generatedQueries } from './generated.ts';
import { withHouse } from './house.ts';
import { fillLedger } from './ledger.ts';
import { cardTimes } from './make.ts';
import { longRun, presses } from './presses.ts';
import { reachTimes } from './reach.ts';
import { entriesPerSecond, fill, memoryAfter } from './record.ts';
import { bookEntries, fillShop, firstSync } from './shop.ts';
import { demoTimes, isolationTimes } from './shut.ts';
import { Baseline } from './yen.ts';

const line = (name: string, figure: string) => console.log(`${name.padEnd(66)} ${figure}`);
const at = (sorted: number[], share: number) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] as number;
const timed = <T>(work: () => T): [ms: number, T] => {
  const began = performance.now();
  const result = work();
  return [performance.now() - began, result];
};
const sorted = (times: number[]) => [...times].sort((a, b) => a - b);

/** The demo catalogue's usual questions. */
function demoChains(): void {
  const { parts, loose, appliances } = catalogue();
  const questions = appliances.flatMap((a) => a.usualInletEnds.map((to) => ({ to, water: a.water[0] ?? ('cold' as const) })));
  const ask = () => questions.reduce((n, { to, water }) => n + matchChains({ from: 'comp-3/8-m', to, parts, loose, need: { water, minLengthIn: 12 } }).chains.length, 0); // biome-ignore format: one sum
  ask();
  const [ms, found] = timed(ask);
  line('matchChains, demo catalogue, chains a second', ((found * 1000) / ms).toFixed(0));
}

/** 20,000 parts over all end codes, 1,000 random queries; and against the baseline on a catalogue it can finish. */
function generated(): void {
  const parts = generatedParts(20_000);
  const [indexMs, index] = timed(() => indexParts(parts));
  line('index build, 20,000 parts, pairs of ends included (at most 400 ms)', `${indexMs.toFixed(0)} ms`);
  const queries = generatedQueries(1000);
  const ask = (q: (typeof queries)[number], list: Part[] | typeof index) =>
    timed(() => matchChains({ ...q, parts: list, loose: generatedCaps, k: 5 }))[0];
  for (const q of queries.slice(0, 300)) ask(q, index);
  const times = sorted(queries.map((q) => ask(q, index)));
  line('matchChains, 20,000 parts, k = 5, median (at most 2 ms)', `${at(times, 0.5).toFixed(2)} ms`);
  line('matchChains, 20,000 parts, k = 5, 95th percentile (at most 6 ms)', `${at(times, 0.95).toFixed(2)} ms`);
  const few = generatedParts(1500).filter((p) => p.ends.length === 2 && !p.cutToLength);
  const plain = queries.slice(0, 30).map((q) => ({ ...q, need: { water: 'cold' as const, potable: false, tempF: 32, pressurePsi: 0 } }));
  const baseline = new Baseline(few);
  const [yenMs] = timed(() => {
    for (const q of plain) baseline.shortest(q, 5);
  });
  const fewIndex = indexParts(few);
  // As a process that has been at work: the baseline's minutes warm it by themselves.
  for (const q of plain) matchChains({ ...q, parts: fewIndex, k: 5 });
  const [ownMs] = timed(() => {
    for (const q of plain) matchChains({ ...q, parts: fewIndex, k: 5 });
  });
  line(`matchChains against Yen over graphology's Dijkstra, ${few.length} parts`, `${(yenMs / ownMs).toFixed(0)} x its rate (at least 20)`);
}

function small(): void {
  const all = () => {
    for (const a of allEndCodes) for (const b of allEndCodes) mate(a, b);
  };
  all();
  const [ms] = timed(all);
  line('mate over all pairs, a second (at least 200,000)', ((allEndCodes.length ** 2 * 1000) / ms).toFixed(0));
  const reading = (i: number) => ({ gender: 'm' as const, diameterIn: 0.3 + i / 2000, threadsPerIn: 14 + (i % 14) });
  for (let i = 0; i < 500; i++) identifyThread(reading(i));
  const [all2000] = timed(() => { for (let i = 0; i < 2000; i++) identifyThread(reading(i)); }); // biome-ignore format: one loop
  line('identifyThread (at most 0.3 ms)', `${(all2000 / 2000).toFixed(3)} ms`);
}

/** The shape of a line between two ends. */
function reach(): void {
  const { plane, space, pick } = reachTimes();
  line('hoseShape, 64 segments and more, median (at most 3 ms)', `${at(sorted(plane), 0.5).toFixed(2)} ms`);
  line('hoseShape, 95th percentile (at most 8 ms)', `${at(sorted(plane), 0.95).toFixed(2)} ms`);
  line('hoseShape in space, median (at most 6 ms)', `${at(sorted(space), 0.5).toFixed(2)} ms`);
  line('pickLength, six lengths, out and home, 95th percentile (at most 40 ms)', `${at(sorted(pick), 0.95).toFixed(1)} ms`);
}

/** Which valves to close. */
function shut(): void {
  const times = sorted(isolationTimes());
  line('planIsolation, 5,000 pipes, 50 loops, median', `${at(times, 0.5).toFixed(1)} ms`);
  line('planIsolation, the same, 95th percentile (at most 150 ms)', `${at(times, 0.95).toFixed(1)} ms`);
  const { plan, windowsMs } = demoTimes();
  line('planIsolation on the demo, every outlet, 95th percentile (at most 10 ms)', `${at(sorted(plan), 0.95).toFixed(2)} ms`);
  line('eight visits joined into windows on the demo (at most 2000 ms)', `${windowsMs.toFixed(0)} ms`);
}

/** A card of every kind of work, from the longest chains there are. */
function make(): void {
  const { cards, longest, loadMs } = cardTimes();
  const times = sorted(cards);
  line(`workCard, every kind of work, to ${longest} steps, median`, `${at(times, 0.5).toFixed(2)} ms`);
  line('workCard, the same, 95th percentile (at most 4 ms)', `${at(times, 0.95).toFixed(2)} ms`);
  line('steps of the catalogue read and checked (at most 50 ms)', `${loadMs.toFixed(1)} ms`);
}

/** The card on its page. */
async function cardOnPage(address: string): Promise<void> {
  const { opens, answers, ticks } = await cardPage(address, 20);
  line('the card opened on a cold page, median (at most 400 ms)', `${at(opens, 0.5).toFixed(0)} ms (95 %: ${at(opens, 0.95).toFixed(0)})`);
  line('the same, until its keys answer', `${at(answers, 0.5).toFixed(0)} ms (95 %: ${at(answers, 0.95).toFixed(0)})`);
  line(
    'a tick saved and the next step shown, 95th percentile (at most 100 ms)',
    `${at(ticks, 0.95).toFixed(0)} ms (median ${at(ticks, 0.5).toFixed(0)})`,
  );
}

/** Requests at a steady rate; milliseconds each took, sorted. */
async function steady(perSecond: number, count: number, send: (i: number) => Promise<Response>): Promise<number[]> {
  const times: Promise<number>[] = [];
  const start = performance.now();
  for (let i = 0; i < count; i++) {
    const began = performance.now();
    times.push(send(i).then((r) => r.text()).then(() => performance.now() - began)); // biome-ignore format: one chain
    await new Promise((wake) => setTimeout(wake, Math.max(0, start + ((i + 1) * 1000) / perSecond - performance.now())));
  }
  return sorted(await Promise.all(times));
}

async function pages(address: string): Promise<void> {
  const home = await (await fetch(`${address}/`)).text();
  const visit = /\/visits\/[0-9a-f-]{36}/.exec(home)?.[0] ?? '/';
  const still = await steady(20, 60, () => fetch(`${address}/parts`));
  const busy = await steady(20, 200, () => fetch(address + visit));
  line('visit page at 20 requests/s, median', `${at(busy, 0.5).toFixed(1)} ms (${(at(busy, 0.5) / at(still, 0.5)).toFixed(1)} x of a page without a database)`); // biome-ignore format: one line
  line('visit page at 20 requests/s, 95th percentile', `${at(busy, 0.95).toFixed(1)} ms`);
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
  for (const path of ['/', ...['look', 'match', 'prove'].map((s) => `${visit}?stage=${s}`), '/match', '/gauge', '/rules', '/parts', '/ledger']) {
    line(
      `JavaScript of ${path.replace(/[0-9a-f-]{36}/, '...')}, compressed (at most 170 kB)`,
      `${((await scriptBytes(browser, address, path)) / 1000).toFixed(1)} kB`,
    );
  }
  await browser.close();
}

/** Every script that a browser fetches to open a page, gzipped; a stage of a visit fetches its own. */
async function scriptBytes(browser: Browser, address: string, path: string): Promise<number> {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  const files = new Set<string>();
  page.on('response', (response) => {
    const { pathname } = new URL(response.url());
    if (pathname.endsWith('.js')) files.add(pathname);
  });
  await page.goto(address + path);
  await page.waitForLoadState('networkidle').catch(() => {});
  await page.waitForTimeout(1500);
  await context.close();
  return [...files].reduce((sum, file) => sum + gzipSync(readFileSync(`dist/client${file}`)).byteLength, 0);
}

/** A key pressed to the frame that shows what came of it. */
async function typing(address: string): Promise<void> {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const measure = async (path: string, label: string, text: string) => {
    await page.goto(address + path);
    await page.waitForLoadState('networkidle');
    await page.getByLabel(label).first().focus();
    await page.evaluate(() => {
      const times: number[] = [];
      Object.assign(window, { times });
      document.addEventListener('keydown', () => {
        const began = performance.now();
        requestAnimationFrame(() => setTimeout(() => times.push(performance.now() - began)));
      }, true); // biome-ignore format: one listener
    });
    for (let n = 0; n < 6; n++) {
      await page.keyboard.type(text, { delay: 60 });
      await page.getByLabel(label).first().fill('');
    }
    const times = sorted(await page.evaluate(() => (window as unknown as { times: number[] }).times));
    line(`typing in "${label}" to a painted result, median (at most 50 ms)`, `${at(times, 0.5).toFixed(1)} ms`);
  };
  await measure('/match', 'From, water side', '3/8 comp');
  await measure('/gauge', 'Diameter at the crests, in', '0.820');
  await browser.close();
}

async function api(address: string, sql: Parameters<Parameters<typeof withHouse>[0]>[1]): Promise<void> {
  await importParts(sql, FIRST_SHOP, new TextEncoder().encode(asCsv(generatedParts(20_000))), new Date());
  const queries = generatedQueries(400, 5);
  // A request takes the van's stock unless it says otherwise; both are shown, for the stock makes the search wider.
  for (const [stock, said] of [
    ['van', "the van's stock, as by default"],
    ['all', 'everything at hand'],
  ] as const) {
    const post = (i: number) =>
      fetch(`${address}/api/v1/match`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ ...queries[i % queries.length], stock }),
      });
    for (let i = 0; i < 20; i++) await (await post(i)).text();
    const times = await steady(50, 400, post);
    line(`API match at 50 requests/s, 20,000 parts, ${said}, 95th percentile (at most 40 ms)`, `${at(times, 0.95).toFixed(1)} ms`);
  }
}

/** What the record bears: writing, a large database, many questions. */
async function recorded(address: string, sql: Parameters<Parameters<typeof withHouse>[0]>[1], pid: number): Promise<void> {
  await entriesPerSecond(address, sql, 1);
  line('entries kept a second over HTTP, batches of 100 (at least 500)', (await entriesPerSecond(address, sql)).toFixed(0));
  const few = await memoryAfter(address, pid, 2000, 0);
  const many = await memoryAfter(address, pid, 20_000, 2000);
  line(
    'memory after 20,000 distinct matches over that after 2,000 (at most 60 MB)',
    `${(many - few).toFixed(0)} MB (${few.toFixed(0)} to ${many.toFixed(0)})`,
  );
  const count = await fill(sql, 200_000);
  const times = await steady(20, 200, () => fetch(`${address}/`));
  line(`day sheet at 20 requests/s, ${count} entries in the database, median`, `${at(times, 0.5).toFixed(1)} ms`);
  line('day sheet, 95th percentile (at most 40 ms)', `${at(times, 0.95).toFixed(1)} ms`);
}

/** Whole questions: every key on a slow phone beside what the browser itself takes, and the first answer of a cold page. */
async function asking(address: string): Promise<void> {
  const told = (name: string, times: number[]) => `${name} ${at(sorted(times), 0.5).toFixed(1)} ms (95 %: ${at(sorted(times), 0.95).toFixed(1)})`;
  const bench = await keysOnPhone(address, '/match', 4);
  const still = await keysOnPhone(address, '/rules', 4);
  line('a key of a question, phone, 4 x slower (at most 16, 95 %: 50)', told('to its frame', bench.toFrame));
  line('the same, painted', told('', bench.toPainted));
  line('the same key on a page that answers nothing', `${told('to its frame', still.toFrame)}, ${told('painted', still.toPainted)}`);
  await coldQuestions(address, 3);
  const cold = sorted(await coldQuestions(address, 12));
  line('a question to its best chain, cold page, median (at most 300 ms)', `${at(cold, 0.5).toFixed(0)} ms (most ${cold.at(-1)!.toFixed(0)})`);
}

/** What a press takes, and a run on which much is recorded. */
async function pressing(address: string, sql: Parameters<Parameters<typeof withHouse>[0]>[1]): Promise<void> {
  const { count, folds } = await longRun(sql, 400);
  line(`state of a run of ${count} entries, median (at most 5 ms)`, `${at(folds, 0.5).toFixed(2)} ms (95 %: ${at(folds, 0.95).toFixed(2)})`);
  const { online, offline, opens } = await presses(address, 60);
  for (const [where, { painted, takenBack }] of Object.entries({ online, offline })) {
    line(`a press painted, ${where}, 95th percentile (at most 100 ms)`, `${at(painted, 0.95).toFixed(0)} ms (median ${at(painted, 0.5).toFixed(0)})`);
    line(`taken back, ${where}, 95th percentile (at most 100 ms)`, `${at(takenBack, 0.95).toFixed(0)} ms (median ${at(takenBack, 0.5).toFixed(0)})`);
  }
  line(`that run opened, 95th percentile (at most 200 ms)`, `${at(opens, 0.95).toFixed(0)} ms (median ${at(opens, 0.5).toFixed(0)})`);
}

/** The shop's own day, in a shop of some years. */
async function shopOfYears(address: string, sql: Sql): Promise<void> {
  const share = Number(process.env.SHOP_SHARE ?? 1);
  const size = { premises: 5000 * share, visits: 60_000 * share, entries: 1_000_000 * share };
  const began = performance.now();
  const count = await fillShop(sql, size, (what) => console.log(`  ${what} (${((performance.now() - began) / 1000).toFixed(0)} s)`));
  line(`a shop of ${size.premises} premises, ${size.visits} visits made`, `${count} entries in ${((performance.now() - began) / 1000).toFixed(0)} s`);
  let most = 0;
  const watch = setInterval(() => {
    most = Math.max(most, process.memoryUsage().rss);
  }, 50);
  const rebuilding = performance.now();
  await rebuild(sql, FIRST_SHOP);
  clearInterval(watch);
  line('all derived tables rebuilt (at most 120 s)', `${((performance.now() - rebuilding) / 1000).toFixed(0)} s`);
  line('memory of that process at most (1,024 MB)', `${(most / 1e6).toFixed(0)} MB`);
  await sql`select 1`;
  const { premises } = (await (await fetch(`${address}/api/v1/premises?limit=200`)).json()) as { premises: { id: string }[] };
  const day = (i: number) => new Date(Date.now() + ((i % 20) - 10) * 86_400_000).toISOString().slice(0, 10);
  const words = ['kiln', 'tarn lane', 'alder', 'summit 12', 'bathroom birch', '555 01', 'lodge washer', 'hazel maple', 'nothing of it', 'house 42'];
  const asks: [what: string, most: number, send: (i: number) => Promise<Response>][] = [
    ['day sheet', 60, (i) => fetch(`${address}/?day=${day(i)}`)],
    ['week', 90, (i) => fetch(`${address}/week?day=${day(i)}`)],
    ['premises page', 60, (i) => fetch(`${address}/premises/${premises[i % premises.length]!.id}`)],
    ['search', 50, (i) => fetch(`${address}/api/v1/premises?limit=8&q=${encodeURIComponent(words[i % words.length]!)}`)],
  ];
  for (const [what, wanted, send] of asks) {
    for (let i = 0; i < 20; i++) await (await send(i)).text();
    const times = await steady(20, 200, send);
    line(
      `${what} at 20 requests/s, 95th percentile (at most ${wanted} ms)`,
      `${at(times, 0.95).toFixed(1)} ms (median ${at(times, 0.5).toFixed(1)})`,
    );
  }
  const written = await bookEntries(address, premises.map((p) => p.id), 60); // biome-ignore format: one call
  line(
    'book entries through HTTP in batches of 100 (at least 500 a second)',
    `${((written.length * 100_000) / written.reduce((a, b) => a + b, 0)).toFixed(0)} a second`,
  );
  line('such a batch, 95th percentile (at most 80 ms)', `${at(sorted(written), 0.95).toFixed(1)} ms (median ${at(sorted(written), 0.5).toFixed(1)})`);
  const kits: number[] = [];
  let bytes = 0;
  for (let i = 0; i < 5; i++) {
    const start = performance.now();
    bytes = (await (await fetch(`${address}/api/v1/kit`)).arrayBuffer()).byteLength;
    kits.push(performance.now() - start);
  }
  line('what a device takes along for 14 days, from the server', `${at(sorted(kits), 0.5).toFixed(0)} ms, ${(bytes / 1e6).toFixed(1)} MB`);
  line('first sync of a device (at most 2,000 ms)', `${(await firstSync(address)).toFixed(0)} ms`);
}

/** The gauge's chart, after as many readings as an hour brings. */
async function gauge(): Promise<void> {
  const logger = await startLogger({ tcpPort: 0, httpPort: 0, perSecond: PER_SECOND });
  await withHouse(
    async (address) => {
      const { readings, framesPerSecond, heapMb } = await gaugePage(address);
      line(`the gauge's chart after ${readings} readings, frames a second (at least 30)`, framesPerSecond.toFixed(0));
      line('memory of its page after a sixth of them, and after all', `${heapMb.early.toFixed(1)} MB, ${heapMb.late.toFixed(1)} MB`);
    },
    { BRASS_NUT_GAUGE: `http://127.0.0.1:${logger.httpPort}` },
  );
  await logger.close();
}

/** The ledger of many years. */
async function manyYears(address: string, sql: Sql, _: number, owner: Sql): Promise<void> {
  const share = Number(process.env.LEDGER_SHARE ?? 1);
  const began = performance.now();
  const say = (what: string) => console.log(`  ${what} (${((performance.now() - began) / 1000).toFixed(0)} s)`);
  const { joints, checks } = await fillLedger(sql, { joints: 250_000 * share, checks: 1_000_000 * share }, say);
  await owner`vacuum analyze`;
  const [size] = await sql<{ mb: number }[]>`select (pg_database_size(current_database()) / 1e6)::int as mb`;
  line(`a ledger of ${joints} joints and ${checks} checks`, `${size!.mb} MB of database`);
  const parts = ['con-toilet-c38-12', 'con-faucet-c38-16', 'stop-c38-f12'];
  const rooms = ['kitchen', 'bathroom', 'utility room'];
  const names = ['alder', 'birch', 'cedar', 'damson', 'elder', 'fir', 'gorse', 'hazel', 'ivy', 'juniper', 'larch', 'maple'];
  /** Few are asked twice: what is remembered of the ones before says little of them. */
  const searched = (i: number): string => {
    const [room, name, other, part] = [rooms[i % 3], names[i % 12], names[(i * 5) % 11], parts[i % 3]];
    return [`q=${room} ${name}`, `q=braided ${name} ${i}`, `q=${name} ${other} ${i % 60}`, `end=3/8 comp&q=${name}`, `appliance=toilet&finding=damp&q=${room}`, `part=${part}&q=${other}`, `seal=taper&callbacks=only&q=${name}`, `q=nothing of it ${i}`, `from=2023-0${1 + (i % 9)}-01&to=2024-06-30`, `part=${part}&q=house ${i}`, `recheck=due&q=${name}`, `q=${room}`][i % 12]!; // biome-ignore format: one list
  };
  const asks: [what: string, most: number, perSecond: number, path: (i: number) => string][] = [
    ['ledger searched, first page', 60, 20, (i) => `ledger?${searched(i)}`],
    ['due list', 100, 5, (i) => `due?ahead=${[60, 30, 365][i % 3]}`],
    ['callbacks analysed', 500, 1, (i) => `callbacks${['', '?appliance=toilet', '?from=2024-01-01'][i % 3]}`],
  ];
  for (const [what, wanted, perSecond, path] of asks) {
    const send = (i: number) => fetch(`${address}/api/v1/${path(i)}`);
    for (let i = 0; i < 24; i++) if (!(await send(i)).ok) throw new Error(`${path(i)} is not answered.`);
    const times = await steady(perSecond, perSecond * 12, send);
    line(`${what} at ${perSecond} request${perSecond === 1 ? '' : 's'}/s, 95th percentile (at most ${wanted} ms)`, `${at(times, 0.95).toFixed(1)} ms (median ${at(times, 0.5).toFixed(1)})`); // biome-ignore format: one line
  }
}

/** `npm run bench -- presses` runs that part alone. */
const only = process.argv[2];
if (only === 'asking') {
  await withHouse(asking);
  process.exit(0);
}
if (only === 'make') {
  make();
  await withHouse(cardOnPage);
  process.exit(0);
}
if (only === 'presses') {
  await withHouse(pressing);
  process.exit(0);
}
if (only === 'shop') {
  await withHouse(shopOfYears);
  process.exit(0);
}
if (only === 'gauge') {
  await gauge();
  process.exit(0);
}
if (only === 'ledger') {
  await withHouse(manyYears);
  process.exit(0);
}
// First, so that the index is built as in a process just begun.
generated();
demoChains();
small();
reach();
shut();
make();
await withHouse(async (address, sql, pid) => {
  await pages(address);
  await typing(address);
  await asking(address);
  await cardOnPage(address);
  await pressing(address, sql);
  await recorded(address, sql, pid);
  await api(address, sql);
});
await gauge();
await withHouse(shopOfYears);
await withHouse(manyYears);
