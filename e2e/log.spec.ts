/** What stands once the work is done: the ledger's three sides, certificate and tags, a whole shop as a file; and two devices that prove one run. */
import { readFileSync } from 'node:fs';
import { type Browser, expect, type Page, test } from '@playwright/test';
import type { LedgerPage } from '../store/queries/ledger.ts';
import { ownHouse } from './house.ts';
import { hydrated, openRun } from './page.ts';
import type { Served } from './server.ts';

let house: Served;
test.beforeAll(async () => {
  house = await ownHouse();
});
test.afterAll(() => house.kill());

const json = async <T>(path: string): Promise<T> => (await (await fetch(`${house.address}/api/v1/${path}`)).json()) as T;
const first = async (query: string) => (await json<LedgerPage>(`ledger?${query}`)).rows[0]!;

test('the ledger is searched by an end as one says it, and by what was found', async ({ page }) => {
  await page.goto(`${house.address}/ledger`);
  await hydrated(page);
  const all = /\d+/.exec((await page.getByText(/^\d+ connections, \d+ joints/).textContent())!)![0];
  await page.getByLabel('End, as you say it').fill('3/4 hose');
  await expect(page.getByText(/^\d+ connections/)).not.toContainText(`${all} connections`);
  await expect(page.getByRole('link', { name: /^Lodge washer/ }).first()).toBeVisible();
  await expect(page.getByRole('link', { name: /toilet/ })).toHaveCount(0);
  await page.getByLabel('End, as you say it').fill('nothing of it');
  await expect(page.getByText('Nothing fits.')).toBeVisible();
  await page.getByLabel('End, as you say it').fill('');
  await page.getByLabel('Callbacks').selectOption('only');
  await expect(page.getByText('▲ 1').first()).toBeVisible();
});

test('a stop that is due is exercised, taken back, put off with a reason; the calendar and the file have the same', async ({ page, request }) => {
  await page.goto(`${house.address}/due?kind=stop`);
  await hydrated(page);
  const rows = page.getByRole('listitem').filter({ hasText: /Exercise: / });
  await expect(rows.first()).toBeVisible();
  const before = await rows.count();
  const name = (await rows.first().getByRole('link').textContent())!;
  await rows.first().getByRole('button', { name: 'Done' }).click();
  await expect(rows).toHaveCount(before - 1);
  await page.getByRole('button', { name: /Take it back/ }).click();
  await expect(rows).toHaveCount(before);
  const row = rows.filter({ hasText: name }).first();
  await row.getByRole('button', { name: 'Put off' }).click();
  await row.getByRole('button', { name: 'a year' }).click();
  await row.getByLabel(/^Why it is put off/).fill('ok');
  await expect(row.getByRole('button', { name: /^Put off until/ })).toBeDisabled();
  await row.getByLabel(/^Why it is put off/).fill('The house is closed till next summer');
  await row.getByRole('button', { name: /^Put off until/ }).click();
  // Put off it is still to come within the year, later.
  await expect.poll(async () => (await json<{ rows: { run: string; dueOn: string }[] }>('due?ahead=365&kind=stop')).rows.at(-1)?.run).toBe(name);
  const calendar = await (await request.get(`${house.address}/api/v1/due.ics`)).text();
  expect(calendar).toContain('SUMMARY:Exercise: ');
  const uids = [...calendar.matchAll(/^UID:(.+)$/gm)].map((m) => m[1]);
  expect(new Set(uids).size).toBe(uids.length);
  expect(await (await request.get(`${house.address}/api/v1/due.csv?ahead=365`)).text()).toContain('Exercise');
});

test('out of reach what was seen to is said on its row, and its keys come back when it is taken back', async ({ page, context }) => {
  const due = async () => (await json<{ rows: { dueOn: string }[] }>('due?ahead=365&kind=stop')).rows.map((r) => r.dueOn).join();
  await page.goto(`${house.address}/due?kind=stop&ahead=365`);
  await hydrated(page);
  const row = page
    .getByRole('listitem')
    .filter({ hasText: /Exercise: / })
    .first();
  const before = await due();
  await context.setOffline(true);
  await row.getByRole('button', { name: 'Done' }).click();
  await expect(row.getByRole('status')).toHaveText('Done today.');
  await page.getByRole('button', { name: /Take it back/ }).click();
  await expect(row.getByRole('button', { name: 'Done' })).toBeVisible();
  await page.getByRole('button', { name: /Put it back/ }).click();
  await expect(row.getByRole('status')).toHaveText('Done today.');
  await context.setOffline(false);
  await expect.poll(due, { timeout: 15_000 }).not.toBe(before);
  await expect(row.getByRole('status')).toBeHidden();
});

