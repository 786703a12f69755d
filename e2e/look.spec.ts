/** Look judges what is there: line, stop, water, complaints; and what it asks of the chain. */
import { expect, type Page, test } from '@playwright/test';
import { ownHouse } from './house.ts';
import { hydrated, openRun, pressUse } from './page.ts';
import type { Served } from './server.ts';

let house: Served;
test.beforeAll(async () => {
  house = await ownHouse();
});
test.afterAll(() => house.kill());

const pick = (page: Page, group: string, choice: string) =>
  page.getByRole('group', { name: group, exact: true }).getByRole('radio', { name: choice }).check();
/** Both ends are known, from this file's other tests or from the last visit. */
async function asLastTime(page: Page): Promise<void> {
  if ((await page.getByRole('combobox', { name: /^Inlet of/ }).inputValue()) === '')
    await page.getByRole('button', { name: 'All of it is still so' }).click();
}
const follows = (page: Page) => page.getByRole('region', { name: 'What follows' });

test('an old hose, a seized stop and a weak flow are judged with their reasons, asked of the chain, and taken back', async ({ page }) => {
  await openRun(page, /^Refrigerator/, 'Look', house.address);
  await pick(page, 'It is', 'braided');
  await page.getByRole('checkbox', { name: 'kinked' }).check();
  await expect(follows(page)).toContainText('Old line: replace with this visit. Kinked: A kink stays weak');
  const age = page.getByLabel(/^Years old/);
  await age.fill('-3');
  await expect(page.getByText(/Years from 0 to 150/)).toBeVisible();
  await age.fill('11');
  await age.press('Enter');
  await pick(page, 'Kind', 'multi-turn');
  await pick(page, 'Tried: it', 'seized open');
  await expect(follows(page)).toContainText('Stop: replace with this visit. It cannot be shut');
  await page.getByRole('button', { name: 'Water as it comes' }).click();
  const running = page.getByLabel(/^Pressure while it runs/);
  await running.fill('12');
  await running.press('Enter');
  await page.getByLabel(/^Volume/).fill('2 qt');
  await page.getByLabel('Seconds').fill('90');
  await page.getByLabel('Seconds').press('Enter');
  await expect(page.getByText('0.33 gpm kept')).toBeVisible();
  await expect(follows(page)).toContainText('12 psi while it runs is under what a refrigerator wants (20 psi)');
  await page.getByRole('button', { name: 'Complaints' }).click();
  await page.getByRole('checkbox', { name: 'fills slowly' }).check();
  await expect(page.getByRole('listitem').filter({ hasText: 'weak pressure while it flows (found here)' })).toBeVisible();
  await expect(follows(page).getByText(/may hold up: .*the chain/)).toBeVisible();
  // A wrong press is taken back, and its verdict with it.
  await page.locator('body').press('z');
  await expect(page.getByRole('checkbox', { name: 'fills slowly' })).not.toBeChecked();
  // What is replaced stands with the chain's needs, with why.
  await page.getByRole('button', { name: 'All of it is still so' }).click();
  await page.getByRole('tab', { name: /Match/ }).click();
  await expect(
    page
      .getByText(/its own stop/)
      .locator('visible=true')
      .first(),
  ).toBeVisible();
  const visit = page.url().match(/visits\/([0-9a-f-]{36})/)![1];
  await expect
    .poll(async () => {
      const { entries } = await (await page.request.get(`${house.address}/api/v1/visits/${visit}`)).json();
      return Object.assign({}, ...entries.filter((e: { kind: string }) => e.kind === 'line-seen').map((e: { body: object }) => e.body));
    })
    .toEqual({ line: 'braided', ageYears: 11, seen: ['kinked'] });
});

