/** A shop that has nothing yet: how it begins, what it costs, what the customer gets. */
import { expect, test } from '@playwright/test';
import { ownHouse } from './house.ts';
import { hydrated } from './page.ts';
import type { Served } from './server.ts';

let server: Served;
test.beforeAll(async () => {
  server = await ownHouse(false);
});
test.afterAll(() => server.kill());

const csv = (text: string) => ({ name: 'premises.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });

test.use({ serviceWorkers: 'allow' });

test('an empty shop offers three starts, is named once, and takes a file of premises all or nothing', async ({ page }) => {
  await page.goto(server.address);
  await hydrated(page);
  const begin = page.getByRole('region', { name: 'Begin' });
  for (const start of ['Take a call', 'Start work here', 'Load your parts']) await expect(begin.getByRole('link', { name: start })).toBeVisible();
  await begin.getByLabel(/^What your shop is called/).fill('Kiln lane plumbing');
  await page.keyboard.press('Enter');
  await expect(begin.getByLabel(/^What your shop is called/)).toBeHidden();

  const file = begin.getByLabel('Premises (CSV)');
  await file.setInputFiles(csv('name,kind,appliance\r\nMill house,toilet,Toilet\r\n,toilet,Toilet\r\n'));
  await expect(begin.getByText('Line 3, name:')).toBeVisible();
  await expect(begin.getByText('Nothing was taken in: 1 fault.')).toBeVisible();
  await file.setInputFiles(csv('name,kind,appliance\r\nMill house,toilet,Toilet\r\n'));
  await expect(begin.getByText('Taken in: 1 premises, 1 appliances.')).toBeVisible();
  await page.goto(`${server.address}/premises`);
  await expect(page.getByRole('link', { name: /Mill house/ })).toBeVisible();
});

test('a visit is estimated by the shop’s own prices, and its report says what was done', async ({ page }) => {
  await page.goto(`${server.address}/shop`);
  await hydrated(page);
  await expect(page.getByRole('textbox', { name: 'Name' })).toHaveValue('Kiln lane plumbing');
  await page.getByLabel('A minute of work').fill('nothing');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toHaveText('"nothing" is no amount: say it as 1.50.');
  await page.getByLabel('A minute of work').fill('1.50');
  await page.keyboard.press('Enter');
  await page.getByLabel('Tax, percent').fill('10');
  await page.keyboard.press('Enter');
  await page.getByLabel('Currency').selectOption('EUR');

  await page.goto(`${server.address}/start`);
  await hydrated(page);
  await page.getByRole('button', { name: /Mill house/ }).click();
  await page
    .getByRole('button', { name: /^Toilet/ })
    .first()
    .click();
  const lines = page.getByRole('button', { name: /line/i });
  if (!page.url().includes('/visits/')) await lines.first().click();
  await page.waitForURL(/\/visits\//);
  await hydrated(page);
  await page.getByRole('link', { name: 'Estimate' }).first().click();
  const together = page.getByRole('table', { name: 'Estimate' }).getByRole('row', { name: /Together/ });
  // 40 minutes, 70 where it goes slowly, a tenth more of tax.
  await expect(together).toContainText('€66.00 to €115.50');
  await expect(page.getByText('No parts are counted yet for: Toilet.')).toBeVisible();
  await page.getByRole('link', { name: 'Back to the work' }).click();
  await page.waitForURL(/\/visits\/[0-9a-f-]+$/);
  await hydrated(page);
  await page.getByRole('link', { name: 'Report for the customer' }).first().click();
  await expect(page.getByRole('heading', { name: 'What was done' })).toBeVisible();
  await expect(page.getByText('Kiln lane plumbing')).toBeVisible();
  await expect(page.getByRole('article')).toContainText('not signed off');
});
