/** Which water goes off for a run's work, and what comes next when a valve does not hold. */
import { expect, test } from '@playwright/test';
import { ownHouse } from './house.ts';
import { openRun } from './page.ts';
import type { Served } from './server.ts';

let house: Served;
test.beforeAll(async () => {
  house = await ownHouse();
});
test.afterAll(() => house.kill());

test('the stop is closed; it passes, and the main is next, with who goes dry; taken back, it is the stop again', async ({ page, context }) => {
  await openRun(page, /^Dishwasher/, 'Shut', house.address);
  const water = page.getByRole('region', { name: 'Which water goes off' });
  await expect(water).toContainText('Close the stop of Dishwasher, hot');
  await expect(water).toContainText('Should it not hold: close the main valve; then call the water company');
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await context.setOffline(true);
  await water.getByRole('button', { name: 'It runs on: this one passes' }).click();
  await expect(water).toContainText('Close the main valve');
  await expect(water).toContainText('Energy off first: the water heater');
  await expect(water).toContainText(/Without water meanwhile: .*Ice maker/);
  await water.getByText('Why').click();
  await expect(water).toContainText('the main valve: gate, never tried.');
  await page.locator('body').press('z');
  await expect(water).toContainText('Close the stop of Dishwasher, hot');
  await context.setOffline(false);
  await expect(page.getByText(/not sent yet/)).toBeHidden({ timeout: 30_000 });
});

test('the water of a house comes as a file, is refused with the place named, and comes out as it went in', async ({ request }) => {
  const { premises } = await (await request.get(`${house.address}/api/v1/premises`)).json();
  const at = `${house.address}/api/v1/premises/${premises[0].id}/water`;
  const send = (things: unknown[]) => request.post(at, { data: { format: 'brass-nut-water', version: 1, premises: 'House', things }, headers: { origin: house.address } }); // biome-ignore format: one call
  const street = { what: 'place', id: 'street', kind: 'source', heightFt: 0 };
  const lost = await send([street, { what: 'pipe', id: 'p', a: 'street', b: 'attic', boreIn: 0.5, lengthFt: 3 }]);
  expect([lost.status(), (await lost.json()).at]).toEqual([422, 'p']);
  const things = [street, { what: 'place', id: 'tap', kind: 'outlet', heightFt: 3 }, { what: 'valve', id: 'main', a: 'street', b: 'tap', kind: 'gate', condition: 'unknown' }]; // biome-ignore format: one list
  expect(await (await send(things)).json()).toEqual({ things: 3 });
  expect((await (await request.get(at)).json()).things).toEqual(things);
  const { water } = await (await request.get(`${house.address}/api/v1/premises/${premises[0].id}`)).json();
  expect(water).toHaveLength(3);
  expect((await (await request.get(`${house.address}/api/v1/water-file.schema.json`)).json()).properties.things).toBeDefined();
  expect((await request.get(at.replace(premises[0].id, '01930000-0000-7000-8000-000000000009'))).status()).toBe(404);
});
