/** The record tells the truth, and a press can be taken back. */
import { expect, type Page, test } from '@playwright/test';
import { address } from './house.ts';
import { hydrated, openRun, pressUse, textOf } from './page.ts';

interface Run {
  id: string;
  stages: Record<string, { state: string; reason?: string }>;
  joints: { id: string; n: number; made: boolean; turns24: number }[];
  signedOff: object | null;
  conflicts: { what: string }[];
}

/** The run that a page shows, as the server has it. */
async function runOf(page: Page): Promise<Run> {
  const url = new URL(page.url());
  const { runs } = (await (await page.request.get(`${address()}/api/v1${url.pathname}`)).json()) as { runs: Run[] };
  const id = url.searchParams.get('run');
  return runs.find((r) => r.id === id)!;
}

const sent = (page: Page) => expect(page.getByText(/not sent yet/)).toHaveCount(0);
const bar = (page: Page) => page.getByRole('button', { name: /^Take it back/ });

test('Make says that the water is not proved dead, leads to Shut, and takes a reason that stays', async ({ page }) => {
  await openRun(page, /^Dishwasher, hot/, 'Make');
  const alert = page.getByRole('alert').filter({ hasText: 'The water is not proved dead' });
  await expect(alert).toBeVisible();
  await expect(page.getByRole('button', { name: 'Done', exact: true })).toHaveCount(0);
  await alert.getByRole('button', { name: 'Go to Shut' }).click();
  await expect(page.getByRole('tab', { name: /^Shut/ })).toHaveAttribute('aria-selected', 'true');
  await page.getByRole('tab', { name: /^Make/ }).click();
  await alert.getByText('It is proved off another way').click();
  const go = alert.getByRole('button', { name: 'Proved so' });
  await alert.getByLabel(/^What proves the water off/).fill('x');
  await expect(go).toBeDisabled();
  await alert.getByLabel(/^What proves the water off/).fill('The house shut the riser this morning');
  await go.click();
  await expect(alert).toHaveCount(0);
  await expect(page.getByText('Proved another way: The house shut the riser this morning')).toBeVisible();
  await expect(page.getByRole('tab', { name: /^Shut/ })).toContainText('skipped');
  await expect.poll(async () => (await runOf(page)).stages.shut).toEqual({ state: 'skipped', reason: 'The house shut the riser this morning' });
  // Taken back at once by its key: the water comes first again.
  await page.keyboard.press('z');
  await expect(alert).toBeVisible();
  await expect.poll(async () => (await runOf(page)).stages.shut!.state).toBe('open');
});

test('a press is taken back by bar and key, put back, and all of it without a connection', async ({ page }) => {
  await openRun(page, /^Flat toilet/, 'Look');
  const saddle = page.getByRole('radio', { name: 'saddle' });
  const before = page.getByRole('radio', { name: 'quarter-turn' });
  await expect(before).toBeChecked();
  await page.context().route('**/api/v1/entries*', (route) => route.abort());
  await saddle.check();
  await expect(bar(page)).toBeVisible();
  await bar(page).click();
  await expect(before).toBeChecked();
  await page.getByRole('button', { name: /^Put it back/ }).click();
  await expect(saddle).toBeChecked();
  await page.keyboard.press('z');
  await expect(before).toBeChecked();
  await page.context().unroute('**/api/v1/entries*');
  await page.reload();
  await hydrated(page);
  await sent(page);
  await page.getByRole('tab', { name: /Look/ }).click();
  await expect(page.getByRole('radio', { name: 'quarter-turn' })).toBeChecked();
});

