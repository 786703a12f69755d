/** Which water goes off for a run's work, and what comes next when a valve does not hold. */
import { expect, test } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { ownHouse } from './house.ts';
import { hydrated, openRun } from './page.ts';
import type { Served } from './server.ts';

let house: Served;
test.beforeAll(async () => {
  house = await ownHouse();
});
test.afterAll(() => house.kill());

test.describe('with the worker that opens pages without a connection', () => {
  test.use({ serviceWorkers: 'allow' });
  test('the stop is closed; it passes, and the main is next, with who goes dry; taken back, it is the stop again', async ({ page, context }) => {
    await openRun(page, /^Dishwasher/, 'Shut', house.address);
    const water = page.getByRole('region', { name: 'Which water goes off' });
    await expect(water).toContainText('Close Dishwasher, hot: stop');
    await expect(water).toContainText('Nobody else is without water. Should it not hold: close ');
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await context.setOffline(true);
    await water.getByRole('button', { name: 'It runs on: this one passes' }).click();
    await expect(water).toContainText('Close Canteen heater, cold valve');
    await expect(water).toContainText('Energy off: Canteen heater');
    await expect(water).toContainText(/Without water meanwhile: .*Hand basin, hot/);
    await water.getByText('Why').click();
    await expect(water).toContainText('No plan leaves fewer dry.');
    await page.locator('body').press('z');
    await expect(water).toContainText('Close Dishwasher, hot: stop');
    await context.setOffline(false);
    await expect(page.getByText(/not sent yet/)).toBeHidden({ timeout: 30_000 });
    // On the drawing and back: that it stopped is noted at the run's own gate.
    await water.getByRole('link', { name: 'On the drawing' }).click();
    await hydrated(page);
    await page.getByRole('button', { name: 'It stopped' }).click();
    await page.getByRole('link', { name: 'Note it at the gate of the run' }).click();
    await hydrated(page);
    await expect(page.getByRole('heading', { name: 'Shut the water, and prove it' })).toBeVisible();
  });
});

test('the water of a house comes as a file, is refused with the place named, and comes out as it went in', async ({ request }) => {
  const premises = uuidv7();
  const now = new Date().toISOString();
  const made = {
    id: uuidv7(),
    deviceId: uuidv7(),
    seenAt: now,
    sentAt: now,
    recordedAt: null,
    correctsId: null,
    subject: { kind: 'premises', id: premises },
    change: 'made',
    body: { name: 'House', timeZone: 'UTC' },
  };
  await request.post(`${house.address}/api/v1/book`, { data: { entries: [made] }, headers: { origin: house.address } });
  const at = `${house.address}/api/v1/premises/${premises}/water`;
  const send = (things: unknown[]) =>
    request.post(at, { data: { format: 'brass-nut-water', version: 1, premises: 'House', things }, headers: { origin: house.address } });
  const street = { what: 'place', id: 'street', kind: 'source', heightFt: 0 };
  const lost = await send([street, { what: 'pipe', id: 'p', a: 'street', b: 'attic', boreIn: 0.5, lengthFt: 3 }]);
  expect([lost.status(), (await lost.json()).at]).toEqual([422, 'p']);
  const things = [
    street,
    { what: 'place', id: 'tap', kind: 'outlet', heightFt: 3 },
    { what: 'valve', id: 'main', a: 'street', b: 'tap', kind: 'gate', condition: 'unknown' },
  ];
  expect(await (await send(things)).json()).toEqual({ things: 3 });
  expect((await (await request.get(at)).json()).things).toEqual(things);
  const { water } = await (await request.get(`${house.address}/api/v1/premises/${premises}`)).json();
  expect(water).toHaveLength(3);
  expect((await (await request.get(`${house.address}/api/v1/water-file.schema.json`)).json()).properties.things).toBeDefined();
  expect((await request.get(at.replace(premises, '01930000-0000-7000-8000-000000000009'))).status()).toBe(404);
});
