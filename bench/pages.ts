/** The pages and the API of a house that runs. */
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { type Browser, chromium } from '@playwright/test';
import { CHROMIUM } from '../ops/chromium.ts';
import { FIRST_SHOP, type Sql } from '../store/database/index.ts';
import { importParts } from '../store/own-parts/index.ts';
import { coldQuestions, keysOnPhone } from './asking.ts';
import { cardPage } from './card-page.ts';
import { at, line, sorted, steady } from './figures.ts';
import { asCsv, generatedParts, generatedQueries } from './generated.ts';
import { longRun, presses } from './presses.ts';
import { entriesPerSecond, fill, memoryAfter } from './record.ts';

export async function pages(address: string): Promise<void> {
  const home = await (await fetch(`${address}/`)).text();
  const visit = /\/visits\/[0-9a-f-]{36}/.exec(home)?.[0] ?? '/';
  const still = await steady(20, 60, () => fetch(`${address}/parts`));
  const busy = await steady(20, 200, () => fetch(address + visit));
  line(
    'visit page at 20 requests/s, median',
    `${at(busy, 0.5).toFixed(1)} ms (${(at(busy, 0.5) / at(still, 0.5)).toFixed(1)} x of a page without a database)`,
  );
  line('visit page at 20 requests/s, 95th percentile', `${at(busy, 0.95).toFixed(1)} ms`);
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox'] });
  for (const path of [
    '/',
    ...['look', 'match', 'prove'].map((s) => `${visit}?stage=${s}`),
    '/match',
    '/gauge',
    '/flow',
    '/hammer',
    '/rules',
    '/parts',
    '/ledger',
  ]) {
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
export async function typing(address: string): Promise<void> {
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
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
      document.addEventListener(
        'keydown',
        () => {
          const began = performance.now();
          requestAnimationFrame(() => setTimeout(() => times.push(performance.now() - began)));
        },
        true,
      );
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

/** The card on its page. */
export async function cardOnPage(address: string): Promise<void> {
  const { opens, answers, ticks } = await cardPage(address, 20);
  line('the card opened on a cold page, median (at most 400 ms)', `${at(opens, 0.5).toFixed(0)} ms (95 %: ${at(opens, 0.95).toFixed(0)})`);
  line('the same, until its keys answer', `${at(answers, 0.5).toFixed(0)} ms (95 %: ${at(answers, 0.95).toFixed(0)})`);
  line(
    'a tick saved and the next step shown, 95th percentile (at most 100 ms)',
    `${at(ticks, 0.95).toFixed(0)} ms (median ${at(ticks, 0.5).toFixed(0)})`,
  );
}

/** Whole questions: every key on a slow phone beside what the browser itself takes, and the first answer of a cold page. */
export async function asking(address: string): Promise<void> {
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
export async function pressing(address: string, sql: Sql): Promise<void> {
  const { count, folds } = await longRun(sql, 400);
  line(`state of a run of ${count} entries, median (at most 5 ms)`, `${at(folds, 0.5).toFixed(2)} ms (95 %: ${at(folds, 0.95).toFixed(2)})`);
  const { online, offline, opens } = await presses(address, 60);
  for (const [where, { painted, takenBack }] of Object.entries({ online, offline })) {
    line(`a press painted, ${where}, 95th percentile (at most 100 ms)`, `${at(painted, 0.95).toFixed(0)} ms (median ${at(painted, 0.5).toFixed(0)})`);
    line(`taken back, ${where}, 95th percentile (at most 100 ms)`, `${at(takenBack, 0.95).toFixed(0)} ms (median ${at(takenBack, 0.5).toFixed(0)})`);
  }
  line(`that run opened, 95th percentile (at most 200 ms)`, `${at(opens, 0.95).toFixed(0)} ms (median ${at(opens, 0.5).toFixed(0)})`);
}

/** What the record bears: writing, a large database, many questions. */
export async function recorded(address: string, sql: Sql, pid: number): Promise<void> {
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

export async function api(address: string, sql: Sql): Promise<void> {
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
