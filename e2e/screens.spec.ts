/** Every screen: no accessibility violation, nothing overflowing, a strict policy, and polite answers to what is wrong. */

import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';
import { catalogue } from '../catalog/index.ts';
import { address } from './house.ts';
import { hydrated, openRun, tabTo } from './page.ts';

const SCREENS: [name: string, open: (page: Page) => Promise<unknown>][] = [
  ['day', (page) => page.goto(address())],
  ['week', (page) => page.goto(`${address()}/week`)],
  ['places', (page) => page.goto(`${address()}/premises`)],
  [
    'premises',
    async (page) => {
      await page.goto(`${address()}/premises`);
      await page.getByRole('link', { name: /Quillback.*summit road/ }).click();
      await page.getByRole('heading', { name: 'What stands here' }).waitFor();
    },
  ],
  [
    'water',
    async (page) => {
      await page.goto(`${address()}/premises`);
      await page.getByRole('link', { name: /Quillback.*summit road/ }).click();
      await page.getByRole('link', { name: 'Water', exact: true }).click();
      await page.getByRole('heading', { name: /^Water of/ }).waitFor();
    },
  ],
  ['start', (page) => page.goto(`${address()}/start`)],
  [
    'call',
    async (page) => {
      await page.goto(`${address()}/call`);
      await hydrated(page);
      await page.getByRole('combobox', { name: 'Who' }).fill('quil');
      await page.getByRole('option', { name: /Quillback.*summit road/ }).click();
      await page.getByRole('button', { name: 'Flat toilet' }).click();
      await page.getByRole('region', { name: 'What it will take' }).waitFor();
    },
  ],
  [
    'plan',
    async (page) => {
      await page.goto(address());
      await page.getByRole('link', { name: /^Move Canteen kitchen/ }).click();
      await page.getByRole('heading', { name: /^Plan/ }).waitFor();
    },
  ],
  [
    'look',
    async (page) => {
      await openRun(page, /^Brewer/, 'Look');
      await page.getByRole('radio', { name: 'multi-turn' }).check();
      const shut = page.getByRole('tabpanel').locator('button[aria-expanded="false"]:visible');
      while ((await shut.count()) > 0) await shut.first().click();
      await page.getByRole('button', { name: 'rubber washer' }).click();
    },
  ],
  ['match', (page) => openRun(page, /^Dishwasher/, 'Match')],
  ['shut', (page) => openRun(page, /^Dishwasher/, 'Shut')],
  ['make', (page) => openRun(page, /^Flat toilet/, 'Make')],
  ['prove', (page) => openRun(page, /^Ice maker/, 'Prove')],
  ['log', (page) => openRun(page, /^Canteen sink, cold/, 'Log')],
  [
    'match bench',
    async (page) => {
      await page.goto(`${address()}/match?q=from+3/8+comp+m+to+ght+m`);
      await page.getByRole('article').first().waitFor();
    },
  ],
  ['ends', (page) => page.goto(`${address()}/ends?as=to`)],
  [
    'reach',
    async (page) => {
      await page.goto(`${address()}/reach?on=toilet`);
      await hydrated(page);
      for (const more of [/^A rigid riser/, /^Tube cut to length/, 'Holes on the way']) await page.getByText(more).first().click();
    },
  ],
  [
    'gauge',
    async (page) => {
      await page.goto(`${address()}/gauge`);
      await hydrated(page);
      await page.getByLabel('Diameter at the crests, in').fill('0.82');
    },
  ],
  ['rules', (page) => page.goto(`${address()}/rules`)],
  [
    'parts',
    async (page) => {
      await page.goto(`${address()}/parts`);
      await page.getByRole('row').nth(3).waitFor();
    },
  ],
  ['ledger', (page) => page.goto(`${address()}/ledger`)],
  ['due', (page) => page.goto(`${address()}/due?ahead=365`)],
  [
    'callbacks',
    async (page) => {
      await page.goto(`${address()}/callbacks`);
      await page.locator('canvas').first().waitFor();
    },
  ],
  ['shop', (page) => page.goto(`${address()}/shop`)],
  [
    'certificate',
    async (page) => {
      await page.goto(`${address()}/ledger?appliance=refrigerator`);
      await page.locator('tbody a').first().click();
      await page.getByRole('link', { name: 'What was proven' }).click();
      await page.getByRole('heading', { name: 'What was proven' }).waitFor();
    },
  ],
  [
    'timeline',
    async (page) => {
      await page.goto(`${address()}/premises`);
      await page.getByRole('link', { name: /Quillback.*summit road/ }).click();
      await page.getByRole('link', { name: 'Through the years' }).click();
      await page.getByRole('heading', { name: /through the years$/ }).waitFor();
    },
  ],
  [
    'connection',
    async (page) => {
      await page.goto(`${address()}/ledger`);
      await page.locator('tbody a').first().click();
      await page.getByRole('heading', { name: 'What happened' }).waitFor();
    },
  ],
];

