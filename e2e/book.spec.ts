/** The shop's own day: a call taken, work begun on site, a visit moved, and each of them taken back; with and without a connection. */
import { expect, type Page, test } from '@playwright/test';
import { ownHouse } from './house.ts';
import { hydrated, openRun, tabTo } from './page.ts';
import type { Served } from './server.ts';

let server: Served;
test.beforeAll(async () => {
  server = await ownHouse();
});
test.afterAll(() => server.kill());

/** Types keys and counts them. */
function counting(page: Page): { press: (...keys: string[]) => Promise<void>; type: (text: string) => Promise<void>; count: () => number } {
  let n = 0;
  return {
    press: async (...keys) => {
      for (const key of keys) {
        n++;
        await page.keyboard.press(key);
      }
    },
    type: async (text) => {
      n += text.length;
      await page.keyboard.type(text);
    },
    count: () => n,
  };
}

const tomorrow = () => new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);

test('a new customer and then the same again are booked by keys alone, within the presses that are allowed', async ({ page }) => {
  await page.goto(server.address);
  await hydrated(page);
  const first = counting(page);
  await first.press('c');
  await page.waitForURL(/\/call/);
  await hydrated(page);
  await expect(page.getByRole('combobox', { name: 'Who' })).toBeFocused();
  await page.keyboard.type('Kiln cottage');
  await first.press('Enter');
  await first.type('toilet');
  await first.press('Enter');
  await expect(page.getByRole('region', { name: 'Toilet', exact: true })).toBeVisible();
  await first.press('Enter');
  await first.type('tomorrow 16:30');
  await expect(page.getByRole('button', { name: 'Book it, tomorrow 16:30' })).toBeVisible();
  await first.press('Enter');
  await page.waitForURL(/day=/);
  expect(first.count()).toBeLessThanOrEqual(60);
  await expect(page.getByRole('link', { name: /^Toilet planned/ })).toBeVisible();
  await expect(page.getByText('Kiln cottage').first()).toBeVisible();

  // The telephone rings again: one known appliance, tomorrow at ten.
  await hydrated(page);
  const again = counting(page);
  await again.press('c');
  await page.waitForURL(/\/call/);
  await hydrated(page);
  await again.type('kiln');
  await expect(page.getByRole('option', { name: /Kiln cottage/ }).first()).toBeVisible();
  await again.press('Enter');
  await expect(page.getByLabel('When')).toBeFocused();
  await again.type('tom 10');
  await again.press('Enter');
  await page.waitForURL(/day=/);
  expect(again.count()).toBeLessThanOrEqual(25);
  await expect(page.getByRole('link', { name: /^Toilet planned/ })).toHaveCount(2);

  // A wrong press: the whole call goes with one key, and comes back with another.
  await hydrated(page);
  await page.keyboard.press('z');
  await expect(page.getByRole('link', { name: /^Toilet planned/ })).toHaveCount(1);
  await page.keyboard.press('z');
  await expect(page.getByRole('link', { name: /^Toilet planned/ })).toHaveCount(2);
});

test('ends as they were told are kept as told, and asked again at Look', async ({ page }) => {
  await page.goto(`${server.address}/call`);
  await hydrated(page);
  await page.getByRole('combobox', { name: 'Who' }).fill('Sluice house');
  await page.getByRole('option', { name: /New: Sluice house/ }).click();
  await page.getByRole('combobox', { name: 'What' }).fill('dishw');
  await page.keyboard.press('Enter');
  await page.getByLabel(/Said of its ends/).fill('3/8 comp to garden hose male');
  await expect(page.getByText(/from 3\/8 in OD compression/)).toBeVisible();
  await page.reload();
  // Half typed, the page gone: it is there again.
  await hydrated(page);
  await expect(page.getByLabel(/Said of its ends/)).toHaveValue('3/8 comp to garden hose male');
  await page.getByLabel('When').fill('today 17:00');
  await page.getByRole('button', { name: /^Book it, today/ }).click();
  await page.waitForURL(/day=/);
  await page.getByRole('link', { name: /^Dishwasher planned/ }).click();
  await page.waitForURL(/visits/);
  await hydrated(page);
  const told = page.getByRole('region', { name: 'Told on the telephone' });
  await expect(told.getByRole('listitem')).toHaveCount(2);
  await told.getByRole('button', { name: 'It is so' }).first().click();
  await expect(told.getByRole('listitem')).toHaveCount(1);
});

