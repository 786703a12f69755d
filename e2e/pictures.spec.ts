/** Pictures, notes and a signature on a visit: kept at once, sent in pieces, in the report, and at Look the next time. */
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import sharp from 'sharp';
import { blackPng, bombProfile } from '../store/images/hostile-pictures.ts';
import { ownHouse } from './house.ts';
import { hydrated, openRun } from './page.ts';
import type { Served } from './server.ts';

let house: Served;
test.beforeAll(async () => {
  house = await ownHouse();
});
test.afterAll(() => house.kill());

const WHERE = 'HILLTOP 47.1 N';
const photo = async (size = 400) =>
  sharp({ create: { width: size, height: size * 0.75, channels: 3, background: '#a06030', noise: { type: 'gaussian', mean: 128, sigma: 40 } } })
    .jpeg({ quality: 95 })
    .withExif({ IFD0: { Copyright: WHERE } })
    .toBuffer();
const file = (name: string, buffer: Buffer, mimeType = 'image/jpeg') => ({ name, mimeType, buffer });
const beside = (page: Page) => page.getByRole('region', { name: 'Pictures, notes, signature' });
const visitOf = (page: Page) => page.url().match(/visits\/([0-9a-f-]{36})/)![1]!;

test('a picture, a note and a name on glass stand on the visit and in its report', async ({ page }) => {
  await openRun(page, /Ice maker/, 'Look', house.address);
  await page.getByRole('button', { name: 'Pictures, notes, signature' }).first().click();
  const sheet = beside(page);
  await sheet.getByLabel('A note, or what the next picture shows').fill('The old saddle valve');
  await sheet.getByLabel('Add pictures').setInputFiles(file('valve.jpg', await photo()));
  const img = sheet.getByRole('img', { name: 'The old saddle valve' });
  await expect(img).toBeVisible();
  await expect.poll(() => img.evaluate((i: HTMLImageElement) => i.naturalWidth)).toBeGreaterThan(100);
  await sheet.getByLabel('A note, or what the next picture shows').fill('Showed how the stop is shut');
  await sheet.getByRole('button', { name: 'Keep as a note' }).click();
  await expect(sheet.getByText('Showed how the stop is shut')).toBeVisible();

  await sheet.getByRole('button', { name: 'Sign on glass' }).click();
  const glass = page.getByRole('dialog', { name: 'Sign on glass' });
  await expect(glass.getByRole('button', { name: 'Keep it' })).toBeDisabled();
  await glass.getByLabel('Name of the one who signs').fill('M. Alder');
  const field = (await glass.getByRole('img', { name: 'Field to sign in' }).boundingBox())!;
  await page.mouse.move(field.x + 40, field.y + 100);
  await page.mouse.down();
  for (let i = 0; i < 8; i++) await page.mouse.move(field.x + 60 + i * 30, field.y + 60 + (i % 2) * 70);
  await page.mouse.up();
  await glass.getByRole('button', { name: 'Keep it' }).click();
  await expect(sheet.getByText('Signed by M. Alder')).toBeVisible();

  // A wrong press is taken back with one key, and put back.
  await sheet.getByRole('button', { name: 'Take back' }).first().click();
  await expect(img).toBeHidden();
  await page.locator('body').press('z');
  await expect(img).toBeVisible();

  await expect(page.getByText('on the way')).toBeHidden();
  await page.goto(`${house.address}/visits/${visitOf(page)}?show=report`);
  await expect(page.getByRole('img', { name: 'The old saddle valve' })).toBeVisible();
  await expect(page.getByText('The work was shown to M. Alder')).toBeVisible();
  await expect(page.getByText('Showed how the stop is shut')).toBeVisible();
  const link = page.getByRole('link', { name: 'The old saddle valve' });
  // Until it is with the server the link leads to what this device keeps.
  await expect(async () => {
    await page.reload();
    expect(await link.getAttribute('href')).toMatch(/^\/api/);
  }).toPass();
  const whole = await page.request.get(`${house.address}${await link.getAttribute('href')}`);
  expect(whole.headers()['content-type']).toBe('image/jpeg');
  expect((await whole.body()).includes(WHERE)).toBe(false);
});