test('months of a house rule are whole ones, and stand with the usual of the catalogue', async ({ page }) => {
  await page.goto(`${house.address}/rules`);
  await hydrated(page);
  const months = page.getByLabel(/^A stop is exercised every/);
  await expect(months).toHaveValue('12');
  await expect(page.getByLabel(/^A rubber hose is renewed after/)).toHaveValue('5');
  await months.fill('6.5');
  await expect(page.getByText('Give a whole number above 0, 600 at most.')).toBeVisible();
  await expect(page.getByText('Nothing changed yet.')).toBeVisible();
  await months.fill('6');
  await expect(page.getByText('Nothing changed yet.')).toBeHidden();
});

test('what keeps leaking is shown with its intervals, and narrowed to an appliance', async ({ page }) => {
  await page.goto(`${house.address}/callbacks`);
  await hydrated(page);
  await expect(page.getByText(/^\d+ of \d+ joints came back/)).toBeVisible();
  const seals = page.getByRole('region', { name: 'By seal', exact: true });
  await expect(seals.getByRole('img', { name: /^Callbacks by seal/ })).toBeVisible();
  await expect(seals.getByRole('columnheader', { name: 'Match reckons with' })).toBeVisible();
  await page.getByLabel('Appliance').selectOption('toilet');
  await expect(page.getByText(/^0 of \d+ joints came back|^\d+ of \d+ joints came back/)).toBeVisible();
  await page.getByLabel('Done from').fill('2040-01-01');
  await expect(page.getByText('No joint that fits was signed off yet')).toBeVisible();
});

test('a tag opens its connection, and one of nowhere says so; the certificate says what is bound and what is not', async ({ page }) => {
  const row = await first('appliance=refrigerator');
  await page.goto(`${house.address}/t/${row.runId}`);
  await expect(page).toHaveURL(new RegExp(`/ledger/${row.visitId}/${row.runId}$`));
  await expect(page.getByRole('heading', { name: row.run })).toBeVisible();
  await expect(page.getByRole('cell', { name: /made, .*→ .*dry/ }).first()).toBeVisible();
  const tags = page.getByRole('link', { name: 'Tags to print' });
  expect((await page.request.get(house.address + (await tags.getAttribute('href')))).headers()['content-type']).toContain('application/pdf');
  await page.getByRole('link', { name: 'What was proven' }).click();
  await expect(page.getByText(/^Dry when we left: at 95 % no more than/).first()).toBeVisible();
  await expect(page.getByText('A dry look never proves that nothing leaks', { exact: false })).toBeVisible();
  const pdf = await page.request.get(house.address + (await page.getByRole('link', { name: 'As PDF' }).getAttribute('href')));
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  const answer = await page.goto(`${house.address}/t/0192f3a4-5b6c-7d8e-9f01-23456789abcd`);
  expect(answer!.status()).toBe(404);
  await expect(page.getByRole('heading', { name: 'No such tag' })).toBeVisible();
});

test('a premises is told through the years', async ({ page }) => {
  await page.goto(`${house.address}/premises`);
  await hydrated(page);
  await page
    .getByRole('link', { name: /Observatory/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'Through the years' }).click();
  await expect(page.getByRole('heading', { name: /through the years$/ })).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'came back' }).first()).toBeVisible();
});

test('a whole shop goes out as a file and into an empty one, where the same file comes out; a full one refuses it', async ({ page, browser }) => {
  await page.goto(`${house.address}/shop`);
  await hydrated(page);
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'The whole shop' }).click()]);
  const file = (await download.path())!;
  const input = page.getByLabel(/^A whole shop's file/);
  await input.setInputFiles({ name: 'shop.jsonl', mimeType: 'application/jsonl', buffer: readFileSync(file) });
  await expect(page.getByText(/taken into an empty one/)).toBeVisible();
  const empty = await ownHouse(false);
  try {
    const other = await (await browser.newContext()).newPage();
    await other.goto(`${empty.address}/shop`);
    await hydrated(other);
    await other.getByLabel(/^A whole shop's file/).setInputFiles({
      name: 'shop.jsonl',
      mimeType: 'application/jsonl',
      buffer: Buffer.from('{"format":"brass-nut-shop","version":1}\n{"run":1}\n'),
    });
    await expect(other.getByText(/line 2/)).toBeVisible();
    await other.getByLabel(/^A whole shop's file/).setInputFiles({ name: 'shop.jsonl', mimeType: 'application/jsonl', buffer: readFileSync(file) });
    await expect(other.getByText(/^Taken in: [\d,]+ entries/)).toBeVisible({ timeout: 60_000 });
    expect(await (await fetch(`${empty.address}/api/v1/shop.jsonl`)).text()).toBe(readFileSync(file, 'utf8'));
    const pages = await Promise.all([house, empty].map(async (h) => (await fetch(`${h.address}/api/v1/ledger`)).text()));
    expect(pages[1]).toBe(pages[0]);
    await other.context().close();
  } finally {
    await empty.kill();
  }
});