test.describe('with the worker that opens pages without a connection', () => {
  test.use({ serviceWorkers: 'allow' });
  test('work begins on site in four presses, without a connection, and is with the server once it is back', async ({ page, context }) => {
    await page.goto(server.address);
    await page.waitForFunction(() => navigator.serviceWorker?.controller !== null);
    await hydrated(page);
    await context.setOffline(true);
    await page.getByRole('link', { name: 'Start work here' }).first().click();
    await page.waitForURL(/start/);
    await hydrated(page);
    await page.getByRole('button', { name: 'A new place' }).click();
    await page.getByRole('button', { name: 'Bidet seat' }).click();
    await page.getByRole('region', { name: 'Work' }).getByRole('button').first().click();
    await page.waitForURL(/visits/);
    await hydrated(page);
    await expect(page.getByRole('heading', { name: 'Bidet seat' })).toBeVisible();
    await expect(page.getByRole('combobox', { name: 'Water side: what it comes from' })).toBeVisible();
    await context.setOffline(false);
    const id = /visits\/([0-9a-f-]{36})/.exec(page.url())![1];
    await expect.poll(async () => (await page.request.get(`${server.address}/api/v1/visits/${id}`)).status(), { timeout: 40_000 }).toBe(200);
    const visit = await (await page.request.get(`${server.address}/api/v1/visits/${id}`)).json();
    expect([visit.status, visit.runs[0].work]).toEqual(['under way', 'bidet-seat']);
  });
});

test('a visit is moved in the week by keys, called off with a reason and brought back', async ({ page }) => {
  await page.goto(`${server.address}/week?day=${tomorrow()}`);
  await hydrated(page);
  const bar = page.getByRole('button', { name: /^09:00 Guest rooms/ });
  await tabTo(page, bar);
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^08:30 Guest rooms/ })).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: 'Guest rooms moved' })).toBeVisible();
  await page.goto(`${server.address}/?day=${tomorrow()}`);
  await page.getByRole('link', { name: /^Move Guest rooms/ }).click();
  await hydrated(page);
  await page.getByRole('button', { name: 'Call it off' }).click();
  await page.getByLabel(/Why it is called off/).fill('the lodge is shut that day');
  await page.getByRole('button', { name: 'Call it off' }).click();
  await expect(page.getByText('Cancelled: the lodge is shut that day')).toBeVisible();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByText('Cancelled: the lodge is shut that day')).toHaveCount(0);
});

test('a room, an appliance and a follow-up are written down, changed, and the contact is erased for good', async ({ page }) => {
  await page.goto(`${server.address}/premises`);
  await page.getByRole('link', { name: /Quillback.*summit road/ }).click();
  await page.waitForURL(/premises\/[0-9a-f]/);
  await hydrated(page);
  await page.getByLabel('Another room').fill('Dome pantry');
  await page.getByRole('button', { name: 'Write it down' }).first().click();
  await expect(page.getByLabel('Name of the room Dome pantry')).toBeVisible();
  await page.getByLabel('Something to be done').fill('Stop in the pantry weeps: renew it');
  await page.getByRole('button', { name: 'Write it down' }).last().click();
  const open = page.getByRole('region', { name: 'To follow up' });
  await open.getByRole('button', { name: 'Done' }).click();
  await open.getByLabel(/What was done/).fill('new quarter-turn stop fitted');
  await open.getByRole('button', { name: 'It is done' }).click();
  await expect(open.getByText('Nothing is open.')).toBeVisible();
  await page.getByRole('button', { name: 'Erase contact' }).click();
  await page.getByRole('button', { name: 'Erase it for good' }).click();
  await expect(page.getByRole('button', { name: 'Erase contact' })).toHaveCount(0);
  await expect.poll(async () => (await (await page.request.get(`${server.address}/api/v1/book.jsonl`)).text()).includes('555 0142')).toBe(false);
  await page.getByText('What was said of it, and by which device').click();
  await expect(page.getByText('contact erased, here and in what was recorded of it')).toBeVisible();
});

