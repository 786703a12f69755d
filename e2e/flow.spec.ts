/** What reaches an appliance and what bangs when it shuts: by itself, from a run, and where something does not read. */
import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { address } from './house.ts';
import { hydrated, openRun } from './page.ts';

const gpm = async (page: Page): Promise<number> =>
  Number(/([\d.]+) gpm/.exec((await page.getByRole('region', { name: 'What it gets' }).textContent())!)![1]);
const peak = async (page: Page): Promise<number> =>
  Number(/(\d+) psi/.exec((await page.getByRole('region', { name: 'What it comes to' }).textContent())!)![1]);
const saved = async (page: Page, name: string | RegExp): Promise<string> => {
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name }).click()]);
  return readFileSync(await file.path(), 'utf8');
};

test('a line is said, and what it gives stands first; a thinner one gives less, and what would help says how much', async ({ page }) => {
  // So weak that its own valve holds nothing back.
  await page.goto(`${address()}/flow?on=refrigerator&psi=22`);
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
  await page.goto(`${address()}/flow?on=tub-filler`);
  await hydrated(page);
  const strong = await gpm(page);
  await page.getByText('A weak main, a regulator').click();
  await page.getByLabel('Running (psi)').fill('35');
  await page.getByLabel('Flow then (gpm)').fill('4');
  await expect.poll(() => gpm(page)).toBeLessThan(strong);
  await page.getByLabel('And also').selectOption('washing-machine');
  const rows = page.getByRole('region', { name: 'Open at once' }).getByRole('row');
  await expect(rows).toHaveCount(3);
  const [together, alone] = [...(await rows.nth(1).textContent())!.matchAll(/([\d.]+) gpm/g)].map((m) => Number(m[1]));
  expect(together).toBeLessThan(alone!);
  await page.getByRole('button', { name: /^Shut washing machine/ }).click();
  await expect(rows).toHaveCount(0);
  await page.getByText('How that comes about').click();
  await expect(page.getByText(/Supply less rise less losses is what the valve asks/)).toBeVisible();
  expect(await saved(page, 'CSV')).toMatch(/^piece,name,bore_in/);
  expect(await saved(page, 'Save the drawing (SVG)')).toMatch(/^<svg [^>]*viewBox/);
  const [picture] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save the chart (PNG)' }).click()]);
  expect(
    readFileSync(await picture.path())
      .subarray(1, 4)
      .toString(),
  ).toBe('PNG');
});