test.describe('with the worker that opens pages without a connection', () => {
  test.use({ serviceWorkers: 'allow' });
  test('on a phone, without a connection: what may be left out folds, what was found opens again as it was', async ({ page, context }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    await openRun(page, /^Flat toilet/, 'Look', house.address);
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await context.setOffline(true);
    const open = (name: RegExp) => page.getByRole('button', { name }).click();
    await open(/^Screen, washers/);
    await page.getByRole('group', { name: 'Inlet screen' }).getByRole('button', { name: 'Nothing of it' }).click();
    await expect(page.getByText('looked at: nothing of it')).toBeVisible();
    await open(/^Before anything/);
    await pick(page, 'As it runs and shuts, it', 'bangs');
    await pick(page, 'Against hammer there is', 'nothing');
    await expect(page.getByRole('radio', { name: 'it bangs' })).toBeChecked();
    await open(/^What follows/);
    await expect(follows(page)).toContainText('Hammer: replace with this visit. It bangs and has none');
    await page.reload();
    await hydrated(page);
    await page.getByRole('tab', { name: /Look/ }).click();
    await expect(page.getByRole('button', { name: /^Screen, washers/ })).toContainText('nothing found');
    await open(/^What follows/);
    await expect(follows(page)).toContainText('Hammer: replace');
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(wide).toBeLessThanOrEqual(390);
    await context.setOffline(false);
    await expect(page.getByText(/not sent yet/)).toBeHidden({ timeout: 30_000 });
  });
});

test('an end comes from the gauge with what else it may be; Match says what the others want; what a chain hangs on is asked', async ({ page }) => {
  await openRun(page, /^Glass rinser/, 'Look', house.address);
  const inlet = page.getByRole('combobox', { name: /^Inlet of/ });
  await page.getByRole('combobox', { name: /^Water side/ }).fill('3/8 comp m');
  await page.getByRole('option').first().click();
  await page.getByRole('link', { name: 'I measured it' }).nth(1).click();
  await page.getByLabel('Diameter at the crests, in').fill('0.82');
  await expect(page.getByRole('heading', { name: /^One of \d+: the readings cannot tell them apart/ })).toBeVisible();
  await page.getByRole('link', { name: 'use it there' }).first().click();
  await hydrated(page);
  await expect(inlet).toHaveValue(/1\/2/);
  const doubted = page.getByRole('checkbox', { name: /^not sure of the inlet: or/ });
  await expect(doubted).toBeChecked();
  const note = page.getByRole('region', { name: 'Not sure of the inlet' });
  await page.getByRole('tab', { name: /Match/ }).click();
  await expect(note).toContainText(/% by the gauge/);
  await expect(note.getByRole('listitem').first()).toContainText(
    /joins it too|the same parts join it|take along: |nothing in the catalogue joins it/,
  );
  await page.getByRole('tab', { name: /Look/ }).click();
  await page.getByRole('checkbox', { name: /^not sure of the inlet/ }).uncheck();
  await page.getByRole('tab', { name: /Match/ }).click();
  await expect(note).toHaveCount(0);

  await page.getByRole('tab', { name: /Look/ }).click();
  await page.getByRole('group', { name: 'It comes after reverse osmosis' }).getByRole('radio', { name: 'no' }).check();
  await page.getByRole('tab', { name: /Match/ }).click();
  const chain = page.getByRole('article', { name: 'Chain 1' });
  await chain.waitFor();
  await openRun(page, /^Refrigerator/, 'Look', house.address);
  await asLastTime(page);
  await page.getByRole('tab', { name: /Match/ }).click();
  await pressUse(page.getByRole('article', { name: 'Chain 1' }));
  const asks = page.getByRole('alertdialog', { name: 'Does its water come from a reverse-osmosis unit?' });
  await expect(asks).toContainText('brass');
  await asks.getByRole('button', { name: 'Not known: look first' }).click();
  await expect(asks).toHaveCount(0);
  await pressUse(page.getByRole('article', { name: 'Chain 1' }));
  await asks.getByRole('button', { name: 'After reverse osmosis' }).click();
  await expect(page.getByRole('button', { name: /no copper, no brass/ })).toBeVisible();
  await expect(page.getByRole('tab', { name: /Match/ })).toHaveAttribute('aria-selected', 'true');
});

