/** What may go wrong on site and at the desk: each with a polite end, nothing lost, nothing twice. */
import { randomBytes } from 'node:crypto';
import { expect, type Page, test } from '@playwright/test';
import { address } from './house.ts';
import { hydrated, openRun } from './page.ts';

/** A visit file of the demo's, with ids of its own and names as given. */
async function strangeVisit(page: Page, names: { title: string; run: string; place: string }): Promise<{ text: string; visitId: string }> {
  const home = await (await page.request.get(`${address()}/`)).text();
  const id = [...home.matchAll(/\/visits\/([0-9a-f-]{36})"/g)].map((m) => m[1])[1]!;
  const file = JSON.parse(await (await page.request.get(`${address()}/api/v1/visits/${id}/file`)).text());
  file.entries = [];
  file.visit.title = names.title;
  for (const run of file.runs) run.name = `${names.run} ${run.water} ${run.id.slice(-4)}`;
  for (const place of file.places) place.name = names.place;
  // Other ids, of the same form and others each time: another building altogether.
  const turn = randomBytes(6).toString('hex');
  const turned = (tail: string) =>
    [...tail].map((digit, i) => (Number.parseInt(digit, 16) ^ Number.parseInt(turn.charAt(i), 16)).toString(16)).join('');
  const text = JSON.stringify(file).replace(
    /([0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-)([0-9a-f]{12})/g,
    (_, head: string, tail: string) => head + turned(tail),
  );
  return { text, visitId: JSON.parse(text).visit.id };
}

const asFile = (text: string) => ({ name: 'visit.json', mimeType: 'application/json', buffer: Buffer.from(text) });

test('names with HTML, SQL and formulas in them are names and nothing else', async ({ page }) => {
  const title = `<img src=x onerror="document.title='gone'">'; drop table visit; --`;
  const { text, visitId } = await strangeVisit(page, { title, run: '=HYPERLINK("http://x")', place: '<b>Attic</b>' });
  await page.goto(address());
  await hydrated(page);
  await page.getByLabel('Visit file (JSON)').setInputFiles(asFile(text));
  await expect(page.getByText('Taken in: 0 entries.')).toBeVisible();
  await page.reload();
  await hydrated(page);
  await page.getByLabel('Visit file (JSON)').setInputFiles(asFile(text));
  await expect(page.getByText('This shop has that visit already.')).toBeVisible();
  await page.goto(`${address()}/visits/${visitId}`);
  await expect(page.getByRole('heading', { name: title })).toBeVisible();
  await expect(page.getByText('=HYPERLINK("http://x")').filter({ visible: true }).first()).toBeVisible();
  expect(await page.title()).toContain('<img src=x');
  const back = await (await page.request.get(`${address()}/api/v1/visits/${visitId}/file`)).text();
  expect(JSON.parse(back).visit.title).toBe(title);
});

test('a visit file that will not do says where and why, and changes nothing', async ({ page }) => {
  const { text } = await strangeVisit(page, { title: 'A visit', run: 'run', place: 'place' });
  await page.goto(address());
  await hydrated(page);
  const take = page.getByLabel('Visit file (JSON)');
  await take.setInputFiles(asFile(text.slice(0, 300)));
  await expect(page.getByText(/line \d+.*not JSON/)).toBeVisible();
  const bad = JSON.parse(text);
  bad.visit.startsAt = 'noon';
  await take.setInputFiles(asFile(JSON.stringify(bad)));
  await expect(page.getByText(/visit\.startsAt: .*HH:MM/)).toBeVisible();
  const strange = JSON.parse(text);
  strange.premises.timeZone = 'Moon/Crater';
  await take.setInputFiles(asFile(JSON.stringify(strange)));
  await expect(page.getByText(/premises\.timeZone: .*time zone/)).toBeVisible();
});

test('a running leak leads to water off, then power, and the joint is made again', async ({ page }) => {
  await page.clock.install({ time: new Date() });
  await openRun(page, /^Canteen sink, hot/, 'Prove');
  await page.getByRole('button', { name: /Begin the look/ }).click();
  await page.clock.fastForward(30_000);
  await page.getByLabel('What you see, at').selectOption({ index: 1 });
  await page.getByRole('button', { name: /^Running 4/ }).click();
  const alarm = page.getByRole('alert');
  await expect(alarm).toContainText('Water off');
  await expect(alarm).toContainText('Never reach for a plug in water');
  await alarm.getByRole('button', { name: 'Water is off' }).click();
  await expect(alarm).toHaveCount(0);
  await expect(page.getByText(/not sent yet/)).toHaveCount(0);
});

test('a recheck the day after is looked at and put on record', async ({ page }) => {
  await page.clock.install({ time: new Date() });
  await page.goto(address());
  await page
    .getByRole('region', { name: 'Rechecks due' })
    .getByRole('link', { name: /Guest 1 toilet/ })
    .click();
  await page.waitForURL(/visits/);
  await hydrated(page);
  await expect(page.getByRole('heading', { name: 'Next day' })).toBeVisible();
  await page.getByRole('button', { name: /Begin the look/ }).click();
  await page.clock.fastForward(90 * 60_000);
  await page.getByRole('button', { name: /^Dry/ }).click();
  await page.getByRole('tab', { name: /Log/ }).click();
  await expect(page.getByText(/Recheck due .*: done, dry/)).toBeVisible();
  await expect(page.getByText(/not sent yet/)).toHaveCount(0);
  await page.goto(address());
  await expect(page.getByRole('region', { name: 'Rechecks due' })).not.toContainText('Guest 1 toilet');
});

test('what the card did not foresee is kept with the run', async ({ page }) => {
  await openRun(page, /^Dishwasher/, 'Shut');
  await page.getByText('Something is wrong').click();
  await page.getByLabel(/What is it\?/).fill('breaker is not labelled');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Kept: breaker is not labelled')).toBeVisible();
  await expect(page.getByText(/not sent yet/)).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('tabpanel').getByText(/At ".+": breaker is not labelled/)).toBeVisible();
});

test('a length that is none is said so, and nothing is kept', async ({ page }) => {
  await openRun(page, /^Glass rinser/, 'Look');
  const field = page.getByLabel(/From end to end/);
  for (const text of ['-3', 'far', '0', '1/0']) {
    await field.fill(text);
    await field.press('Enter');
    await expect(page.getByText('That is no length.', { exact: false })).toBeVisible();
  }
  await field.fill('14 1/2');
  await field.press('Enter');
  await expect(page.getByText('14 1/2 in kept')).toBeVisible();
});

test('the dark sheet is remembered from page to page', async ({ page }) => {
  await page.goto(address());
  await hydrated(page);
  await page.getByRole('button', { name: /^Dark/ }).click();
  await page.goto(`${address()}/ledger`);
  await expect(page.locator('html')).toHaveAttribute('data-sheet', 'dark');
  await page.keyboard.press('n');
  await page.goto(address());
  await expect(page.locator('html')).not.toHaveAttribute('data-sheet', 'dark');
});