test('something seen at a run is written down to be followed up, stands on the day it is due, and is closed with what was done', async ({ page }) => {
  await openRun(page, /^Flat toilet/, null, server.address);
  await page.getByRole('button', { name: 'To follow up' }).click();
  const form = page.getByRole('region', { name: 'To follow up' });
  await form.getByLabel('What is still to be done').fill('The flapper hisses: bring a new one');
  await form.getByLabel('By, if a day is known').fill(new Date().toISOString().slice(0, 10));
  await page.keyboard.press('Enter');
  await expect(form).toBeHidden();
  await page.goto(server.address);
  await hydrated(page);
  const due = page.getByRole('region', { name: 'To follow up' });
  await expect(due).toContainText('The flapper hisses');
  await due.getByRole('button', { name: 'Done' }).click();
  await due.getByLabel(/What was done/).fill('new flapper, no hiss');
  await due.getByRole('button', { name: 'It is done' }).click();
  await expect(due).toBeHidden();
});

test('rechecks that are due are booked as a visit in one press, and opened where they were signed off', async ({ page }) => {
  await page.goto(server.address);
  await hydrated(page);
  const due = page.getByRole('region', { name: 'Rechecks due' });
  await due.getByRole('button', { name: /^Book .* as a visit$/ }).click();
  await expect(due.getByText(/^booked for/).first()).toBeVisible();
  await expect(due.getByRole('button', { name: /^Book/ })).toBeHidden();
  const visits = page.getByRole('region', { name: 'Visits' });
  await expect(visits.getByRole('heading', { name: 'Recheck' })).toBeVisible();
  const again = visits.getByRole('link', { name: /to be looked at again/ }).first();
  await expect(again).toHaveAttribute('href', /stage=prove/);
  await page.keyboard.press('z');
  await expect(visits.getByRole('heading', { name: 'Recheck' })).toBeHidden();
  await expect(due.getByRole('button', { name: /^Book .* as a visit$/ })).toBeVisible();
});

test('Look opens with what was found last time, and one press says that all of it is still so', async ({ page }) => {
  await openRun(page, /^Glass rinser/, null, server.address);
  const last = page.getByRole('region', { name: 'Last time' });
  await expect(last.getByText(/^Seen on/)).toBeVisible();
  await last.getByRole('button', { name: 'All of it is still so' }).click();
  await expect(last).toBeHidden();
  await expect(page.getByText('Both ends and the stop are known: choose a chain.')).toBeVisible();
});

test('another end noted after the chain was accepted says which joint no longer holds, which stay, and matches again', async ({ page }) => {
  await openRun(page, /^Flat toilet/, null, server.address);
  await page.getByRole('tab', { name: /Look/ }).click();
  const picker = page.getByRole('combobox', { name: 'Water side: what it comes from' });
  await picker.fill('npt-1/2-m');
  await picker.press('Enter');
  const said = page.getByRole('alert', { name: 'Another end' });
  await expect(said).toContainText('J1 no longer holds');
  await expect(said).toContainText('good, with turns and looks');
  await said.getByRole('button', { name: 'Match again' }).click();
  await expect(page.getByRole('tab', { name: /Match/ })).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByRole('article').first()).toBeVisible();
});
