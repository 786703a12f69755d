/** Nothing entered is lost: killed tabs, hung and refusing servers, no connection at all, two devices. KILLS=40 for the long run. */
import { request as ask, createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pipeline } from 'node:stream';
import { type BrowserContext, expect, type Page, test } from '@playwright/test';
import { SCREENS } from '../app/screens.ts';
import { address } from './house.ts';
import { hydrated, openRun } from './page.ts';

const KILLS = Number(process.env.KILLS ?? 2);

/** Number of entries made on this device that its store holds, sent or not: in one transaction, as one may be on its way from one list to the other. */
const madeHere = (page: Page) =>
  page.evaluate(async () => {
    const request = indexedDB.open('brass-nut');
    const db = await new Promise<IDBDatabase>((opened) => {
      request.onsuccess = () => opened(request.result);
    });
    const reading = db.transaction(['outgoing', 'known']);
    const all = (store: string) =>
      new Promise<{ seq?: number }[]>((read) => {
        const asked = reading.objectStore(store).getAll();
        asked.onsuccess = () => read(asked.result);
      });
    const [own, known] = await Promise.all([all('outgoing'), all('known')]);
    db.close();
    return own.length + known.filter((e) => e.seq !== undefined).length;
  });

/** The worker is in charge and holds the page of every screen, and the store what a device takes along. */
async function readyForNoConnection(page: Page): Promise<void> {
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  await expect
    .poll(() =>
      page.evaluate(async () => {
        const name = (await caches.keys()).find((key) => key.startsWith('pages '));
        return name ? (await (await caches.open(name)).keys()).length : 0;
      }),
    )
    .toBeGreaterThanOrEqual(SCREENS.length);
  await expect
    .poll(
      () =>
        page.evaluate(async () => {
          const request = indexedDB.open('brass-nut');
          const db = await new Promise<IDBDatabase>((opened) => {
            request.onsuccess = () => opened(request.result);
          });
          const count = (key: string) =>
            new Promise<number>((read) => {
              const asked = db.transaction('facts').objectStore('facts').count(key);
              asked.onsuccess = () => read(asked.result);
            });
          const held = (await count('catalogue')) + (await count('device'));
          db.close();
          return held;
        }),
      { timeout: 15_000 },
    )
    .toBe(2);
}

const SERVERS: Record<string, (context: BrowserContext) => Promise<unknown>> = {
  'that never answers': (context) => context.route('**/api/v1/entries*', () => {}),
  'that answers slowly': (context) =>
    context.route('**/api/v1/entries*', async (route) => {
      await new Promise((wake) => setTimeout(wake, 400));
      await route.continue().catch(() => {});
    }),
  'that answers 500': (context) => context.route('**/api/v1/entries*', (route) => route.fulfill({ status: 500, body: 'x' }).catch(() => {})),
  'that answers 401': (context) => context.route('**/api/v1/entries*', (route) => route.fulfill({ status: 401, body: 'x' }).catch(() => {})),
  'that is away': (context) => context.route('**/api/v1/entries*', (route) => route.abort().catch(() => {})),
};

for (const [what, spoil] of Object.entries(SERVERS)) {
  test(`three presses and the tab killed, with a server ${what}: all three are there`, async ({ browser }) => {
    test.setTimeout(60_000 + KILLS * 15_000);
    const context = await browser.newContext();
    let page = await context.newPage();
    await openRun(page, /^Glass rinser/, 'Look');
    const run = `${page.url().replace(/&stage.*/, '')}&stage=look`;
    await spoil(context);
    for (let n = 0; n < KILLS; n++) {
      await page.goto(run);
      await page.getByRole('radio', { name: 'gate' }).waitFor();
      await page.waitForTimeout(300);
      const before = await madeHere(page);
      const next = await context.newPage();
      await page.bringToFront();
      const session = await context.newCDPSession(page);
      const pressed = await page.evaluate(
        (odd) => {
          const wanted = odd ? ['multi-turn', 'works', 'it stays'] : ['gate', 'does not shut fully', 'it is replaced'];
          let count = 0;
          for (const text of wanted) {
            const input = [...document.querySelectorAll('label')].find((l) => l.textContent?.trim() === text)?.querySelector('input');
            if (input && !input.checked) count++;
            input?.click();
          }
          return count;
        },
        n % 2 === 1,
      );
      await Promise.race([session.send('Page.crash').catch(() => {}), new Promise((wake) => setTimeout(wake, 150))]);
      await Promise.race([page.close().catch(() => {}), new Promise((wake) => setTimeout(wake, 300))]);
      page = next;
      await page.goto(`${address()}/unsent`);
      if (n > 0) expect(pressed).toBe(3);
      await expect.poll(() => madeHere(page)).toBe(before + pressed);
    }
    await context.close();
  });
}

test.use({ serviceWorkers: 'allow' });

