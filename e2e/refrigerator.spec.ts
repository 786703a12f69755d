/** The whole path on one refrigerator run, by keys alone: from two ends to signed off, and still there the day after. */
import { expect, type Page, test } from '@playwright/test';
import { startCluster } from '../ops/cluster.ts';
import { databaseUrl, dataFolder } from './house.ts';
import { hydrated, openRun, tabTo } from './page.ts';
import { startServer } from './server.ts';

async function press(page: Page, role: Parameters<Page['getByRole']>[0], name: string | RegExp): Promise<void> {
  await tabTo(page, page.getByRole(role, { name }).first());
  await page.keyboard.press('Enter');
}

async function pickEnd(page: Page, label: RegExp, typed: string, spoken: string): Promise<void> {
  await tabTo(page, page.getByRole('combobox', { name: label }).first());
  await page.keyboard.type(typed);
  await expect(page.getByRole('option').first()).toContainText(spoken);
  await page.keyboard.press('Enter');
}

/** Tab goes to a group of radios, the arrows go through it. */
async function radio(page: Page, group: string, name: string): Promise<void> {
  const wanted = page.getByRole('group', { name: group }).getByRole('radio', { name, exact: true });
  await tabTo(page, page.getByRole('group', { name: group }).getByRole('radio'));
  await page.keyboard.press('Space');
  for (let i = 0; i < 10 && !(await wanted.isChecked()); i++) await page.keyboard.press('ArrowDown');
  await expect(wanted).toBeChecked();
}

async function lookDry(page: Page, minutes: number): Promise<void> {
  await press(page, 'button', /Begin the look/);
  await page.clock.fastForward(minutes * 60_000);
  await page.keyboard.press('1');
}

