/** What goes wrong on a working day: two devices on one shelf, a clock set back, a hung server, a wrong press. */
import { type Browser, expect, type Page, test } from '@playwright/test';
import { ownHouse } from './house.ts';
import { hydrated, killedAndOpened, openRun } from './page.ts';
import type { Served } from './server.ts';

let house: Served;
test.beforeAll(async () => {
  house = await ownHouse();
});
test.afterAll(() => house.kill());

const ITEM = 'arrestor-c38';
const lies = async (place: string) => {
  const { places } = await (await fetch(`${house.address}/api/v1/stock`)).json();
  return places.find((p: { name: string }) => p.name === place)?.items.find((l: { item: string }) => l.item === ITEM)?.quantity ?? 0;
};
async function atTheShelf(browser: Browser): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await page.goto(`${house.address}/stock`);
  await hydrated(page);
  await page.getByRole('button', { name: /Workshop shelf/ }).click();
  await page.getByLabel(/^Find on Workshop shelf/).fill('arrestor 3/8 compression');
  await page.getByRole('button', { name: /^Change hammer arrestor, 3\/8/ }).click();
  return page;
}
const count = async (page: Page, n: string) => {
  await page.getByLabel('How many').fill(n);
  await page.getByRole('button', { name: 'Counted' }).click();
};

test.use({ serviceWorkers: 'allow' });

test('two devices count one shelf, one of them without a connection: what was counted last stands on both', async ({ browser }) => {
  const [first, second] = [await atTheShelf(browser), await atTheShelf(browser)];
  await first.context().setOffline(true);
  await count(first, '7');
  await expect(first.getByText(/1 not sent yet/)).toBeVisible();
  await count(second, '4');
  await expect.poll(() => lies('Workshop shelf')).toBe(4);
  // It was counted before the other, and comes after it: the later count stands.
  await first.context().setOffline(false);
  await expect(first.getByText(/not sent yet/)).toBeHidden({ timeout: 30_000 });
  expect(await lies('Workshop shelf')).toBe(4);
  await first.reload();
  await hydrated(first);
  await first.getByRole('button', { name: /Workshop shelf/ }).click();
  await first.getByText('What came and went on Workshop shelf').click();
  for (const words of ['counted 7 x hammer arrestor', 'counted 4 x hammer arrestor']) await expect(first.getByText(words).first()).toBeVisible();
  await Promise.all([first, second].map((p) => p.context().close()));
});

test('a clock set back under a count: the device’s own order decides', async ({ browser }) => {
  const page = await atTheShelf(browser);
  await count(page, '9');
  await expect.poll(() => lies('Workshop shelf')).toBe(9);
  const back = await page.context().newPage();
  await back.clock.install({ time: new Date(Date.now() - 26 * 3_600_000) });
  await back.goto(`${house.address}/stock`);
  await back.clock.resume();
  await hydrated(back);
  await back.getByRole('button', { name: /Workshop shelf/ }).click();
  await back.getByLabel(/^Find on Workshop shelf/).fill('arrestor 3/8 compression');
  await back.getByRole('button', { name: /^Change hammer arrestor, 3\/8/ }).click();
  await count(back, '2');
  await expect.poll(() => lies('Workshop shelf'), { timeout: 15_000 }).toBe(2);
  await page.context().close();
});

test('two devices look at one run, one without a connection and its clock set back, its tab killed: both keep what was seen', async ({ browser }) => {
  const near = async () => {
    const page = await (await browser.newContext()).newPage();
    await openRun(page, /^Refrigerator/, 'Look', house.address);
    return page;
  };
  const [first, second] = [await near(), await near()];
  const choose = (page: Page, group: string, choice: string) =>
    page.getByRole('group', { name: group, exact: true }).getByRole('radio', { name: choice, exact: true }).check();
  // The first one hears nothing of the server any more, and its clock goes wrong.
  await first.clock.setFixedTime(new Date(Date.now() - 3 * 24 * 3_600_000));
  await first.context().route('**/api/v1/**', () => {});
  await choose(first, 'It is', 'braided');
  await first.getByRole('checkbox', { name: /hammer arrestor/ }).check();
  await expect(first.getByText(/not sent yet/)).toBeVisible();
  await choose(second, 'Afterwards its joints are', 'closed in for good');
  await choose(second, 'It is', 'braided');
  await second.getByRole('checkbox', { name: 'kinked' }).check();
  const again = await killedAndOpened(first);
  for (const page of [again, second]) {
    await page.reload();
    await hydrated(page);
    await page.getByRole('tab', { name: /Look/ }).click();
    await expect(page.getByRole('checkbox', { name: 'kinked' })).toBeChecked();
    await expect(page.getByRole('checkbox', { name: /hammer arrestor/ })).toBeChecked();
    await expect(
      page.getByRole('group', { name: 'Afterwards its joints are', exact: true }).getByRole('radio', { name: 'closed in for good', exact: true }),
    ).toBeChecked();
  }
  await Promise.all([again, second].map((p) => p.context().close()));
});

test('a server that hangs: what is entered is kept and shown, and comes when it answers', async ({ page, context }) => {
  await openRun(page, /Dishwasher/, 'Look', house.address);
  await context.route('**/api/v1/book*', () => {});
  await page.getByRole('button', { name: 'To follow up' }).first().click();
  await page.getByLabel('What is still to be done').fill('Bring a longer hose');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText(/1 not sent yet/)).toBeVisible();
  await page.goto(house.address);
  await hydrated(page);
  await expect(page.getByText(/1 not sent yet/)).toBeVisible();
  await context.unroute('**/api/v1/book*');
  await page.reload();
  await expect(page.getByText(/not sent yet/)).toBeHidden({ timeout: 30_000 });
});

test('what is typed while the code of a page is still on its way is read when it comes', async ({ browser }) => {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  for (const [path, field, text, shows] of [
    ['call', /^Who/, 'lodge', page.getByRole('option', { name: /Lodge/ }).first()],
    [
      'match',
      /^From/,
      '3/8 comp stop',
      page
        .locator('main')
        .getByText(/3\/8 in OD compression/)
        .first(),
    ],
    ['premises', /^Find/, 'zzzz', page.getByText(/zzzz/).last()],
  ] as const) {
    let come = () => {};
    const code = new Promise<void>((done) => {
      come = done;
    });
    await page.route('**/*.js', async (route) => {
      await code;
      await route.continue();
    });
    await page.goto(`${house.address}/${path}`, { waitUntil: 'commit' });
    const typed = page.locator('main').getByRole(path === 'premises' ? 'textbox' : 'combobox', { name: field });
    await typed.pressSequentially(text);
    come();
    await hydrated(page);
    await expect(shows).toBeVisible();
    await expect(typed).toHaveValue(text);
    await page.unroute('**/*.js');
  }
  await context.close();
});

test('a call is taken by one who goes by millimetres, in a shop begun a minute ago, and the day holds it', async ({ page }) => {
  await page.goto(house.address);
  await hydrated(page);
  await page.getByRole('button', { name: 'Begin your own shop' }).click();
  await expect(page.getByText('Nothing is written down yet')).toBeVisible();
  await hydrated(page);
  await page.getByRole('radio', { name: 'millimetres, bar, C' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-units', 'metric');
  await page.locator('body').press('c');
  await page.waitForURL(/call/);
  await hydrated(page);
  await page.keyboard.type('Fern cottage');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Fern cottage').first()).toBeVisible();
  await page.goto(`${house.address}/match?q=1/2 copper to toilet, 450`);
  await hydrated(page);
  await expect(page.getByRole('button', { name: /reaches 450 mm/ })).toBeVisible();
});