test('“dry” pressed on three joints and a link followed at once: all are on record', async ({ page }) => {
  await openRun(page, /^Glass rinser/, 'Look');
  const id = /visits\/([0-9a-f-]{36})/.exec(page.url())![1];
  const notes = async () => {
    const { entries } = await (await page.request.get(`${address()}/api/v1/visits/${id}`)).json();
    return (entries as { kind: string }[]).filter((e) => e.kind === 'stop-tried').length;
  };
  const before = await notes();
  await expect(page.getByLabel('gate', { exact: true })).toBeVisible();
  await page.evaluate(() => {
    for (const text of ['quarter-turn', 'gate', 'multi-turn']) {
      [...document.querySelectorAll('label')]
        .find((l) => l.textContent?.trim() === text)
        ?.querySelector('input')
        ?.click();
    }
    location.assign('/ledger');
  });
  await page.waitForURL(/ledger/);
  await expect.poll(notes).toBeGreaterThanOrEqual(before + 2);
});

test('after the first visit every screen opens without a connection, and work goes on', async ({ browser }) => {
  const context = await browser.newContext();
  const page = await context.newPage();
  await page.goto(address());
  await readyForNoConnection(page);
  const visit = await page
    .getByRole('link', { name: /^Glass rinser/ })
    .first()
    .getAttribute('href');
  const premises = await page.getByRole('link', { name: 'Quillback Hill Observatory' }).first().getAttribute('href');
  const due = await page.getByRole('region', { name: 'Rechecks due' }).getByRole('listitem').allInnerTexts();
  await context.setOffline(true);
  for (const screen of SCREENS.filter((s) => s.id !== 'visit')) {
    await page.goto(address() + screen.path);
    await expect(page.locator('h1').first()).toBeVisible();
  }
  await page.goto(address());
  await hydrated(page);
  expect(await page.getByRole('region', { name: 'Rechecks due' }).getByRole('listitem').allInnerTexts()).toEqual(due);
  // How a run stood years ago is the server's to say: it is not told as if it had never been touched.
  await page.goto(address() + premises);
  await expect(page.getByText('is not held here, and wants the connection').first()).toBeVisible();
  await expect(page.getByText('nothing recorded yet')).toHaveCount(0);
  // One that was never opened: this device carries the next 14 days.
  await page.goto(address() + visit);
  await expect(page.getByRole('tabpanel')).toBeVisible();
  await page.getByRole('tab', { name: /Look/ }).click();
  await page.getByRole('radio', { name: 'saddle' }).check();
  await expect(page.getByText(/1 not sent yet: kept on this device/)).toBeVisible();
  await page.goto(`${address()}/match?from=comp-3%2F8-m&to=comp-1%2F4-m`);
  await expect(page.getByRole('article', { name: 'Chain 1' })).toBeVisible();
  // Told on every screen.
  await expect(page.getByText(/1 not sent yet: kept on this device/)).toBeVisible();
  await page.goto(`${address()}/unsent`);
  await expect(page.getByRole('region', { name: 'Waiting to be sent' })).toContainText('Stop: saddle');
  await page.goto(`${address()}/ledger/${'0'.repeat(8)}-0000-7000-8000-${'0'.repeat(12)}/x`);
  await expect(page.getByRole('heading', { name: 'This wants the connection' })).toBeVisible();
  await context.setOffline(false);
  await page.goto(address());
  await expect(page.getByText(/not sent yet/)).toHaveCount(0);
  // A shared machine has its bad moments: most of them, not each.
  await context.close();
});

test('what one device enters another shows, without being asked', async ({ page, browser }) => {
  const context = await browser.newContext();
  const other = await context.newPage();
  for (const p of [page, other]) await openRun(p, /^Glass rinser/, 'Look');
  const field = page.getByLabel(/From end to end/);
  await field.fill('21 1/2');
  await field.press('Enter');
  await expect(other.getByLabel(/From end to end/)).toBeVisible();
  await expect
    .poll(async () => {
      await other.getByRole('tab', { name: /Match/ }).click();
      await other.getByRole('tab', { name: /Look/ }).click();
      return other.getByLabel(/From end to end/).inputValue();
    })
    .toBe('21 1/2');
  await context.close();
});

test('a browser that keeps nothing says so at once, in words', async ({ browser }) => {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('no', 'InvalidStateError');
    };
  });
  await openRun(page, /^Glass rinser/, 'Look');
  await page.getByText('there is none', { exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'NOT KEPT' })).toContainText('lets nothing be kept');
  await context.close();
});

test('a store that the browser cleared is told, with how much was lost in it, until that is seen', async ({ browser }) => {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  await context.route('**/api/v1/entries*', (route) => route.abort());
  await openRun(page, /^Refrigerator/, 'Look');
  await page.getByRole('radio', { name: 'saddle' }).check();
  await expect(page.getByText('1 not sent yet')).toBeVisible();
  // As a browser does that wants room: all stores of this site go, its cookies stay.
  await page.goto(`${address()}/api/v1/health`);
  await page.evaluate(async () => {
    for (const { name } of await indexedDB.databases()) {
      const gone = indexedDB.deleteDatabase(name!);
      await new Promise((done) => {
        gone.onsuccess = done;
        gone.onerror = done;
      });
    }
  });
  await context.unroute('**/api/v1/entries*');
  await page.goto(address());
  const alert = page.getByRole('alert').filter({ hasText: 'This browser was cleared' });
  await expect(alert).toContainText('1 not sent by then is lost. Enter it again.');
  await expect(page.getByText('Kept, and with the server')).toHaveCount(0);
  await page.reload();
  await alert.getByRole('button', { name: 'Seen' }).click();
  await expect(alert).toHaveCount(0);
  await page.reload();
  await hydrated(page);
  await expect(alert).toHaveCount(0);
  await context.close();
});

