/** What reaches an appliance and what bangs when it shuts: by itself, from a run, and where something does not read. */
import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { address } from './house.ts';
import { hydrated, openRun } from './page.ts';

const gpm = async (page: Page): Promise<number> => Number(/([\d.]+) gpm/.exec((await page.getByRole('region', { name: 'What it gets' }).textContent())!)![1]); // biome-ignore format: one line
const peak = async (page: Page): Promise<number> => Number(/(\d+) psi/.exec((await page.getByRole('region', { name: 'What it comes to' }).textContent())!)![1]); // biome-ignore format: one line
const saved = async (page: Page, name: string | RegExp): Promise<string> => {
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name }).click()]);
  return readFileSync(await file.path(), 'utf8');
};

test('a line is said, and what it gives stands first; a thinner one gives less, and what would help says how much', async ({ page }) => {
  await page.goto(`${address()}/flow?on=refrigerator`);
  await hydrated(page);
  const before = await gpm(page);
  await page.getByRole('combobox', { name: 'Line', exact: true }).selectOption('cu-3/8od');
  await expect.poll(() => gpm(page)).toBeGreaterThan(before);
  await page.getByRole('combobox', { name: 'Line', exact: true }).selectOption('cu-1/4od');
  await page.getByLabel('Length (in)').fill('40 ft');
  await expect.poll(() => gpm(page)).toBeLessThan(before);
  const thin = await gpm(page);
  const help = page.getByRole('region', { name: 'What would help' }).getByRole('listitem').first();
  await expect(help).toContainText('copper riser 3/8 in OD in place of soft copper 1/4 in OD');
  const gain = Number(/\+([\d.]+) gpm/.exec((await help.textContent())!)![1]);
  await page.getByRole('combobox', { name: 'Line', exact: true }).selectOption('cu-3/8od');
  await expect.poll(async () => Math.abs((await gpm(page)) - thin - gain)).toBeLessThan(0.02);
  // The address has it all: another page says the same.
  const shown = await gpm(page);
  await page.goto(page.url());
  await hydrated(page);
  await expect.poll(() => gpm(page)).toBe(shown);
});

test('a weak main, a regulator and a second appliance take from it; its figures open to their equations and leave as files', async ({ page }) => {
  await page.goto(`${address()}/flow?on=washing-machine`);
  await hydrated(page);
  const strong = await gpm(page);
  await page.getByText('A weak main, a regulator').click();
  await page.getByLabel('Running (psi)').fill('35');
  await page.getByLabel('Flow then (gpm)').fill('4');
  await expect.poll(() => gpm(page)).toBeLessThan(strong);
  await page.getByLabel('And also').selectOption('tub-filler');
  const rows = page.getByRole('region', { name: 'Open at once' }).getByRole('row');
  await expect(rows).toHaveCount(3);
  const [together, alone] = [...(await rows.nth(1).textContent())!.matchAll(/([\d.]+) gpm/g)].map((m) => Number(m[1]));
  expect(together).toBeLessThan(alone!);
  await page.getByRole('button', { name: /^Shut tub filler/ }).click();
  await expect(rows).toHaveCount(0);
  await page.getByText('How that comes about').click();
  await expect(page.getByText(/Supply less rise less losses is what the valve asks/)).toBeVisible();
  expect(await saved(page, 'CSV')).toMatch(/^piece,name,bore_in/);
  expect(await saved(page, 'Save the drawing (SVG)')).toMatch(/^<svg [^>]*viewBox/);
});

