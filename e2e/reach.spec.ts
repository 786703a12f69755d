/** How long a line: drawn to scale, by tape, by drag and by keys; taken to a run and to a question of chains. */
import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { ownHouse } from './house.ts';
import { hydrated, openRun } from './page.ts';
import type { Served } from './server.ts';

let house: Served;
test.beforeAll(async () => {
  house = await ownHouse();
});
test.afterAll(() => house.kill());

test('a line is drawn for a run, its length taken along with how it is to lie, and opened again as it was', async ({ page }) => {
  await openRun(page, /^Flat toilet/, 'Look', house.address);
  await page.getByRole('link', { name: /draw it to scale/ }).click();
  await hydrated(page);
  await expect(page.getByLabel('As is usual for a')).toHaveValue('toilet');
  const best = page.getByRole('radio', { name: /fits best/ });
  await expect(best).toBeChecked();
  // The inlet stands higher than is usual: the tape says so, and another length is best.
  const inlet = page.getByRole('group', { name: 'The inlet' });
  await inlet.getByLabel('Up from the floor').fill('21');
  await expect(page.getByRole('radio', { name: /^16 in fits best/ })).toBeChecked();
  await page.getByRole('link', { name: 'Use 16 in' }).click();
  await page.waitForURL(/\/visits\//);
  await hydrated(page);
  await expect(page.getByText('16 in kept')).toBeVisible();
  const visit = page.url().match(/visits\/([0-9a-f-]{36})/)![1];
  await expect
    .poll(async () => {
      const { entries } = await (await page.request.get(`${house.address}/api/v1/visits/${visit}`)).json();
      return entries.filter((e: { kind: string }) => e.kind === 'distance-measured').at(-1)?.body;
    })
    .toMatchObject({ text: '16 in', inches: 16, laid: { inlet: { up: '21', faces: 'down' }, stop: { out: '3 1/2' } } });
  await page.getByRole('link', { name: /As it was drawn/ }).click();
  await hydrated(page);
  await expect(inlet.getByLabel('Up from the floor')).toHaveValue('21');
  // Another length typed at Look is not the one that was drawn.
  await page.goBack();
  await hydrated(page);
  const reach = page.getByLabel(/^From end to end/);
  await reach.fill('18');
  await reach.press('Enter');
  await expect(page.getByRole('link', { name: /draw it to scale/ })).toBeVisible();
});

test('an end is dragged and moved by arrows; fields, verdicts and both views follow', async ({ page }) => {
  await page.goto(`${house.address}/reach?on=toilet`);
  await hydrated(page);
  const side = page.getByRole('figure', { name: /from the side/ });
  const ring = side.getByRole('button', { name: /^The inlet/ });
  await ring.press('ArrowUp');
  await ring.press('Shift+ArrowRight');
  const inlet = page.getByRole('group', { name: 'The inlet' });
  await expect(inlet.getByLabel('Up from the floor')).toHaveValue('17 1/8');
  await expect(inlet.getByLabel('Out from the wall')).toHaveValue('6');
  const box = (await ring.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 40, box.y + box.height / 2 - 60, { steps: 12 });
  await page.mouse.up();
  await expect(inlet.getByLabel('Up from the floor')).not.toHaveValue('17 1/8');
  await expect(page.getByRole('radio', { name: /^12 in does not reach/ })).toBeVisible();
  // What does not read says so, and the last drawing stays until it does.
  await inlet.getByLabel('Up from the floor').fill('high');
  await expect(page.getByText(/Inlet, up: "high" will not do/)).toBeVisible();
  await inlet.getByLabel('Up from the floor').fill('17');
  await expect(page.getByText(/will not do/)).toBeHidden();
});

test.describe('with the worker that opens pages without a connection', () => {
  test.use({ serviceWorkers: 'allow' });
  test('an appliance that moves is reached pulled out and lies home; the drawing leaves as a file, the length as a question', async ({
    page,
    context,
  }) => {
    await page.goto(`${house.address}/reach?on=refrigerator`);
    await hydrated(page);
    await expect(page.getByRole('radio', { name: /^48 in does not reach Pulled out it is/ })).toBeVisible();
    await page.getByRole('radio', { name: 'pulled out', exact: true }).check();
    await expect(page.getByRole('button', { name: /^The inlet, pulled out: 58 in from the wall/ })).toBeVisible();
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: /Save the drawing/ }).click()]);
    const svg = await readFile((await download.path())!, 'utf8');
    expect(svg.slice(0, 80)).toMatch(/^<svg xmlns="http:\/\/www.w3.org\/2000\/svg" viewBox="0 0 \d+ \d+">/);
    expect(svg.includes('in from the wall')).toBe(true);
    expect(/class=|var\(|<!--/.test(svg)).toBe(false);
    // Without a connection it works as well.
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await context.setOffline(true);
    await page.reload();
    await hydrated(page);
    await page.getByLabel('As is usual for a').selectOption('toilet');
    await expect(page.getByRole('radio', { name: /^12 in fits best/ })).toBeChecked();
    await context.setOffline(false);
    await page.getByRole('link', { name: 'Match with 12 in' }).click();
    await page.waitForURL(/\/match\?length=12/);
    await expect(page.getByLabel(/reach at least/)).toHaveValue('12 in');
  });
});

test('a riser, a tube and a hole are worked out as they are typed, and say what does not read', async ({ page }) => {
  await page.goto(`${house.address}/reach`);
  await hydrated(page);
  await page.getByText(/^A rigid riser/).click();
  await expect(page.getByText(/^Cut at 15 5\/16 in; bend from/)).toBeVisible();
  await page.getByLabel('Sideways between their middles').fill('0');
  await expect(page.getByText(/^Cut at 15 1\/8 in, no bend/)).toBeVisible();
  await page.getByLabel('Sideways between their middles').fill('3');
  await page.getByLabel(/^From the stop.s face/).fill('3');
  await expect(page.getByText(/a flexible line is wanted/)).toBeVisible();
  await page.getByText(/^Tube cut to length/).click();
  // 80 in corner to corner; two square bends of 3 in save 2 x (6 - 3 pi / 2), and 12 in is left over.
  await expect(page.getByText(/^Cut 89 7\/16 in from coil 1/)).toBeVisible();
  await page.getByLabel(/^Legs, corner/).fill('2 36');
  await expect(page.getByText(/a longer leg or a tighter bend/)).toBeVisible();
  await page.getByText('Holes on the way').click();
  await page.getByLabel(/^The probe met/).fill('12');
  await page.getByText(/^Hole of 1.375 in with a hole saw, moved to the next bay/).click();
  await expect(page.getByText(/the hole moves to the middle of the bay, 20 in/)).toBeVisible();
});