/** Of parts, loose pieces and steps: what has a name is called by it. */
const IDS = [...catalogue().parts.map((p) => p.id), ...catalogue().loose.map((l) => l.code), ...catalogue().steps.map((t) => t.id)].filter((id) =>
  id.includes('-'),
);

test.describe('every screen', () => {
  // Each by itself: they share no house's changes, and are the longest of all files.
  test.describe.configure({ mode: 'parallel' });
  for (const [name, open] of SCREENS) {
    test(`${name}: axe finds nothing, nothing overflows, no error is logged, nothing is called by its id`, async ({ page }) => {
      const errors: string[] = [];
      page.on('console', (m) => m.type() === 'error' && errors.push(m.text()));
      page.on('pageerror', (e) => errors.push(e.message));
      await open(page);
      await hydrated(page);
      const words = new Set((await page.locator('main').allInnerTexts()).join(' ').split(/[\s,;:()]+/));
      expect(
        IDS.filter((id) => words.has(id)),
        'called by its id',
      ).toEqual([]);
      for (const sheet of ['light', 'dark']) {
        if (sheet === 'dark') await page.getByRole('button', { name: /^Dark/ }).click();
        // What is dark differs in its colours alone.
        const axe = new AxeBuilder({ page })
          .setLegacyMode(true)
          .options({ resultTypes: ['violations'], ...(sheet === 'light' ? {} : { runOnly: ['color-contrast'] }) });
        const { violations } = await axe.analyze();
        expect(violations.map((v) => `${sheet}, ${v.id}: ${v.nodes.map((n) => n.target.join(' ')).slice(0, 3)}`)).toEqual([]);
      }
      for (const size of [
        { width: 1280, height: 800 },
        { width: 390, height: 844 },
      ]) {
        await page.setViewportSize(size);
        expect(await page.evaluate(() => document.documentElement.scrollWidth), `${size.width} px`).toBeLessThanOrEqual(size.width);
        // Where there is least room, targets are nearest to each other.
        if (size.width !== 390) continue;
        // Whole, so that no bar at the foot lies over a target.
        await page.setViewportSize({ width: size.width, height: await page.evaluate(() => document.documentElement.scrollHeight) });
        const small = new AxeBuilder({ page }).setLegacyMode(true).options({
          resultTypes: ['violations'],
          runOnly: ['target-size', 'scrollable-region-focusable'],
          rules: { 'target-size': { enabled: true } },
        });
        const { violations } = await small.analyze();
        expect(violations.map((v) => `${size.width} px, ${v.id}: ${v.nodes.map((n) => n.target.join(' ')).slice(0, 3)}`)).toEqual([]);
      }
      expect(errors).toEqual([]);
    });
  }
});

