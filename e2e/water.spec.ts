/** The water of a premises: drawn, planned on, struck out, followed pipe by pipe, told to who lives there. */
import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { ownHouse } from './house.ts';
import { hydrated, killedAndOpened, openRun } from './page.ts';
import type { Served } from './server.ts';

let house: Served;
test.beforeAll(async () => {
  house = await ownHouse();
});
test.afterAll(() => house.kill());

async function premisesId(name = 'quillback'): Promise<string> {
  const { premises } = await (await fetch(`${house.address}/api/v1/premises?q=${name}`)).json();
  return premises[0].id;
}
async function openWater(page: Page, run = ''): Promise<void> {
  const id = await premisesId();
  const { runs } = await (await fetch(`${house.address}/api/v1/premises/${id}`)).json();
  const of = runs.find((r: { name: string }) => r.name === run)?.id;
  await page.goto(`${house.address}/water?premises=${id}${of ? `&run=${of}` : ''}`);
  await hydrated(page);
}
const plan = (page: Page) => page.getByRole('region', { name: 'The plan' });

test('a stop is struck out, and the plan goes on at once; what runs on is remembered as passing, and taken back', async ({ page }) => {
  await openWater(page, 'Refrigerator');
  await expect(plan(page)).toContainText('Close one valve');
  await expect(plan(page)).toContainText('Nobody else.');
  await plan(page).getByRole('button', { name: 'Strike out Refrigerator: stop' }).click();
  await expect(plan(page)).toContainText("Director's flat, cold");
  await expect(plan(page)).toContainText(/3 outlets: .*Flat toilet/);
  await expect(page.locator('.schema .struck')).toHaveCount(1);
  await expect(page.getByRole('region', { name: 'The drawing' }).locator('.closed')).toHaveCount(2);
  await plan(page).getByRole('button', { name: 'It holds after all' }).click();
  await expect(plan(page)).toContainText('Close one valve');
  // The proof: it runs on, so the valve is said to pass, here and at the run itself.
  await plan(page).getByRole('button', { name: 'It runs on' }).click();
  await plan(page).getByRole('button', { name: 'Refrigerator: stop passes' }).click();
  await expect(plan(page)).toContainText("Director's flat, cold");
  await expect(page.getByText(/not sent yet/)).toBeHidden({ timeout: 30_000 });
  await openRun(page, /^Refrigerator/, 'Look', house.address);
  await page.getByRole('button', { name: 'It is so' }).click();
  await expect(page.getByRole('group', { name: 'Tried: it', exact: true }).getByRole('radio', { name: 'does not shut fully' })).toBeChecked();
  await page.locator('body').press('z');
  await expect(page.getByRole('button', { name: 'It is so' })).toBeVisible();
});