test('what does not read is said at once, and nothing false stands beside it', async ({ page }) => {
  await page.goto(`${address()}/flow?on=toilet`);
  await hydrated(page);
  for (const [label, text, said] of [
    ['Pressure standing (psi)', 'plenty', /60 psi/],
    ['Its length (ft)', '-4', /House pipe/],
    ['Length (in)', '', /Line/],
  ] as const) {
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
  await page.goto(`${address()}/hammer?on=washing-machine`);
  await hydrated(page);
  await expect(page.getByText(/passes 150 psi/).first()).toBeVisible();
  const bare = await peak(page);
  await page.getByLabel('arrestor', { exact: true }).check();
  await expect.poll(() => peak(page)).toBeLessThan(150);
  // Hard on its stop the piston bangs anew: said as the worst of it, and taken back.
  await expect(page.getByText(/pulls the water apart/)).toHaveCount(0);
  await page.getByLabel('comes to its stop', { exact: true }).check();
  await expect(page.getByText(/pulls the water apart/)).toBeVisible();
  await page.getByLabel('rides on its gas', { exact: true }).check();
  await expect(page.getByText(/pulls the water apart/)).toHaveCount(0);
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
  // Short and slow: steps enough for some seconds, so that there is something to stop.
  await page.getByLabel('Its length (ft)').fill('6');
  await page.getByLabel('It shuts in (ms)').fill('2900');
  await expect.poll(() => peak(page)).toBeLessThan(bare / 2);
  await page.getByRole('button', { name: /^How sure is that/ }).click();
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByRole('button', { name: /^How sure is that/ })).toBeVisible();
  // What was stopped can be asked again, and nothing of it comes late.
  await page.waitForTimeout(500);
  await expect(page.getByText(/In 90 of 100/)).toHaveCount(0);
  await page.getByLabel('It shuts in (ms)').fill('20');
  await expect.poll(() => peak(page)).toBeGreaterThan(bare / 2);
  await page.getByRole('button', { name: /^How sure is that/ }).click();
  await expect(page.getByText(/In 90 of 100 the peak is from/)).toBeVisible({ timeout: 30_000 });
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

test('an address with silly figures is a page that says what is wrong, whatever the figure', async ({ page }) => {
  const faults: string[] = [];
  page.on('pageerror', (fault) => faults.push(String(fault)));
  for (const [query, said] of [
    ['flow?psi=99999', /Pressure standing: 99999 will not do/],
    ['flow?lineLength=999999', /Length, inches/],
    ['flow?running=70&runningGpm=2', /no higher than standing/],
    ['flow?line=none-such', /Line: "none-such"/],
    ['flow?chain=none~such', /The catalogue has no such part/],
    ['hammer?cushion=arrestor&volume=0', /Gas in it, cubic inches/],
    ['hammer?cushion=arrestor&cushionFt=900', /nearer to the valve than the supply/],
    ['hammer?psi=0', /nothing can bang/],
  ] as const) {
    await page.goto(`${address()}/${query}`);
    await hydrated(page);
    await expect(page.getByRole('alert').filter({ hasText: said })).toBeVisible();
    await expect(page.getByRole('region', { name: /^What it (gets|comes to)$/ })).toHaveCount(0);
  }
  // A change that cannot be is left out of what would help; the answer stands.
  await page.goto(`${address()}/hammer?on=dishwasher&close=60000`);
  await hydrated(page);
  await expect(page.getByRole('region', { name: 'What would soften it' })).toContainText('half as much runs');
  await expect(page.getByRole('alert')).toHaveCount(0);
  expect(faults).toEqual([]);
});

test('on a device that goes by millimetres figures are typed and said in metres, bar and litres, and mean the same', async ({ page }) => {
  await page.goto(`${address()}/flow?on=washing-machine&psi=58.02&houseFt=32.8084`);
  await hydrated(page);
  const inGpm = await gpm(page);
  await page.keyboard.press('u');
  const litres = async () => Number(/([\d.]+) L\/min/.exec((await page.getByRole('region', { name: 'What it gets' }).textContent())!)![1]);
  await expect.poll(async () => Math.abs((await litres()) / 3.785412 - inGpm)).toBeLessThan(0.02);
  const before = await litres();
  await page.getByLabel('Pressure standing (bar)').fill('4');
  await page.getByLabel('Its length (m)').fill('10');
  await expect(page.getByLabel('Its length (m)')).toHaveValue('10');
  await expect.poll(litres).toBeCloseTo(before, 1);
  await page.getByText('How that comes about').click();
  await expect(page.getByRole('region', { name: 'What it gets' })).toContainText(/: [\d.]+ bar - [\d.]+ bar - [\d.]+ bar = [\d.]+ bar/);
  await page.getByRole('link', { name: 'What bangs' }).click();
  await page.waitForURL(/\/hammer\?/);
  await hydrated(page);
  await expect(page.getByLabel('Its length (m)')).toHaveValue('10 m');
  await page.getByLabel('arrestor', { exact: true }).check();
  await page.getByLabel('Gas in it (mL)').fill('50');
  await expect(page.getByRole('region', { name: 'What it comes to' })).toContainText(/softened, [\d.]+ bar bare/);
  expect(page.url()).toContain('volume=50+mL');
  await page.keyboard.press('Escape');
  await page.getByRole('heading', { name: 'Water hammer' }).click();
  await page.keyboard.press('u');
  await expect(page.getByLabel('Gas in it (cu in)')).toHaveValue('50 mL');
});

test('a third reading of a main says whether the first two tell it; a tank fades by its own air, whatever the main does', async ({ page }) => {
  await page.goto(`${address()}/flow?on=ro-dispenser&running=45&runningGpm=3`);
  await hydrated(page);
  await page.getByLabel('Once more (psi)').fill('12');
  await page.getByLabel('At another flow (gpm)').fill('5.4');
  await expect(page.getByRole('region', { name: 'What it gets' })).toBeVisible();
  await expect(page.getByText(/off that curve/)).toHaveCount(0);
  await page.getByLabel('Once more (psi)').fill('44');
  await expect(page.getByText(/off that curve: a regulator, a stop half shut/)).toBeVisible();
  const tank = page.getByRole('region', { name: 'The tank' });
  await expect(tank).toContainText(/It holds [\d.]+ gal/);
  const holds = await tank.getByText(/It holds/).textContent();
  await page.getByLabel('Pressure standing (psi)').fill('90');
  await expect(tank.getByText(/It holds/)).toHaveText(holds!);
  await tank.getByLabel(/^Full at/).fill('3');
  await expect(tank).toContainText('A tank holds water only above the pressure of its air');
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