test('without a connection it is kept and shown; what broke on the way is gone on with; what is no picture is said', async ({ page, context }) => {
  await openRun(page, /Dishwasher/, 'Look', house.address);
  await page.getByRole('button', { name: 'Pictures, notes, signature' }).first().click();
  const sheet = beside(page);
  await sheet.getByLabel('Add pictures').setInputFiles(file('notes.txt', Buffer.from('no picture'), 'text/plain'));
  await expect(sheet.getByRole('alert')).toContainText('notes.txt: This browser cannot read that picture');
  await context.setOffline(true);
  await sheet.getByLabel('Add pictures').setInputFiles([file('one.jpg', await photo(2400)), file('two.jpg', await photo(300))]);
  await expect(sheet.getByRole('img', { name: 'Picture of Dishwasher' })).toHaveCount(2);
  await expect(page.getByText(/2 pictures are kept here and on the way, sent when the connection is back/)).toBeVisible();
  // The line breaks once while they are sent.
  let pieces = 0;
  await context.route('**/api/v1/pictures/**', (route) => {
    if (route.request().method() === 'POST' && ++pieces === 3) return route.abort();
    return route.continue();
  });
  await context.setOffline(false);
  await expect(page.getByText(/kept here and on the way/)).toBeHidden({ timeout: 30_000 });
  expect(pieces).toBeGreaterThan(4);
  const other = await context.browser()!.newPage();
  await other.goto(`${house.address}/visits/${visitOf(page)}?show=report`);
  const pictures = other.getByRole('img', { name: /Dishwasher/ });
  await expect(pictures).toHaveCount(2);
  for (const one of await pictures.all()) await expect.poll(() => one.evaluate((i: HTMLImageElement) => i.naturalWidth)).toBeGreaterThan(100);
  await other.close();
});

test('what passes for a picture and is a trap is refused in words, on the device and by the server', async ({ page }) => {
  await openRun(page, /Dishwasher/, 'Look', house.address);
  await page.getByRole('button', { name: 'Pictures, notes, signature' }).first().click();
  const sheet = beside(page);
  const huge = blackPng({ width: 30_000, height: 30_000, bits: 1 });
  const cut = (await photo(600)).subarray(0, 9000);
  await sheet
    .getByLabel('Add pictures')
    .setInputFiles([file('trap.jpg', Buffer.from('<script>alert(1)</script>')), file('huge.png', huge, 'image/png'), file('cut.jpg', cut)]);
  await expect(sheet.getByRole('alert')).toContainText('trap.jpg: ');
  await expect(sheet.getByRole('alert')).toContainText('huge.png: That picture is 30000 by 30000 pixels');
  await expect(sheet.getByRole('alert')).toContainText('cut.jpg: ');
  await expect(sheet.getByRole('img', { name: 'Picture of Dishwasher' })).toHaveCount(2);
  // Sent past the device's own reading.
  const most = () => Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${house.pid}/status`, 'utf8'))![1]) / 1000;
  const before = most();
  for (const bytes of [huge, cut, blackPng({ width: 40, height: 30, more: [bombProfile()] }), Buffer.from('<script>alert(1)</script>')]) {
    const at = `${house.address}/api/v1/pictures/${createHash('sha256').update(bytes).digest('hex')}`;
    const said = await page.request.post(`${at}?at=0&size=${bytes.length}`, { data: bytes, headers: { origin: house.address } });
    expect(said.status()).toBe(422);
    expect((await said.json()).title).toBe('The picture was not taken');
    expect((await page.request.get(at)).status()).toBe(404);
  }
  expect(most() - before).toBeLessThan(300);
});

test('at Look the next time stand the pictures of the last, and where the main valve is', async ({ page, request }) => {
  const today = new Date().toISOString().slice(0, 10);
  const { visits } = await (await request.get(`${house.address}/api/v1/visits?from=${today}&to=${today}`)).json();
  const visit = visits.find((v: { runs: { name: string }[] }) => v.runs.some((r) => r.name === 'Ice maker'));
  const run = visit.runs.find((r: { name: string }) => r.name === 'Ice maker');
  await page.goto(`${house.address}/premises/${visit.premises.id}`);
  await hydrated(page);
  await page.getByLabel('Where the main valve is').fill('pit by the gate, key on the hook');
  await page.keyboard.press('Tab');
  await expect.poll(async () => (await request.get(`${house.address}/api/v1/premises/${visit.premises.id}`)).text()).toContain('pit by the gate');
  const id = '01930000-0000-7000-8000-00000000a001';
  const say = (n: number, change: string, body: object) => ({
    id: `01930000-0000-7000-8000-00000000b00${n}`,
    deviceId: '01930000-0000-7000-8000-00000000c001',
    seenAt: new Date().toISOString(),
    sentAt: new Date().toISOString(),
    recordedAt: null,
    correctsId: null,
    subject: { kind: 'visit', id },
    change,
    body,
  });
  const tomorrow = new Date(Date.now() + 3 * 86_400_000).toISOString().slice(0, 10);
  const entries = [
    say(1, 'made', { premisesId: visit.premises.id, onDate: tomorrow, startsAt: '08:00', title: 'Ice maker again' }),
    say(2, 'run-added', { runId: run.id, work: run.work }),
  ];
  expect(
    (await (await request.post(`${house.address}/api/v1/book`, { data: { entries } })).json()).results.map((r: { status: string }) => r.status),
  ).toEqual(['kept', 'kept']);
  await page.goto(`${house.address}/visits/${id}?run=${run.id}&stage=look`);
  const last = page.getByRole('region', { name: 'Last time' });
  await expect(last.getByRole('img', { name: 'The old saddle valve' })).toBeVisible();
  await expect(page.getByText('pit by the gate, key on the hook')).toBeVisible();
});
