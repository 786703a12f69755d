/** The work card on a phone, on a table and on paper. */
import { type APIRequestContext, expect, test } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { ownHouse } from './house.ts';
import { hydrated, openRun } from './page.ts';
import type { Served } from './server.ts';

let house: Served;
test.beforeAll(async () => {
  house = await ownHouse();
});
test.afterAll(() => house.kill());

const PHONE = { width: 390, height: 844 };

test('on a phone a step at a time: looked along by thumb, done in its turn, for gloves, without a connection', async ({ page, context }) => {
  await page.setViewportSize(PHONE);
  await openRun(page, /^Dishwasher/, 'Shut', house.address);
  const along = page.getByRole('navigation', { name: 'Along the card' });
  const titles = page.getByRole('tabpanel').getByRole('heading', { level: 3 }).filter({ visible: true });
  await expect(page.getByText(/^Step 1 of \d+/)).toBeVisible();
  const first = await titles.last().textContent();
  await along.getByRole('button', { name: /^On/ }).click();
  await expect(page.getByText(/^Step 2 of \d+/)).toBeVisible();
  await expect(page.getByText('not its turn yet')).toBeVisible();
  await expect(page.getByRole('button', { name: /^(Done|Yes)$/ }).filter({ visible: true })).toHaveCount(0);
  await along.getByRole('button', { name: /^Now/ }).click();
  await expect(titles.last()).toHaveText(first!);
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.getByText(/^Step 2 of \d+/)).toBeVisible();
  await expect(page.getByText('not its turn yet')).toHaveCount(0);
  // A wrong press is taken back, and the step is the first again.
  await page.locator('body').press('z');
  await expect(titles.last()).toHaveText(first!);
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await context.setOffline(false);
  await expect(page.getByText(/not sent yet/)).toBeHidden({ timeout: 30_000 });
  for (const key of [along.getByRole('button', { name: /^On/ }), page.getByRole('button', { name: /^(Done|Yes)$/ }).first()]) {
    expect((await key.boundingBox())!.height).toBeGreaterThanOrEqual(56);
  }
});

test('power and water are proved another way, and never gone past; what is wrong has its ways out', async ({ page }) => {
  await openRun(page, /^Dishwasher/, 'Shut', house.address);
  const panel = page.getByRole('tabpanel');
  const gate = (text: RegExp) => panel.locator('li[aria-current=step]').filter({ hasText: text });
  const title = panel.locator('li[aria-current=step] h3');
  for (let i = 0; i < 12 && !/Prove the power dead/.test((await title.textContent())!); i++) {
    const was = (await title.textContent())!;
    await panel.getByRole('button', { name: /^(Done|Yes)$/ }).first().click(); // biome-ignore format: one press
    await expect(title).not.toHaveText(was);
  }
  const power = gate(/Prove the power dead/);
  await expect(power).toBeVisible();
  await expect(power.getByText('Go past it')).toHaveCount(0);
  await power.getByText('Something is wrong').click();
  await power.getByText('It is still live').click();
  await expect(power).toContainText('The label on the breaker is wrong.');
  await power.getByRole('button', { name: 'No', exact: true }).click();
  await expect(power).toContainText('Do not go on');
  await power.getByText('It is proved another way').click();
  await expect(power.getByRole('button', { name: 'Proved so' })).toBeDisabled();
  await power.getByLabel(/^What proves it off/).fill('The fuse is out and lies in my pocket');
  await power.getByRole('button', { name: 'Proved so' }).click();
  await expect(gate(/Close the .* stop/)).toBeVisible();
  await page.locator('body').press('h');
  await expect(page.getByText('proved another way. The fuse is out and lies in my pocket')).toBeVisible();
});