test('a wrong turn count is corrected, a joint taken back with its looks, and the old values stay to be read', async ({ page }) => {
  await openRun(page, /^Canteen sink, hot/, 'Prove');
  const before = await runOf(page);
  await page.keyboard.press('h');
  const dialog = page.getByRole('dialog', { name: /^What happened here/ });
  const made = dialog.getByRole('listitem').filter({ hasText: /^.*J1 made/ });
  await made.getByRole('button', { name: 'Correct' }).click();
  await dialog.getByLabel('Turns past hand-tight').selectOption({ label: '1 1/4 turns' });
  await dialog.getByRole('button', { name: 'Record the correction' }).click();
  await expect(made.locator('s')).toContainText('made');
  await expect(made).toContainText('1 1/4 turns');
  await made.getByRole('button', { name: 'Take back' }).click();
  await expect(dialog.getByText(/^With it goes: \d+ looks/)).toBeVisible();
  await dialog.getByLabel(/^Why it is taken back/).fill('Pressed at the wrong joint');
  await dialog.getByRole('button', { name: 'Take it back' }).click();
  await expect(made).toContainText('Pressed at the wrong joint');
  await dialog.getByRole('button', { name: 'Close' }).click();
  expect(before.joints[0]!.made).toBe(true);
  await expect.poll(async () => (await runOf(page)).joints[0]!.made).toBe(false);
  expect((await runOf(page)).stages.make!.state).toBe('open');
  // Put back, it is made with its corrected turns, and its looks count again.
  await page.keyboard.press('h');
  await made.getByRole('button', { name: 'Put back' }).click();
  await expect.poll(async () => (await runOf(page)).joints[0]).toMatchObject({ made: true, turns24: 30 });
});

test('another chain on a half-made run says what it undoes and asks; going back brings the work back', async ({ page }) => {
  await openRun(page, /^Flat toilet/, 'Match');
  const made = async () => (await runOf(page)).joints.map((j) => j.made);
  const before = await made();
  expect(before).toContain(true);
  await pressUse(page.getByRole('article', { name: 'Chain 2' }));
  await page.getByRole('button', { name: 'They stay in sight' }).click();
  const question = page.getByRole('alertdialog', { name: 'Another chain' });
  await expect(question).toBeInViewport();
  await expect(question).toContainText('It undoes J1');
  await question.getByRole('button', { name: 'Keep the one there is' }).click();
  expect(await made()).toEqual(before);
  await pressUse(page.getByRole('article', { name: 'Chain 2' }));
  await question.getByRole('button', { name: 'Accept the other chain' }).click();
  await expect.poll(made).not.toContain(true);
  await page.getByRole('tab', { name: /Match/ }).click();
  await pressUse(page.getByRole('article', { name: 'Chain 1' }));
  await expect.poll(made).toEqual(before);
});