test('what goes on again is asked by its conditions where the house reuses; elsewhere a new one goes on', async ({ page }) => {
  await openRun(page, /^Refrigerator/, 'Look', house.address);
  const again = page.getByRole('region', { name: 'What goes on again' });
  await page.getByRole('button', { name: /^What goes on again/ }).click();
  await again.getByRole('button', { name: 'insert barb' }).click();
  await expect(again).toContainText('A new one. The house uses no insert barb again.');
  await page.request.post(`${house.address}/api/v1/rules`, { data: await reusing(page), headers: { origin: house.address } });
  await page.reload();
  await hydrated(page);
  await page.getByRole('tab', { name: /Look/ }).click();
  await page.getByRole('button', { name: /^What goes on again/ }).click();
  await expect(again).toContainText('A new one. Nobody looked: barb unscored');
  await pick(page, 'insert barb: barb unscored after its ring was cut off', 'yes');
  await expect(again).toContainText('It may go on again.');
  await pick(page, 'insert barb: barb unscored after its ring was cut off', 'no');
  await expect(again).toContainText('A new one. Not barb unscored');
  await again.getByRole('button', { name: 'It does not go on again' }).click();
  await expect(again).not.toContainText('A new one.');
});

/** The rules as they are, but that sound things are used again. */
async function reusing(page: Page): Promise<object> {
  const { version, rules } = await (await page.request.get(`${house.address}/api/v1/rules`)).json();
  return { basedOn: version, rules: { ...rules, connector: 'reuse if sound' }, reason: 'A sound one lasts.' };
}

test('sources are compared by what the way takes; the best becomes the water side with its length', async ({ page }) => {
  await openRun(page, /^Refrigerator/, 'Look', house.address);
  await asLastTime(page);
  await page.getByRole('button', { name: /^Where the water can come from/ }).click();
  const add = async (kind: string, name: string, end: string, far: string, more: () => Promise<void>) => {
    await page.getByRole('radio', { name: kind }).check();
    await page.getByLabel('Name, or where it is').fill(name);
    const joins = page.getByRole('combobox', { name: 'There the chain joins' });
    await joins.fill(end);
    await page.getByRole('option').first().click();
    await page.getByLabel(/^From there to the inlet/).fill(far);
    await more();
    await page.getByRole('button', { name: 'Add it' }).click();
  };
  await add('an idle capped line', 'the capped line behind', '1/4 comp', '5 ft', () => pick(page, 'For it is shut', 'nothing'));
  await page.getByRole('button', { name: 'Another source' }).click();
  await add('a saddle valve', 'the old saddle', '1/4 comp', '4 ft', async () => {});
  await page.getByRole('button', { name: 'Another source' }).click();
  await add('a manifold port', 'port 4 below', '1/2 pex', '12 ft', () => page.getByRole('checkbox', { name: 'a floor' }).check());
  const rows = page.getByRole('region', { name: 'Where the water can come from' }).getByRole('listitem');
  await expect(rows.first()).toContainText('the capped line behind · the best way');
  await expect(rows.first()).toContainText('may hold heating water');
  await expect(rows.filter({ hasText: 'the old saddle' })).toContainText('not that way');
  await expect(rows.filter({ hasText: 'port 4 below' })).toContainText(/\$\d+ more:/);
  await rows.first().getByRole('button', { name: 'Take the water here' }).click();
  await expect(page.getByText('5 ft kept').or(page.getByText('5 ft (60 in) kept'))).toBeVisible();
  await expect(page.getByRole('combobox', { name: /^Water side/ })).toHaveValue(/1\/4/);
  await rows.filter({ hasText: 'the old saddle' }).getByRole('button', { name: 'Give it up' }).click();
  await expect(rows.filter({ hasText: 'the old saddle' })).toHaveCount(0);
});