test('the whole card says what to have along, keeps its ticks, and leaves as PDF and as a list of tasks', async ({ page, request }) => {
  await openRun(page, /^Flat toilet/, 'Make', house.address);
  const [visit, run] = [/visits\/([0-9a-f-]{36})/.exec(page.url())![1], new URL(page.url()).searchParams.get('run')];
  await page.goto(`${house.address}/visits/${visit}?show=card&run=${run}`);
  await hydrated(page);
  const along = page.getByRole('region', { name: 'To have along' });
  const all = await along.getByRole('checkbox').count();
  expect(all).toBeGreaterThan(3);
  await expect(along).toContainText(`Not loaded yet: ${all} of ${all}.`);
  await along.getByRole('checkbox').first().check();
  await expect(along).toContainText(`Not loaded yet: ${all - 1} of ${all}.`);
  await page.reload();
  await expect(along.getByRole('checkbox').first()).toBeChecked();
  await expect(page.getByRole('region', { name: /^Card of/ })).toContainText('Must be answered:');
  const files = `${house.address}/api/v1/visits/${visit}/runs/${run}`;
  const pdf = await request.get(`${files}/card.pdf`);
  expect(pdf.headers()['content-type']).toContain('application/pdf');
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  const text = await (await request.get(`${files}/card.md`)).text();
  expect(text).toMatch(/^# Flat toilet/);
  expect(text).toMatch(/- \[x\] \*\*1\. /);
  for (const bad of [`${house.address}/api/v1/visits/${visit}/runs/nothing/card.pdf`, files.replace(run!, uuidv7()).concat('/card.md')]) {
    const answer = await request.get(bad);
    expect([answer.status(), (await answer.json()).at]).toEqual([404, 'run']);
  }
});

/** A visit to take a toilet off, booked through the front door. */
async function toiletComesOff(request: APIRequestContext): Promise<{ visit: string; run: string }> {
  const [premises, place, appliance, run, visit] = [uuidv7(), uuidv7(), uuidv7(), uuidv7(), uuidv7()];
  const now = new Date().toISOString();
  const said = (kind: string, id: string, change: string, body: object) => ({ id: uuidv7(), deviceId: uuidv7(), seenAt: now, sentAt: now, recordedAt: null, correctsId: null, subject: { kind, id }, change, body }); // biome-ignore format: one row
  const entries = [
    said('premises', premises, 'made', { name: 'Bath house', timeZone: 'UTC' }),
    said('place', place, 'made', { premisesId: premises, name: 'Bath' }),
    said('appliance', appliance, 'made', { premisesId: premises, placeId: place, kind: 'toilet', name: 'Old toilet' }),
    said('run', run, 'made', { applianceId: appliance, water: 'cold', name: 'Old toilet' }),
    said('visit', visit, 'made', { premisesId: premises, onDate: now.slice(0, 10), startsAt: '15:00', title: 'Toilet off' }),
    said('visit', visit, 'run-added', { runId: run, work: 'toilet-remove' }),
  ];
  const answer = await request.post(`${house.address}/api/v1/book`, { data: { entries }, headers: { origin: house.address } });
  expect((await answer.json()).results.map((r: { status: string }) => r.status)).toEqual(entries.map(() => 'kept'));
  return { visit, run };
}

test('what joins nothing has its card without a chain, from the stop to the last look', async ({ page, request }) => {
  const { visit } = await toiletComesOff(request);
  await page.goto(`${house.address}/visits/${visit}`);
  await hydrated(page);
  await page.getByRole('tab', { name: /^Look/ }).click();
  await page.getByRole('radio', { name: 'quarter-turn' }).check();
  await page.getByRole('radio', { name: 'works', exact: true }).check();
  await page.getByRole('tab', { name: /^Match/ }).click();
  await expect(page.getByText('Nothing is joined in this work')).toBeVisible();
  await page.getByRole('button', { name: 'On to Shut' }).click();
  const panel = page.getByRole('tabpanel');
  for (const next of ['On to Make', 'On to Prove']) {
    for (let i = 0; i < 20 && (await panel.getByRole('button', { name: next }).count()) === 0; i++) {
      await panel.getByRole('button', { name: /^(Done|Yes)$/ }).first().click(); // biome-ignore format: one press
      await page.waitForTimeout(120);
    }
    await panel.getByRole('button', { name: next }).click();
  }
  await expect(page.getByRole('button', { name: /Begin the look/ })).toBeVisible();
  await expect(page.getByText(/not sent yet/)).toBeHidden({ timeout: 30_000 });
  const { runs } = await (await request.get(`${house.address}/api/v1/visits/${visit}`)).json();
  expect(['look', 'match', 'shut', 'make'].map((stage) => runs[0].stages[stage].state)).toEqual(['done', 'done', 'done', 'done']);
});
