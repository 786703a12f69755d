/** A shop of one's own beside the demo, in one database: each with its own pages, its own store on the device, and one press between them. */
import { expect, type Page, test } from '@playwright/test';
import { ownHouse } from './house.ts';
import { hydrated } from './page.ts';
import type { Served } from './server.ts';

let house: Served;
test.beforeAll(async () => {
  house = await ownHouse();
});
test.afterAll(() => house.kill());

const shopOf = (page: Page) => page.locator('html').getAttribute('data-shop');

test('one press begins a shop of one’s own, empty, and one leads back', async ({ page, context }) => {
  await page.goto(house.address);
  await hydrated(page);
  const demo = await shopOf(page);
  const second = await context.newPage();
  await second.goto(`${house.address}/premises`);
  await hydrated(second);
  await expect(second.getByText('Quillback').first()).toBeVisible();

  await page.getByRole('button', { name: 'Begin your own shop' }).click();
  await expect(page.getByText('Nothing is written down yet')).toBeVisible();
  const own = await shopOf(page);
  expect(own).not.toBe(demo);
  // A tab that was left open goes along.
  await expect(second.getByText('Nothing is written down yet')).toBeVisible();
  await second.close();

  await hydrated(page);
  await page.getByLabel('What your shop is called').fill('Kiln Lane Plumbing');
  await page.keyboard.press('Tab');
  await expect.poll(async () => (await page.request.get(`${house.address}/api/v1/shops`)).text()).toContain('Kiln Lane Plumbing');
  await page.goto(`${house.address}/premises`);
  await expect(page.getByText('Quillback')).toHaveCount(0);
  await expect(page.getByText('You are in Kiln Lane Plumbing.')).toBeVisible();

  await page.getByRole('button', { name: 'To the demo' }).click();
  await expect(page.getByRole('button', { name: 'To Kiln Lane Plumbing' })).toBeVisible();
  expect(await shopOf(page)).toBe(demo);
  await page.goto(`${house.address}/premises`);
  await expect(page.getByText('Quillback').first()).toBeVisible();
});

test.describe('with the worker that opens pages without a connection', () => {
  test.use({ serviceWorkers: 'allow' });
  test('what is written in one shop stays there, without a connection too', async ({ page, context }) => {
    await page.goto(house.address);
    await hydrated(page);
    await page.evaluate(async () => void (await navigator.serviceWorker.ready));
    await page.getByRole('button', { name: /Begin your own shop|To Kiln Lane/ }).click();
    await expect(page.getByText('Nothing is written down yet')).toBeVisible();
    const own = (await shopOf(page))!;
    // The pages of this shop are kept now, not those of the demo.
    await expect
      .poll(
        () =>
          page.evaluate(
            async (shop) =>
              (await caches.open((await caches.keys()).find((k) => k.startsWith('pages ') && k.endsWith(shop)) ?? 'none').then((c) => c.keys()))
                .length,
            own,
          ),
        { timeout: 20_000 },
      )
      .toBeGreaterThan(5);
    await context.setOffline(true);
    await page.goto(`${house.address}/premises`);
    await hydrated(page);
    expect(await shopOf(page)).toBe(own);
    await expect(page.getByText('Quillback')).toHaveCount(0);
    await context.setOffline(false);
  });
});

test('what a page sends goes to the shop that the page is of', async ({ page }) => {
  await page.goto(`${house.address}/shop`);
  await hydrated(page);
  const demo = (await shopOf(page))!;
  const { shops } = (await (await page.request.get(`${house.address}/api/v1/shops`)).json()) as { shops: { id: string; isDemo: boolean }[] };
  const own = shops.find((s) => !s.isDemo) ?? { id: '' };
  // The browser is in another shop meanwhile, and this page has not heard of it.
  await page.context().addCookies([{ name: 'shop', value: own.id, url: house.address }]);
  await page.getByLabel('Telephone').fill('555 0177');
  await page.keyboard.press('Tab');
  const bookOf = async (shop: string) => (await page.request.get(`${house.address}/api/v1/book.jsonl?shop=${shop}`)).text();
  await expect.poll(() => bookOf(demo)).toContain('555 0177');
  expect(await bookOf(own.id)).not.toContain('555 0177');
  await page.goto(`${house.address}/shop`);
  expect(await shopOf(page)).toBe(own.id);
  const nobody = await page.request.post(`${house.address}/api/v1/book?shop=01900000-0000-7000-8000-000000000009`, { data: { entries: [] } });
  expect(nobody.status()).toBe(404);
  expect((await nobody.json()).at).toBe('shop');
});