test('quick match is one key away, and answers by keys alone', async ({ page }) => {
  await page.goto(`${address()}/ledger`);
  await page.keyboard.press('/');
  await page.keyboard.type('from 3/8 comp m to 1/4 comp m');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('article', { name: 'Chain 1' })).toContainText('joint');
  await expect(page.getByText(/Looks right, is not/).first()).toBeVisible();
});

test('the ledger is searched as one types, and opened to its joints, by keys alone', async ({ page }) => {
  await page.goto(address());
  await page.keyboard.press('g');
  await page.keyboard.press('l');
  const search = page.getByLabel('Search place, run, part or end');
  await search.waitFor();
  await hydrated(page);
  await tabTo(page, search);
  await page.keyboard.type('laundry hose');
  await expect(page.locator('tbody tr').first()).toContainText('Laundry');
  await expect(page).toHaveURL(/q=laundry\+hose/);
  await tabTo(page, page.locator('tbody a').first());
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Joints' })).toBeVisible();
});

test('scripts and styles run by hash or from files only', async ({ request }) => {
  const response = await request.get(`${address()}/match`);
  const html = await response.text();
  const policy = response.headers()['content-security-policy'] ?? '';
  expect(policy).toContain("default-src 'self'");
  expect(policy).not.toContain('unsafe-inline');
  expect(html).not.toMatch(/ style="/);
});

test('writes from elsewhere, foreign hosts and bodies too large are refused', async ({ request }) => {
  const entries = `${address()}/api/v1/entries`;
  const post = (headers: Record<string, string>, data: string | Buffer) =>
    request.post(entries, { headers: { 'content-type': 'application/json', ...headers }, data });
  expect((await post({ origin: 'http://elsewhere.example' }, '{"entries":[]}')).status()).toBe(403);
  expect((await post({ 'sec-fetch-site': 'cross-site' }, '{"entries":[]}')).status()).toBe(403);
  expect((await request.get(`${address()}/`, { headers: { host: 'elsewhere.example' } })).status()).toBe(421);
  const large = await post({}, JSON.stringify({ entries: [{ text: 'x'.repeat(2_000_000) }] }));
  expect(large.status()).toBe(413);
  expect((await large.json()).detail).toContain('Send less');
  expect((await post({}, Buffer.from('not json'))).status()).toBe(400);
  expect((await post({}, '{"entries":[]}')).status()).toBe(422);
  const [unread] = (await (await post({}, '{"entries":[{"id":"x"}]}')).json()).results;
  expect([unread.id, unread.status, unread.rule]).toEqual(['x', 'refused', 'does-not-read']);
});

test('what is not there is said so: visits, connections, filters', async ({ page, request }) => {
  expect((await page.goto(`${address()}/visits/nonsense`))?.status()).toBe(404);
  await expect(page.getByRole('heading', { name: 'No such visit' })).toBeVisible();
  expect((await page.goto(`${address()}/no/such/page`))?.status()).toBe(404);
  await expect(page.getByRole('heading', { name: 'No such page' })).toBeVisible();
  for (const call of [await request.post(`${address()}/api/v1/no-such-call`, { data: {} }), await request.get(`${address()}/api/v1/mate`)]) {
    expect([call.status(), call.headers()['content-type']]).toEqual([404, 'application/problem+json']);
  }
  expect((await request.get(`${address()}/ledger/x/y`)).status()).toBe(404);
  expect((await request.get(`${address()}/api/v1/ledger?callbacks=maybe`)).status()).toBe(422);
  expect((await request.get(`${address()}/ledger?callbacks=maybe`)).status()).toBe(422);
  expect((await request.get(`${address()}/?day=not-a-day`)).status()).toBe(422);
  expect((await request.get(`${address()}/?day=0000-01-01`)).status()).toBe(422);
});

test('the catalogue is sent once, and again when something has changed', async ({ request }) => {
  const first = await request.get(`${address()}/api/v1/catalogue`);
  const tag = first.headers().etag!;
  const ask = () => request.get(`${address()}/api/v1/catalogue`, { headers: { 'if-none-match': tag } });
  expect((await ask()).status()).toBe(304);
  const { version, rules } = await (await request.get(`${address()}/api/v1/rules`)).json();
  const change = { basedOn: version, rules: { ...rules, recheckHours: 48 }, reason: 'weekends' };
  expect((await request.post(`${address()}/api/v1/rules`, { data: change })).status()).toBe(200);
  expect((await (await ask()).json()).rules.recheckHours).toBe(48);
  const back = { basedOn: version + 1, rules, reason: 'back to a day' };
  expect((await request.post(`${address()}/api/v1/rules`, { data: back })).status()).toBe(200);
});

test('the ledger leaves as CSV and a recheck as a calendar', async ({ request }) => {
  const csv = await (await request.get(`${address()}/api/v1/ledger.csv`)).text();
  expect(csv.split('\r\n')[0]).toContain('date,premises,place,appliance');
  expect(csv.split('\r\n').length).toBeGreaterThan(150);
  const yesterday = new Date(Date.now() - 86_400_000).toISOString().slice(0, 10);
  const day = await (await request.get(`${address()}/?day=${yesterday}`)).text();
  const id = /\/visits\/([0-9a-f-]{36})"/.exec(day)?.[1];
  const ics = await (await request.get(`${address()}/api/v1/visits/${id}/recheck.ics`)).text();
  expect(ics).toContain('BEGIN:VEVENT');
  expect(ics).toContain('SUMMARY:Recheck: Guest 1 toilet');
});

test('what is entered without a connection is kept, shown, and sent when it is back', async ({ page, context }) => {
  await openRun(page, /^Glass rinser/, 'Look');
  // The stage is fetched when it is first opened: before it is here it cannot be worked on.
  await page.getByRole('radio', { name: 'quarter-turn' }).waitFor();
  await context.setOffline(true);
  await page.getByRole('radio', { name: 'quarter-turn' }).check();
  await expect(page.getByText(/1 not sent yet: kept on this device/)).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText(/not sent yet/)).toHaveCount(0, { timeout: 20_000 });
  await page.reload();
  await hydrated(page);
  await page.getByRole('tab', { name: /Look/ }).click();
  await expect(page.getByRole('radio', { name: 'quarter-turn' })).toBeChecked();
});

