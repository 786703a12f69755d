/** Inches or millimetres: the shop's own, and one press on a device; figures are typed in either and kept as typed. */
import { expect, test } from '@playwright/test';
import { ownHouse } from './house.ts';
import { hydrated, openRun } from './page.ts';
import type { Served } from './server.ts';

let house: Served;
test.beforeAll(async () => {
  house = await ownHouse();
});
test.afterAll(() => house.kill());

/** Figures that name a unit of inches, psi or Fahrenheit, but for the names of threads, tubes and goods, which stay the trade's. */
const INCHES = /\b\d+(?:\.\d+)? (?:psi|F)\b|\b\d+\.\d{3,4} in\b/;

test('one press says every figure in the other system, and the next page comes so', async ({ page }) => {
  await page.goto(`${house.address}/match?q=1/2 copper to fridge, 20 in`);
  await hydrated(page);
  const read = page.getByRole('region', { name: 'What was read' });
  await expect(read.getByRole('button', { name: /reaches 20 in/ })).toBeVisible();
  await page.locator('body').press('u');
  await expect(read.getByRole('button', { name: /reaches 508 mm/ })).toBeVisible();
  await expect(page.locator('main')).not.toHaveText(INCHES);
  await page.goto(`${house.address}/parts`);
  await hydrated(page);
  await expect(page.locator('main')).toContainText('8.6 bar');
  await expect(page.locator('main')).not.toHaveText(INCHES);
  await page.goto(`${house.address}/match?q=1/2 copper to toilet, 500`);
  // The server's own first painting already has it so.
  expect(await (await page.request.get(page.url())).text()).toContain('reaches 500 mm');
  await hydrated(page);
  await expect(page.getByText('Was best')).toBeHidden();
  await page.getByRole('button', { name: /^Figures in millimetres/ }).click();
  await expect(page.getByRole('button', { name: /reaches 19 11\/16 in/ })).toBeVisible();
});

test('a length and a pressure are typed in either, kept as typed, and told with their units', async ({ page }) => {
  await openRun(page, /Refrigerator|Ice/, 'Look', house.address);
  await page
    .getByText('Distance and place', { exact: false })
    .first()
    .click()
    .catch(() => {});
  const length = page.getByLabel(/^From end to end/);
  await length.fill('14 1/2');
  await length.press('Enter');
  await expect(page.getByText('14 1/2 in kept')).toBeVisible();
  await page.getByRole('button', { name: /^Figures in inches/ }).click();
  await expect(page.getByText('368 mm kept')).toBeVisible();
  await length.fill('1400');
  await length.press('Enter');
  await expect(page.getByText('1400 mm kept')).toBeVisible();
  const pressure = page.getByLabel(/^Static pressure/);
  await pressure.fill('5.5');
  await pressure.press('Enter');
  await pressure.blur();
  await page.getByRole('button', { name: /^Figures in millimetres/ }).click();
  await expect(page.getByText('1400 mm (55 1/8 in) kept')).toBeVisible();
  const visit = page.url().match(/visits\/([0-9a-f-]{36})/)![1];
  await expect(async () => {
    const { entries } = await (await page.request.get(`${house.address}/api/v1/visits/${visit}`)).json();
    const bodies = entries.map((e: { body: object }) => e.body);
    expect(bodies).toContainEqual({ text: '1400 mm', inches: 1400 / 25.4 });
    expect(bodies).toContainEqual(expect.objectContaining({ pressureText: '5.5 bar', pressurePsi: 79.77 }));
  }).toPass();
  // A correction that is typed bare is in the unit of the device too.
  await page.getByRole('button', { name: /^Figures in inches/ }).click();
  await page.locator('body').press('h');
  const line = page.getByRole('listitem').filter({ hasText: 'Distance: 1400 mm' });
  await line.getByRole('button', { name: 'Correct' }).click();
  await line.getByLabel('Text').fill('1500');
  await line.getByRole('button', { name: 'Record the correction' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Distance: 1500 mm' })).toBeVisible();
  // A file says them as its asker's device does.
  const csv = async (units: string) =>
    (await page.request.get(`${house.address}/api/v1/visits/${visit}/record.csv`, { headers: { cookie: `units=${units}` } })).text();
  await expect.poll(() => csv('metric')).toContain('Distance: 1500 mm');
  expect(await csv('inch')).toContain('Distance: 1500 mm (59 1/16 in)');
});

test('the shop’s own system is every device’s that says nothing else', async ({ page, browser }) => {
  await page.goto(`${house.address}/shop`);
  await hydrated(page);
  await page.getByRole('radio', { name: 'millimetres, bar, C' }).click();
  await expect(page.getByRole('radio', { name: 'millimetres, bar, C' })).toBeChecked();
  await expect(page.locator('html')).toHaveAttribute('data-units', 'metric');
  await expect.poll(async () => (await page.request.get(`${house.address}/api/v1/shops`)).text()).toContain('metric');
  const other = await browser.newPage();
  await other.goto(`${house.address}/stock`);
  await expect(other.locator('html')).toHaveAttribute('data-units', 'metric');
  await hydrated(other);
  await other.getByLabel(/^Find on Van/).fill('coil');
  await expect(other.getByText('15.24 m', { exact: true })).toBeVisible();
  await other.getByRole('button', { name: /^Figures in millimetres/ }).click();
  await expect(other.getByText('50 ft', { exact: true })).toBeVisible();
  await other.close();
});