test('what is not sent is told on every screen; at twice its size and on a narrow phone it is as wide as the glass and no wider', async ({
  page,
}) => {
  await page.route('**/api/v1/entries*', (route) => route.abort());
  await openRun(page, /^Glass rinser/, 'Look');
  await page.getByRole('radio', { name: 'no stop here' }).check();
  await expect(page.getByText(/1 not sent yet/)).toBeVisible();
  for (const screen of SCREENS) {
    await page.goto(address() + screen.path);
    await hydrated(page);
    await expect(page.getByText(/1 not sent yet/), screen.id).toBeVisible();
    // 1280 px at 200 % are 640 of the page's own; 320 is a phone at 120 %.
    for (const width of [1280, 640, 390, 320]) {
      await page.setViewportSize({ width, height: 844 });
      expect(await page.evaluate(() => document.documentElement.scrollWidth), `${screen.id} at ${width} px`).toBeLessThanOrEqual(width);
    }
  }
  await page.unroute('**/api/v1/entries*');
  await page.goto(address());
  await expect(page.getByText(/not sent yet/)).toHaveCount(0);
});

/** The house behind another address, whose worker is of another version once `next` is set. */
async function houseOfTwoVersions(state: { next: boolean }): Promise<{ server: Server; at: string }> {
  const house = new URL(address());
  const server = createServer((request, response) => {
    const worker = request.url === '/sw.js' && state.next;
    const headers = worker ? { host: request.headers.host } : request.headers;
    const onward = ask({ host: house.hostname, port: house.port, path: request.url, method: request.method, headers }, (answer) => {
      response.writeHead(answer.statusCode!, worker ? { 'content-type': 'text/javascript' } : answer.headers);
      if (!worker) return void pipeline(answer, response, () => {});
      let text = '';
      answer
        .setEncoding('utf8')
        .on('data', (part) => {
          text += part;
        })
        .on('end', () => response.end(text.replace(/pages [0-9a-f]{12}/, 'pages of the next version')));
    });
    onward.on('error', () => response.destroy());
    response.on('close', () => onward.destroy());
    request.pipe(onward);
  });
  await new Promise<void>((up) => server.listen(0, '127.0.0.1', up));
  return { server, at: `http://127.0.0.1:${(server.address() as AddressInfo).port}` };
}

test('a new version takes over, and what is unsent is sent by it', async ({ browser }) => {
  const state = { next: false };
  const { server, at } = await houseOfTwoVersions(state);
  const context = await browser.newContext();
  const page = await context.newPage();
  const names = () => page.evaluate(async () => (await caches.keys()).filter((name) => name.startsWith('pages ')));
  await page.goto(at);
  await readyForNoConnection(page);
  const visit = await page
    .getByRole('link', { name: /^Glass rinser/ })
    .first()
    .getAttribute('href');
  await context.route('**/api/v1/entries*', (route) => route.abort());
  await page.goto(`${at}${visit}`);
  await hydrated(page);
  await page.getByRole('tab', { name: /Look/ }).click();
  await page.getByRole('radio', { name: 'multi-turn' }).check();
  await expect(page.getByText(/1 not sent yet/)).toBeVisible();
  expect(await names()).toHaveLength(1);

  state.next = true;
  await page.evaluate(async () => (await navigator.serviceWorker.ready).update());
  // It fetches every screen before it takes over; a request that is under way holds the old one until the page is opened again.
  await expect.poll(async () => (await names()).some((name) => name.startsWith('pages of the next version ')), { timeout: 30_000 }).toBe(true);
  await page.evaluate(async () => {
    while ((await navigator.serviceWorker.getRegistration())?.installing) await new Promise((wake) => setTimeout(wake, 100));
  });
  await expect(page.getByRole('radio', { name: 'multi-turn' })).toBeChecked();
  await page.reload();
  await expect.poll(names, { timeout: 30_000 }).toEqual([expect.stringMatching(/^pages of the next version /)]);
  await expect(page.getByText(/1 not sent yet/)).toBeVisible();
  await context.unroute('**/api/v1/entries*');
  await page.goto(at);
  const id = /visits\/([0-9a-f-]{36})/.exec(visit!)![1];
  const arrived = async () => {
    const { entries } = await (await page.request.get(`${at}/api/v1/visits/${id}`)).json();
    return (entries as { body: { kind?: string } }[]).filter((e) => e.body.kind === 'multi-turn').length;
  };
  await expect.poll(arrived, { timeout: 15_000 }).toBeGreaterThan(0);
  await expect(page.getByText(/not sent yet/)).toHaveCount(0);
  await context.close();
  server.closeAllConnections();
  server.close();
});