test('an empty shop has an empty ledger, an empty list and no false figure', async ({ page }) => {
  const empty = await ownHouse(false);
  try {
    await page.goto(`${empty.address}/ledger`);
    await expect(page.getByText('Nothing fits.', { exact: false })).toBeVisible();
    await page.goto(`${empty.address}/due`);
    await expect(page.getByText('Nothing falls due.')).toBeVisible();
    await page.goto(`${empty.address}/callbacks`);
    await expect(page.getByText('the first guesses stand', { exact: false })).toBeVisible();
  } finally {
    await empty.kill();
  }
});

/** A device of its own at the run that is being proven. */
async function atTheRun(browser: Browser): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await openRun(page, /^Canteen sink, hot/, 'Prove', house.address);
  // The stage's own code is fetched: out of reach before that it would not come.
  await expect(page.getByLabel('dry tissue', { exact: true })).toBeVisible();
  return page;
}

test('two devices prove one run, each out of reach in turn: both records are kept, and both come to one state', async ({ browser }) => {
  const [one, two] = [await atTheRun(browser), await atTheRun(browser)];
  const look = async (page: Page, how: string, finding: string) => {
    await page.getByLabel(how, { exact: true }).check();
    await page.getByRole('button', { name: /Begin the look/ }).click();
    await page.waitForTimeout(1200);
    for (const key of await page.getByRole('region', { name: 'The look' }).getByRole('button', { name: finding, exact: false }).all()) {
      if (await key.isVisible()) await key.click();
    }
  };
  await one.context().setOffline(true);
  await two.context().setOffline(true);
  await look(one, 'dry tissue', 'All dry');
  await look(two, 'mirror and torch', 'All dry');
  await expect(one.getByText(/not sent yet/)).toBeVisible();
  await expect(two.getByText(/not sent yet/)).toBeVisible();
  await two.context().setOffline(false);
  await expect(two.getByText(/not sent yet/)).toBeHidden({ timeout: 30_000 });
  await one.context().setOffline(false);
  await expect(one.getByText(/not sent yet/)).toBeHidden({ timeout: 30_000 });
  const visitId = /visits\/([0-9a-f-]{36})/.exec(one.url())![1]!;
  interface VisitAnswer {
    entries: { kind: string; deviceId: string; body: { method?: string } }[];
    runs: { name: string; joints: object[] }[];
  }
  const visit = await json<VisitAnswer>(`visits/${visitId}`);
  const begun = visit.entries.filter((e) => e.kind === 'look-begun').map((e) => e.body.method);
  expect(begun).toContain('mirror');
  expect(new Set(visit.entries.filter((e) => e.kind === 'look-begun').map((e) => e.deviceId)).size).toBeGreaterThanOrEqual(2);
  const table = (page: Page) => page.getByRole('region', { name: 'Rounds by joint' });
  await expect(async () => expect(await table(one).textContent()).toBe(await table(two).textContent())).toPass({ timeout: 20_000 });
  await Promise.all([one, two].map((p) => p.context().close()));
});

test('the ledger answers as it is described, and refuses what it is not asked for in words', async ({ request }) => {
  const { callbacksAnswer, dueAnswer, ledgerAnswer } = await import('../app/http/shapes/ledger-answers.ts');
  for (const [path, shape] of [
    ['ledger', ledgerAnswer],
    ['due?ahead=4000', dueAnswer],
    ['callbacks', callbacksAnswer],
  ] as const) {
    shape.parse(await json(path));
  }
  for (const bad of [
    'due?kind=cat',
    'due?ahead=-1',
    'callbacks?from=yesterday',
    'ledger?run=x',
    'visits/nonsense/certificate.pdf',
    'visits/nonsense/tags.pdf',
  ]) {
    const answer = await request.get(`${house.address}/api/v1/${bad}`);
    expect([400, 404, 422], bad).toContain(answer.status());
    expect((await answer.json()).detail, bad).toMatch(/[a-z]{3}/);
  }
});