test('what does not read is said at once, and nothing false stands beside it', async ({ page }) => {
  await page.goto(`${address()}/flow?on=toilet`);
  await hydrated(page);
  for (const [label, text, said] of [
    ['Pressure standing (psi)', 'plenty', /60 psi/],
    ['Its length (ft)', '-4', /House pipe/],
    ['Length (in)', '', /Line/],
  ] as const) {
    // biome-ignore format: one table
    const field = page.getByLabel(label, { exact: true });
    const was = await field.inputValue();
    await field.fill(text);
    await expect(page.getByRole('alert').filter({ hasText: said })).toBeVisible();
    await expect(page.getByRole('region', { name: 'What it gets' })).toHaveCount(0);
    await field.fill(was);
    await expect(page.getByRole('region', { name: 'What it gets' })).toBeVisible();
  }
  await page.getByLabel('Inlet higher by (ft)').fill('400');
  await expect(page.getByText('▲ nothing flows')).toBeVisible();
});

test('a valve that snaps shut bangs; an arrestor takes it, a waterlogged chamber does not; a sweep is a band, and can be stopped', async ({
  page,
}) => {
  await page.goto(`${address()}/hammer?on=dishwasher`);
  await hydrated(page);
  await expect(page.getByText(/passes 150 psi/).first()).toBeVisible();
  const bare = await peak(page);
  await page.getByLabel('arrestor', { exact: true }).check();
  await expect.poll(() => peak(page)).toBeLessThan(150);
  await page.getByLabel('air chamber', { exact: true }).check();
  await page.getByLabel('waterlogged', { exact: true }).check();
  await expect.poll(() => peak(page)).toBe(bare);
  await page.getByLabel('nothing', { exact: true }).check();
  await page.getByLabel('It shuts in (ms)').fill('400');
  await expect.poll(() => peak(page)).toBeLessThan(bare);
  await page.getByRole('button', { name: /^How sure is that/ }).click();
  await expect(page.getByText(/In 90 of 100 the peak is from/)).toBeVisible({ timeout: 30_000 });
  await page.getByLabel('It shuts in (ms)').fill('20');
  await expect(page.getByText(/In 90 of 100/)).toBeHidden();
  await page.getByRole('button', { name: /^How sure is that/ }).click();
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByRole('button', { name: /^How sure is that/ })).toBeVisible();
  const csv = await saved(page, 'CSV');
  expect(csv).toMatch(/^seconds,psi/);
  expect(csv.split('\n').length).toBeGreaterThan(500);
});

test('the wave is played along the pipe, by key too; silly figures are refused in words', async ({ page }) => {
  await page.goto(`${address()}/hammer?on=washing-machine`);
  await hydrated(page);
  const moment = page.getByLabel('Moment');
  await moment.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('region', { name: 'Along the pipe' })).not.toContainText(' 0 ms');
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  const at = await moment.inputValue();
  await expect.poll(() => moment.inputValue()).not.toBe(at);
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  for (const [text, said] of [
    ['-5', /Closing/],
    ['1e9', /closeMs|Closing/],
    ['soon', /Closing/],
  ] as const) {
    await page.getByLabel('It shuts in (ms)').fill(text);
    await expect(page.getByRole('alert').filter({ hasText: said })).toBeVisible();
  }
  await page.getByLabel('It shuts in (ms)').fill('0');
  await expect(page.getByRole('alert').filter({ hasText: /Closing/ })).toHaveCount(0);
});

test('a run takes its chain along: Match says what each gives, Prove what it comes to when it shuts', async ({ page }) => {
  await openRun(page, /^Ice maker/, 'Match');
  await expect(page.getByRole('article', { name: 'Chain 1' }).getByText('gpm', { exact: true })).toBeVisible();
  await openRun(page, /^Ice maker/, 'Prove');
  await page.getByRole('link', { name: 'What would soften it' }).click();
  await page.waitForURL(/\/hammer\?/);
  await hydrated(page);
  await expect(page.getByText('Stop and line are the chain of the run.')).toBeVisible();
  await expect.poll(() => peak(page)).toBeGreaterThan(60);
  await page.getByRole('link', { name: 'What reaches it' }).click();
  await page.waitForURL(/\/flow\?/);
  await expect(page.getByRole('region', { name: 'Where the pressure goes' })).toContainText('insert of the braided connector');
  await page.getByRole('link', { name: 'Back to the run' }).click();
  await page.waitForURL(/\/visits\//);
});