test.describe('with the worker that opens pages without a connection', () => {
  test.use({ serviceWorkers: 'allow' });
  test('the drawing and the list say the same; rooms open at a press; nothing overflows and nothing offends', async ({ page }) => {
    await openWater(page);
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    const cups = page.locator('.schema .cup');
    const before = await cups.count();
    await page.locator('.schema [data-thing="Old wing cold"]').click();
    await expect.poll(() => cups.count()).toBeGreaterThan(before);
    await page.getByRole('button', { name: 'The whole house' }).click();
    await expect(page.locator('.schema .fold')).toHaveCount(0);
    expect(await cups.count()).toBeGreaterThanOrEqual(63);
    await page.getByRole('button', { name: 'As a list' }).click();
    await page.getByRole('button', { name: /^Lodge heater, cold valve/ }).click();
    await page.getByRole('button', { name: 'The work is here' }).click();
    await expect(plan(page)).toContainText('Energy off: Lodge heater');
    await page.getByRole('group', { name: 'Tried: it', exact: true }).getByRole('radio', { name: 'seized open' }).click();
    await expect(page.getByRole('button', { name: /^Lodge heater, cold valve.*seized open/ })).toBeVisible();
    expect((await new AxeBuilder({ page }).analyze()).violations.map((v) => v.id)).toEqual([]);
    await page.getByRole('button', { name: 'As a list' }).click();
    expect((await new AxeBuilder({ page }).analyze()).violations.map((v) => v.id)).toEqual([]);
    await page.setViewportSize({ width: 390, height: 844 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    // Without a connection it opens, and says the same.
    await page.context().setOffline(true);
    await page.reload();
    await hydrated(page);
    await expect(page.getByText(/63 outlets, \d+ pipes/)).toBeVisible();
  });
});

test('nobody drew it yet: begun at the well, followed pipe by pipe, with a valve met in a pipe; the run is planned on it', async ({ page }) => {
  const [house1, room, appliance, run] = [uuidv7(), uuidv7(), uuidv7(), uuidv7()];
  const at = new Date().toISOString();
  const entry = (kind: string, id: string, body: object) => ({
    id: uuidv7(),
    deviceId: uuidv7(),
    seenAt: at,
    sentAt: at,
    recordedAt: null,
    correctsId: null,
    subject: { kind, id },
    change: 'made',
    body,
  });
  const answer = await page.request.post(`${house.address}/api/v1/book`, {
    data: {
      entries: [
        entry('premises', house1, { name: 'Gate lodge', timeZone: 'UTC' }),
        entry('place', room, { premisesId: house1, name: 'Pantry' }),
        entry('appliance', appliance, { premisesId: house1, placeId: room, kind: 'toilet', name: 'Lodge toilet' }),
        entry('run', run, { applianceId: appliance, water: 'cold', name: 'Lodge toilet' }),
      ],
    },
    headers: { origin: house.address },
  });
  expect((await answer.json()).results.map((r: { status: string }) => r.status)).toEqual(['kept', 'kept', 'kept', 'kept']);
  await page.goto(`${house.address}/premises/${house1}`);
  await page.getByRole('link', { name: 'Water', exact: true }).click();
  await hydrated(page);
  await page.getByRole('button', { name: 'Begin at a well' }).click();
  const next = (what: string) =>
    page.getByRole('group', { name: 'What comes next from here' }).getByRole('radio', { name: what, exact: true }).check();
  await next('a pipe to where it parts');
  await page.getByLabel('Up from here, ft (down: -)').fill('9');
  await page.getByRole('button', { name: 'Draw it' }).click();
  await next('an outlet');
  await page.getByLabel('A run of the book').selectOption({ label: 'Lodge toilet' });
  await page.getByRole('button', { name: 'Draw it' }).click();
  await next('an outlet');
  await page.getByLabel('Name').first().fill('Pantry tap');
  await page.getByRole('group', { name: 'Its own stop' }).getByRole('radio', { name: 'none' }).check();
  await page.getByRole('button', { name: 'Draw it' }).click();
  await expect(page.getByText('2 outlets, 4 pipes, 2 valves, 2 never tried')).toBeVisible();
  await expect(page.getByText('1 thing to look at in the drawing')).toBeVisible();
  // The branch has a valve after all: two presses, and the work at the tap leaves the other its water.
  await page.getByRole('button', { name: 'Done with it' }).click();
  await page
    .locator('.schema g[data-thing]')
    .filter({ has: page.locator('path.pipe') })
    .last()
    .click({ force: true });
  await page.getByRole('group', { name: 'A valve is in it, of kind' }).getByRole('radio', { name: 'gate' }).click();
  await expect(page.getByText(/3 valves, 3 never tried/)).toBeVisible();
  await page.goto(`${house.address}/water?premises=${house1}&run=${run}`);
  await hydrated(page);
  await expect(plan(page)).toContainText('Lodge toilet: stop');
  // What was drawn last is taken back with one press.
  await page.goto(`${house.address}/water?premises=${house1}`);
  await hydrated(page);
  await expect(page.getByText(/3 valves/)).toBeVisible();
});

test('who lives there is told: a page to print, an entry for calendars, the day’s work in the fewest hours without water', async ({
  page,
  request,
}) => {
  await openWater(page, 'Old wing toilet');
  await page.getByRole('button', { name: 'Water-off notice' }).click();
  const notice = page.getByRole('article', { name: 'The notice' });
  await expect(notice).toContainText('Water off');
  await expect(notice).toContainText('The heater is off meanwhile');
  await page.getByLabel('To', { exact: true }).fill('08:00');
  await expect(page.getByText('Say a day, and an end that comes after its beginning.')).toBeVisible();
  await page.getByLabel('From', { exact: true }).fill('06:30');
  await expect(page.getByText(/lies in the quiet hours of the house/)).toBeVisible();
  await page.getByLabel('From', { exact: true }).fill('07:30');
  const href = await page.getByRole('link', { name: 'For calendars (.ics)' }).getAttribute('href');
  const file = await (await request.get(`${house.address}${href}`)).text();
  expect(file).toMatch(/BEGIN:VEVENT[\s\S]*SUMMARY:Water off\\, Quillback Hill Observatory[\s\S]*END:VEVENT/);
  expect(file.replaceAll('\r\n ', '')).toMatch(/DESCRIPTION:No water at: .*Guest 1 toilet.*Old wing toilet/);
  expect(file).not.toContain('slop sink');
  for (const bad of ['from=08:00&to=07:00', 'from=8&to=9', 'from=08:00&to=09:00&work=nothing-there']) {
    const url = `${house.address}/api/v1/premises/${await premisesId()}/water-off.ics?day=2026-12-01&${bad}${bad.includes('work') ? '' : '&work=well'}`;
    const answer = await request.get(url);
    expect([answer.status(), typeof (await answer.json()).detail]).toEqual([answer.status() === 400 ? 400 : 422, 'string']);
  }
  await page.getByRole('button', { name: 'A day’s work joined' }).click();
  await page.getByRole('combobox', { name: /^Day/ }).selectOption({ index: 1 });
  await expect(page.getByRole('heading', { name: /^Water off/ })).toBeVisible({ timeout: 15_000 });
  await expect(page.getByRole('region', { name: 'A day’s work joined' })).toContainText(/Old wing: worn stops/);
});

test.describe('with the worker that opens pages without a connection', () => {
  test.use({ serviceWorkers: 'allow' });
  test('two devices on one drawing, one hung with its clock set back and its tab killed: both keep what was seen and drawn', async ({ browser }) => {
    const near = async () => {
      const page = await (await browser.newContext()).newPage();
      await openWater(page);
      await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
      await page.getByRole('button', { name: 'As a list' }).click();
      return page;
    };
    const [first, second] = [await near(), await near()];
    await first.clock.setFixedTime(new Date(Date.now() - 3 * 24 * 3_600_000));
    await first.context().route('**/api/v1/**', () => {});
    await first.getByRole('button', { name: /^Tank valve/ }).click();
    await first.getByRole('group', { name: 'Tried: it', exact: true }).getByRole('radio', { name: 'seized open' }).click();
    await expect(first.getByRole('button', { name: /^Tank valve.*seized open/ })).toBeVisible();
    await second.getByText(/^Where lines part/).click();
    await second
      .getByRole('button', { name: /^trunk -4 ft, has water/ })
      .first()
      .click();
    await second.getByRole('group', { name: 'What comes next from here' }).getByRole('radio', { name: 'an outlet', exact: true }).check();
    await second.getByLabel('Long, ft').fill('deep');
    await expect(second.getByText('Feet as 12, or 3 m; down as -9.')).toBeVisible();
    await expect(second.getByRole('button', { name: 'Draw it' })).toBeDisabled();
    await second.getByLabel('Long, ft').fill('3 m');
    await second.getByLabel('Name').first().fill('Garden tap');
    await second.getByRole('button', { name: 'Draw it' }).click();
    await expect(second.getByRole('button', { name: /^Garden tap/ }).first()).toBeVisible();
    const again = await killedAndOpened(first);
    await again.getByRole('button', { name: 'As a list' }).click();
    for (const page of [again, second]) {
      await expect(page.getByRole('button', { name: /^Tank valve.*seized open/ })).toBeVisible({ timeout: 20_000 });
      await expect(page.getByRole('button', { name: /^Garden tap/ }).first()).toBeVisible();
    }
    await Promise.all([again, second].map((p) => p.context().close()));
  });
});
