/** A shut line by its gauge: the simulated one, as the program ships it. */
import { expect, test } from '@playwright/test';
import { type Logger, startLogger } from '../ops/logger/serve.ts';
import { ownHouse } from './house.ts';
import { hydrated, openRun } from './page.ts';
import type { Served } from './server.ts';

let house: Served;
let gauge: Logger;
test.beforeAll(async () => {
  gauge = await startLogger({ tcpPort: 0, httpPort: 0 });
  house = await ownHouse(true, { BRASS_NUT_GAUGE: `http://127.0.0.1:${gauge.httpPort}` });
});
test.afterAll(async () => {
  await house.kill();
  await gauge.close();
});

test('what is let out measures the give, what is lost bounds the leak; kept with the run, as a file and back', async ({ page }) => {
  await openRun(page, /^Canteen sink, hot/, 'Prove', house.address);
  await page.getByText('By gauge or meter: what a shut line loses').click();
  await page.getByLabel('The simulated gauge hangs on').selectOption('slow-leak');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  const out = page.getByRole('button', { name: /^Let 5 mL out/ });
  await expect(page.getByText('Next: let 5 mL out.')).toBeVisible();
  await out.click();
  await expect(page.getByText('It leaks', { exact: false }).first()).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole('img', { name: /^Pressure from/ })).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByRole('button', { name: 'Keep it with the run' }).click();
  const kept = page.getByRole('region', { name: 'Kept gauge log' });
  await expect(kept).toHaveCount(1);
  const [download] = await Promise.all([page.waitForEvent('download'), kept.getByRole('button', { name: 'Its readings as a file' }).click()]);
  await page.getByLabel(/^A gauge's file/).setInputFiles((await download.path())!);
  await expect(kept).toHaveCount(2);
  await page
    .getByLabel(/^A gauge's file/)
    .setInputFiles({ name: 'x.csv', mimeType: 'text/csv', buffer: Buffer.from('minutes,psi,temp_f\n0,sixty,66\n') });
  await expect(page.getByText(/row 1, psi/)).toBeVisible();
  // Loaded again it stands, from the record.
  await page.reload();
  await hydrated(page);
  await page.getByText('By gauge or meter: what a shut line loses').click();
  await expect(kept).toHaveCount(2);
});

test('where no gauge answers, that is said, and a file still reads', async ({ page, request }) => {
  const without = await ownHouse(true, { BRASS_NUT_GAUGE: 'http://127.0.0.1:9' });
  try {
    const answer = await request.get(`${without.address}/api/v1/gauge/lines`);
    expect([answer.status(), (await answer.json()).at]).toEqual([503, 'the gauge']);
    await openRun(page, /^Canteen sink, hot/, 'Prove', without.address);
    await page.getByText('By gauge or meter: what a shut line loses').click();
    await expect(page.getByText('No logging gauge answers.')).toBeVisible();
  } finally {
    await without.kill();
  }
});

test('the water meter is read twice, each reading kept at once; a drip is said by the month; by mirror and, before there is pressure, by ear', async ({
  page,
}) => {
  await openRun(page, /^Canteen sink, hot/, 'Prove', house.address);
  await page.getByText('By gauge or meter: what a shut line loses').click();
  const meter = page.getByRole('region', { name: 'By the water meter' });
  await meter.getByLabel('It shows').fill('12o4');
  await expect(meter).toContainText('That is no reading');
  await meter.getByLabel('It shows').fill('1204.3');
  await meter.getByRole('button', { name: 'Read', exact: true }).click();
  await expect(meter).toContainText('Wait, then read it again.');
  // Nothing is on its way when the page is loaded anew: what is said of that would move what is pressed.
  await expect(page.getByText('Kept, and with the server')).toBeVisible();
  await page.reload();
  await hydrated(page);
  await page.getByText('By gauge or meter: what a shut line loses').click();
  await meter.getByLabel('It shows').fill('1204.3');
  await meter.getByRole('button', { name: 'Read again' }).click();
  await expect(meter).toContainText('The meter did not move: under');

  const how = page.getByRole('radio', { name: 'by ear' });
  await page.getByRole('combobox', { name: 'Round' }).selectOption('crack');
  await expect(how).toBeVisible();
  await page.getByRole('combobox', { name: 'Round' }).selectOption('standing');
  await expect(how).toHaveCount(0);
  await page.getByRole('radio', { name: 'mirror and torch' }).check();
  await page.getByRole('button', { name: /Begin the look/ }).click();
  await page.waitForTimeout(1500);
  await page.getByLabel('Drops counted, for a drip').fill('3');
  await expect(page.getByText(/gal to .* gal a month/)).toBeVisible();
});