test('sign-off names what is open and takes a real reason; then it is only read, until reopened', async ({ page }) => {
  await openRun(page, /^Canteen sink, hot/, 'Log');
  const signOff = page.getByRole('button', { name: 'Sign off' });
  await expect(signOff).toBeDisabled();
  const reasons = page.getByLabel(/is not proven|is open/);
  for (const field of await reasons.all()) await field.fill('x');
  await expect(signOff).toBeDisabled();
  for (const field of await reasons.all()) await field.fill('The owner wanted the water on');
  await signOff.click();
  await expect(page.getByRole('heading', { name: 'Signed off' })).toBeVisible();
  await expect.poll(async () => (await runOf(page)).signedOff).not.toBeNull();
  const { stages } = await runOf(page);
  expect(Object.values(stages).every((s) => s.state !== 'open')).toBe(true);
  expect(stages.prove).toEqual({ state: 'skipped', reason: 'The owner wanted the water on' });
  // Only read: a press is refused in words, and nothing is written.
  await page.getByRole('tab', { name: /Look/ }).click();
  await page.getByRole('radio', { name: 'saddle' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Not recorded' })).toContainText('reopened with a reason');
  await expect(page.getByRole('radio', { name: 'saddle' })).not.toBeChecked();
  await page.getByRole('button', { name: 'Understood' }).click();
  await page.getByRole('tab', { name: /Log/ }).click();
  await page.getByText('Reopen it, to put something right').click();
  await page.getByLabel(/^Why it is reopened/).fill('The owner wants another hose');
  await page.getByRole('button', { name: 'Reopen the run' }).click();
  await expect(page.getByText(/Signed off before, and no more/).first()).toBeVisible();
  await expect.poll(async () => (await runOf(page)).signedOff).toBeNull();
});

test('a tissue left in place looks on over every stage, and is read in two presses', async ({ page }) => {
  await page.clock.install({ time: new Date() });
  await openRun(page, /^Canteen sink, hot/, 'Prove');
  // A look that another test left running is ended first.
  const [running, rounds] = [page.getByRole('timer'), page.getByRole('combobox', { name: /Round/ })];
  await running.or(rounds).first().waitFor();
  while ((await running.count()) > 0) {
    await page.getByRole('button', { name: /^Dry/ }).first().click();
    await page.clock.runFor(200);
  }
  await rounds.selectOption('standing');
  await page.getByRole('button', { name: /^Leave a tissue under/ }).click();
  const strip = page.getByRole('list', { name: 'Tissues left in place' });
  await expect(strip.getByRole('listitem').filter({ hasText: 'J1' })).toHaveCount(1);
  const laid = await strip.getByRole('listitem').count();
  await expect(strip.getByRole('listitem').first()).toContainText(/tissue 0:\d\d of \d+:\d\d/);
  // Other work goes on, on other stages and in other rounds.
  await page.getByRole('button', { name: /Begin the look/ }).click();
  await page.getByRole('button', { name: /^Dry/ }).click();
  await page.getByRole('tab', { name: /Match/ }).click();
  await page.clock.fastForward(70 * 60_000);
  await expect(strip.getByRole('listitem').first()).toContainText('long enough');
  for (let left = laid - 1; left >= 0; left--) {
    await strip.getByRole('button', { name: /^Read/ }).first().click();
    await strip.getByRole('button', { name: 'dry' }).click();
    await expect(strip.getByRole('listitem')).toHaveCount(left);
  }
  await page.getByRole('tab', { name: /Prove/ }).click();
  await expect(page.getByRole('row', { name: /^J1/ })).toContainText(/under \d(\.\d)? mL a day at 95 %/);
});

test('a glance does not close a recheck; a reason does', async ({ page }) => {
  await page.goto(address());
  await hydrated(page);
  await page.getByRole('region', { name: 'Rechecks due' }).getByRole('link').first().click();
  await page.waitForURL(/visits/);
  await hydrated(page);
  await page.getByRole('button', { name: /Begin the look/ }).click();
  await page.getByRole('button', { name: /^Dry/ }).click();
  await page.getByRole('tab', { name: /Log/ }).click();
  await expect(page.getByText(/^Recheck due .*: still to do\./)).toBeVisible();
  await page.getByText('Nobody will look again').click();
  await page.getByLabel(/^Why nobody looks again/).fill('The room is locked until spring');
  await page.getByRole('button', { name: 'Close the recheck' }).click();
  await expect(page.getByText(/^Recheck due .*: closed: The room is locked until spring/)).toBeVisible();
  await sent(page);
});

test('a callback is reported from the ledger in three presses, and counts', async ({ page }) => {
  await page.goto(`${address()}/ledger?callbacks=none`);
  await hydrated(page);
  const row = page.getByRole('row').nth(9);
  const name = (await row.getByRole('link').textContent())!.trim();
  await row.getByRole('button', { name: 'It leaks' }).click();
  await row.getByRole('button', { name: 'drip' }).click();
  await row.getByRole('button', { name: 'Report' }).click();
  await page.waitForURL(/\/ledger\/[0-9a-f-]+\/[0-9a-f-]+/);
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: /callback: drip/i })).toBeVisible();
  await expect(page.getByText(/A callback was reported/)).toBeVisible();
  await page.goto(`${address()}/ledger?callbacks=only`);
  await expect(page.getByRole('link', { name }).first()).toBeVisible();
});

test('a leak that is called in is found from the day sheet', async ({ page }) => {
  await page.goto(address());
  await hydrated(page);
  const region = page.getByRole('region', { name: 'A leak is reported' });
  await region.getByLabel(/^Find the connection/).fill('basin');
  await expect(region.getByRole('listitem').first()).toBeVisible();
  await region.getByRole('button', { name: 'It leaks' }).first().click();
  await expect(region.getByRole('group', { name: 'What was found' })).toBeVisible();
});