test('a refrigerator run from two ends to signed off, by keys alone', async ({ page, browser }) => {
  const data = dataFolder();
  const first = await startServer(databaseUrl());
  await page.clock.install({ time: new Date() });
  await page.goto(first.address);
  await press(page, 'link', /^Refrigerator/);
  await expect(page.getByRole('tab', { name: /Look/ })).toHaveAttribute('aria-selected', 'true');

  await pickEnd(page, /Water side/, '3/8 comp m', '3/8 in OD compression, male');
  await pickEnd(page, /Inlet of the refrigerator/, '1/4 comp m', '1/4 in OD compression, male');
  await radio(page, 'Kind', 'quarter-turn');
  await radio(page, 'Tried: it', 'works');
  await tabTo(page, page.getByRole('textbox', { name: /From end to end/ }).first());
  await page.keyboard.type('60');
  await page.keyboard.press('Enter');
  await expect(page.getByText('60 in kept')).toBeVisible();
  await press(page, 'button', 'On to Match');

  const best = page.getByRole('article', { name: 'Chain 1' });
  await expect(best).toContainText('3joints');
  await press(page, 'button', 'Use this');
  // Brass: asked once, before it is taken.
  await expect(page.getByRole('alertdialog')).toContainText('Does its water come from a reverse-osmosis unit?');
  await press(page, 'button', /^No$/);

  await expect(page.getByRole('heading', { name: 'Shut the water, and prove it' })).toBeVisible();
  for (let i = 0; (await page.getByRole('button', { name: /^On to Make/ }).count()) === 0 && i < 30; i++) {
    const gate = page.getByRole('button', { name: 'Yes', exact: true });
    await press(page, 'button', (await gate.count()) > 0 ? 'Yes' : 'Done');
  }
  await press(page, 'button', 'On to Make');
  await expect(page.getByRole('heading', { name: 'Work card' })).toBeVisible();
  for (let i = 0; (await page.getByRole('button', { name: 'On to Prove' }).count()) === 0 && i < 40; i++) {
    const gate = page.getByRole('button', { name: 'Yes', exact: true });
    await press(page, 'button', (await gate.count()) > 0 ? 'Yes' : /^Done/);
  }
  await press(page, 'button', 'On to Prove');

  await lookDry(page, 1);
  await lookDry(page, 1);
  await expect(page.getByRole('heading', { name: 'Standing' })).toBeVisible();
  await press(page, 'button', /Begin the look/);
  await page.clock.fastForward(100_000);
  await expect(page.getByText(/nothing proven yet/).first()).toBeVisible();
  await page.clock.fastForward(200_000);
  await tabTo(page, page.getByRole('combobox', { name: 'What you see, at' }).first());
  await page.keyboard.type('J2');
  await press(page, 'button', /^Damp/);
  await page.clock.fastForward(240_000);
  await tabTo(page, page.getByRole('button', { name: /^Dry/ }).first());
  await page.keyboard.press('1');

  const remedy = page.getByRole('region', { name: 'Remedy for J2' });
  await expect(remedy).toContainText('3/8 turn');
  await press(page, 'button', 'Nudged 1/8 turn');
  await expect(remedy).toHaveCount(0);
  for (const minutes of [1, 1, 60, 7, 7]) await lookDry(page, minutes);
  await expect(page.getByRole('row', { name: /J2/ })).toContainText('enough');
  await expect(page.getByRole('region', { name: 'Beside the looks' })).toContainText('Power on again');
  for (let i = 0; (await page.getByRole('button', { name: 'On to Log' }).count()) === 0 && i < 12; i++) {
    const gate = page.getByRole('button', { name: 'Yes', exact: true });
    await press(page, 'button', (await gate.count()) > 0 ? 'Yes' : 'Done');
  }
  await press(page, 'button', 'On to Log');

  await tabTo(page, page.getByRole('button', { name: 'Sign off' }).first());
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Signed off' })).toBeFocused();
  await expect(page.getByText(/not sent yet/)).toHaveCount(0);
  const visit = page.url();
  const signs = async () => {
    const answer = await fetch(`${visit.replace('/visits/', '/api/v1/visits/').split('?')[0]}`);
    return ((await answer.json()) as { entries: { kind: string }[] }).entries.filter((e) => e.kind === 'signed-off').length;
  };
  await expect.poll(signs).toBe(1);

  // Server and database are killed and started again, a day later: all of it is still there, and the recheck is due.
  await page.goto('about:blank');
  await first.kill();
  (await startCluster(data)).stop();
  const cluster = await startCluster(data, {}, new URL(databaseUrl()).port);
  const later = await startServer(cluster.url, { BRASS_NUT_CLOCK_AHEAD_MIN: String(24 * 60 + 30) });
  const next = await browser.newPage();
  await next.goto(`${later.address}/`);
  await expect(next.getByRole('region', { name: 'Rechecks due' })).toContainText('Refrigerator');
  await next.goto(visit.replace(first.address, later.address));
  await expect(next.getByRole('heading', { name: 'Signed off' })).toBeVisible();
  await expect(next.getByRole('img', { name: /J1 proven, J2 proven, J3 proven/ })).toBeVisible();
  await next.close();
  await later.kill();
});

test('a database that goes away is said so, and what was entered is sent when it is back', async ({ page }) => {
  const data = dataFolder();
  const served = await startServer(databaseUrl());
  await openRun(page, /^Drinking tap/, 'Look', served.address);
  const found = page.getByLabel('needs a hammer arrestor');
  await found.waitFor();
  (await startCluster(data)).stop();
  await found.check();
  await expect(page.getByText(/1 not sent yet: kept on this device/)).toBeVisible();
  const lost = await fetch(`${served.address}/`);
  expect(lost.status).toBe(503);
  expect(await lost.text()).toContain('The database does not answer');
  await startCluster(data, {}, new URL(databaseUrl()).port);
  await expect(page.getByText(/not sent yet/)).toHaveCount(0, { timeout: 30_000 });
  await page.reload();
  await hydrated(page);
  await page.getByRole('tab', { name: /Look/ }).click();
  await expect(page.getByLabel('needs a hammer arrestor')).toBeChecked();
  await served.kill();
});