test('a double click on sign-off signs once, and opens nothing that appears under it', async ({ page }) => {
  await openRun(page, /^Canteen sink, cold/, 'Log');
  const path = new URL(page.url()).pathname;
  const signs = async () => {
    const { entries } = (await (await page.request.get(`${address()}/api/v1${path}`)).json()) as { entries: { kind: string }[] };
    return entries.filter((e) => e.kind === 'signed-off').length;
  };
  // Another run of the visit may have been signed off by another test.
  const before = await signs();
  await page.getByRole('button', { name: 'Sign off' }).dblclick();
  await expect(page.getByRole('heading', { name: 'Signed off' })).toBeVisible();
  await expect(page.getByText(/not sent yet|Not taken/)).toHaveCount(0);
  // It is sent a moment after it is kept.
  await expect.poll(signs).toBe(before + 1);
  await page.getByRole('link', { name: 'In the ledger' }).click();
  await expect(page.getByRole('heading', { name: 'What happened' })).toBeVisible();
});

test('on a phone the line stands upright, water at the bottom, and water-off stays in reach', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openRun(page, /^Flat toilet/, 'Make');
  const line = await page.getByRole('img', { name: /The line of Flat toilet/ }).boundingBox();
  expect(line!.height).toBeGreaterThan(2 * line!.width);
  await expect(page.getByRole('button', { name: 'Running? Water off now' })).toBeInViewport();
  await expect(page.getByRole('button', { name: /^Done/ })).toBeInViewport();
});