test('keys: a door after g is nobody else’s, a shut choice’s key records nothing, arrows go along the stages', async ({ page }) => {
  await openRun(page, /^Ice maker/, 'Prove');
  await page
    .getByRole('button', { name: /Nudged|remade/ })
    .first()
    .click();
  await page.keyboard.press('b');
  await expect(page.getByRole('timer')).toBeVisible();
  const looks = async () => {
    await sent(page);
    const { entries } = await (await page.request.get(`${address()}/api/v1${new URL(page.url()).pathname}`)).json();
    return (entries as { kind: string }[]).filter((e) => e.kind === 'look-ended').length;
  };
  const before = await looks();
  // Damp, with all of them picked: it is not said at which.
  await page.keyboard.press('2');
  await page.keyboard.press('w');
  expect(await looks()).toBe(before);
  const visit = new URL(page.url()).pathname + new URL(page.url()).search;
  await page.keyboard.press('g');
  await page.keyboard.press('d');
  await page.waitForURL((url) => url.pathname === '/');
  await page.goto(address() + visit);
  await hydrated(page);
  expect(await looks()).toBe(before);
  await page.getByRole('tab', { name: /Prove/ }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('tab', { name: /Log/ })).toBeFocused();
  await page.keyboard.press('Home');
  await expect(page.getByRole('tab', { name: /Look/ })).toHaveAttribute('aria-selected', 'true');
  // Letters off: none works; on again.
  await page.keyboard.press('?');
  await page.getByLabel('Keys of a single letter work on this device').uncheck();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.keyboard.press('h');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('Alt+2');
  await expect(page.getByRole('tab', { name: /Match/ })).toHaveAttribute('aria-selected', 'true');
});

/** Takes a chain, with what it hangs on answered: none of it is so. */
async function useChain(page: Page, n: number): Promise<void> {
  await pressUse(page.getByRole('article', { name: `Chain ${n}` }));
  const no = page.getByRole('alertdialog').getByRole('button', { name: 'No', exact: true });
  const taken = page.getByRole('tab', { name: /^Shut/, selected: true });
  await no.or(taken).first().waitFor();
  if (await no.isVisible()) await no.click();
  await taken.waitFor();
}

test('two devices choose a chain: both are shown, one is asked for, and the other device is told', async ({ page, browser }) => {
  const device = await browser.newContext({ serviceWorkers: 'block' });
  const other = await device.newPage();
  for (const p of [page, other]) {
    await openRun(p, /^Brewer/, 'Match');
    await p.getByRole('article', { name: 'Chain 2' }).waitFor();
  }
  // The second knows nothing of what the first does until later.
  await other.route(/\/api\/v1\/(changes|kit|stream)/, (route) => route.abort());
  await other.reload();
  await other.getByRole('article', { name: 'Chain 2' }).waitFor();
  await useChain(page, 1);
  await sent(page);
  await useChain(other, 2);
  await sent(other);
  const ask = page.getByRole('alert', { name: 'To be settled' });
  await expect(ask).toContainText('which of the two stands');
  await expect(page.getByRole('status', { name: 'Recorded by another device' })).toContainText('Chain accepted');
  await page.getByRole('button', { name: 'Seen' }).click();
  await expect.poll(async () => (await runOf(page)).conflicts.map((c) => c.what)).toEqual(['chain']);
  await ask.getByRole('listitem').filter({ hasText: 'this device' }).getByRole('button', { name: 'This one stands' }).click();
  await expect(ask).toHaveCount(0);
  await expect.poll(async () => (await runOf(page)).conflicts).toEqual([]);
  // Back in reach, the other sees what changed under it.
  await other.unroute(/\/api\/v1\/(changes|kit|stream)/);
  await other.reload();
  await expect(other.getByRole('status', { name: 'Recorded by another device' })).toBeVisible({ timeout: 20_000 });
  await device.close();
});

test('what the server would not take is kept, seen, saved and put away', async ({ page }) => {
  await openRun(page, /^Drinking tap/, 'Look');
  await page.route('**/api/v1/entries*', async (route) => {
    const { entries } = route.request().postDataJSON() as { entries: { id: string }[] };
    await route.fulfill({ json: { results: entries.map((e) => ({ id: e.id, status: 'refused', rule: 'no', why: 'The run is gone.' })) } });
  });
  await page.getByRole('radio', { name: 'saddle' }).check();
  await expect(page.getByText('Not taken: The run is gone.')).toBeVisible();
  await page.getByRole('link', { name: 'See, mend or send again' }).click();
  await expect(page.getByRole('region', { name: 'Not taken by the server' })).toContainText('Stop: saddle');
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save a copy and put it away' }).click();
  expect(JSON.parse(await (await saved).createReadStream().then(textOf)).entry.kind).toBe('stop-tried');
  await expect(page.getByText(/Not taken:/)).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Put away' })).toContainText('Stop: saddle');
});
