/** The work card on a phone, on a table and on paper. */
import { type APIRequestContext, expect, test } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { ownHouse } from './house.ts';
import { hydrated, openRun, pressUse } from './page.ts';
import type { Served } from './server.ts';

let house: Served;
test.beforeAll(async () => {
  house = await ownHouse();
});
test.afterAll(() => house.kill());

const PHONE = { width: 390, height: 844 };

test.describe('with the worker that opens pages without a connection', () => {
  test.use({ serviceWorkers: 'allow' });
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
});

test('power and water are proved another way, and never gone past; what is wrong has its ways out', async ({ page }) => {
  await openRun(page, /^Dishwasher/, 'Shut', house.address);
  const panel = page.getByRole('tabpanel');
  const gate = (text: RegExp) => panel.locator('li[aria-current=step]').filter({ hasText: text });
  const title = panel.locator('li[aria-current=step] h3');
  for (let i = 0; i < 12 && !/Prove the power dead/.test((await title.textContent())!); i++) {
    const was = (await title.textContent())!;
    await panel
      .getByRole('button', { name: /^(Done|Yes)$/ })
      .first()
      .click();
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
  const history = page.locator('[aria-labelledby=happened-title]');
  await expect(history.getByText('proved another way. The fuse is out and lies in my pocket')).toBeVisible();
});

test('the whole card says what to have along, keeps its ticks, and leaves as PDF and as a list of tasks', async ({ page, request }) => {
  await openRun(page, /^Flat toilet/, 'Make', house.address);
  const [visit, run] = [/visits\/([0-9a-f-]{36})/.exec(page.url())![1], new URL(page.url()).searchParams.get('run')];
  await page.goto(`${house.address}/visits/${visit}?show=card&run=${run}`);
  await hydrated(page);
  const along = page.getByRole('region', { name: 'To have along' });
  await expect(along.getByRole('checkbox').first()).toBeVisible();
  const all = await along.getByRole('checkbox').count();
  expect(all).toBeGreaterThan(3);
  await expect(along).toContainText(`Not loaded yet, ${all} of ${all}: `);
  await along.getByRole('checkbox').first().check();
  await expect(along).toContainText(`Not loaded yet, ${all - 1} of ${all}: `);
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

/** A visit to a toilet, booked through the front door. */
async function toiletVisit(request: APIRequestContext, work: string, title: string): Promise<{ visit: string; run: string }> {
  const [premises, place, appliance, run, visit] = [uuidv7(), uuidv7(), uuidv7(), uuidv7(), uuidv7()];
  const now = new Date().toISOString();
  const said = (kind: string, id: string, change: string, body: object) => ({
    id: uuidv7(),
    deviceId: uuidv7(),
    seenAt: now,
    sentAt: now,
    recordedAt: null,
    correctsId: null,
    subject: { kind, id },
    change,
    body,
  });
  const entries = [
    said('premises', premises, 'made', { name: 'Bath house', timeZone: 'UTC' }),
    said('place', place, 'made', { premisesId: premises, name: 'Bath' }),
    said('appliance', appliance, 'made', { premisesId: premises, placeId: place, kind: 'toilet', name: 'Old toilet' }),
    said('run', run, 'made', { applianceId: appliance, water: 'cold', name: 'Old toilet' }),
    said('visit', visit, 'made', { premisesId: premises, onDate: now.slice(0, 10), startsAt: '15:00', title }),
    said('visit', visit, 'run-added', { runId: run, work }),
  ];
  const answer = await request.post(`${house.address}/api/v1/book`, { data: { entries }, headers: { origin: house.address } });
  expect((await answer.json()).results.map((r: { status: string }) => r.status)).toEqual(entries.map(() => 'kept'));
  return { visit, run };
}

test('what joins nothing has its card without a chain, from the stop to the last look', async ({ page, request }) => {
  const { visit } = await toiletVisit(request, 'toilet-remove', 'Toilet off');
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
      await panel
        .getByRole('button', { name: /^(Done|Yes)$/ })
        .first()
        .click();
      await page.waitForTimeout(120);
    }
    await panel.getByRole('button', { name: next }).click();
  }
  await expect(page.getByRole('button', { name: /Begin the look/ })).toBeVisible();
  await expect(page.getByText(/not sent yet/)).toBeHidden({ timeout: 30_000 });
  const { runs, entries } = await (await request.get(`${house.address}/api/v1/visits/${visit}`)).json();
  expect(entries.filter((e: { kind: string }) => e.kind === 'card-begun')).toHaveLength(1);
  expect(['look', 'match', 'shut', 'make'].map((stage) => runs[0].stages[stage].state)).toEqual(['done', 'done', 'done', 'done']);
});

test('a toilet is measured against its sheet at its step, what is off takes no yes, and the drain is looked at by its own ladder', async ({
  page,
  request,
}) => {
  const { visit, run } = await toiletVisit(request, 'toilet-replace', 'Toilet new');
  const stage = (name: string) => page.goto(`${house.address}/visits/${visit}?run=${run}&stage=${name}`).then(() => hydrated(page));
  const panel = page.getByRole('tabpanel');
  const device = uuidv7();
  const seen = (kind: string, body: object) => ({
    id: uuidv7(),
    visitId: visit,
    runId: run,
    jointId: null,
    checkPointId: null,
    correctsId: null,
    deviceId: device,
    seenAt: new Date().toISOString(),
    sentAt: new Date().toISOString(),
    recordedAt: null,
    kind,
    body,
  });
  const entries = [
    seen('end-seen', { side: 'from', end: 'comp-3/8-m', how: 'seen' }),
    seen('end-seen', { side: 'to', end: 'bc-7/8-m', how: 'seen' }),
    seen('stop-tried', { kind: 'quarter-turn', condition: 'works' }),
    seen('place-seen', { reachable: true }),
  ];
  await request.post(`${house.address}/api/v1/entries`, { data: { entries }, headers: { origin: house.address } });
  await stage('match');
  await pressUse(page.getByRole('article', { name: 'Chain 1' }));
  const stays = page.getByRole('button', { name: 'They stay in sight' });
  await expect(stays.or(page.getByRole('tab', { name: /^Match.*done/ }))).toBeVisible();
  if (await stays.isVisible()) await stays.click();
  await expect(page.getByRole('tab', { name: /^Match.*done/ })).toBeVisible();
  await stage('shut');
  const step = panel.locator('li[aria-current=step]');
  await expect(step.locator('h3')).toContainText('Rough-in');
  await step.getByLabel(/^its sheet: rough-in/).fill('12');
  await step.getByLabel(/^finished wall to the middle/).fill('11 1/2');
  await page.keyboard.press('Tab');
  await expect(step).toContainText('Rough-in: too near the wall for it');
  await expect(step.getByRole('button', { name: 'Yes' })).toBeDisabled();
  await step.getByLabel(/^finished wall to the middle/).fill('no idea');
  await expect(step).toContainText('That is no length');
  await step.getByLabel(/^finished wall to the middle/).fill('12 1/8');
  await page.keyboard.press('Tab');
  await expect(step).toContainText('Rough-in: agrees with its sheet, 1/8 in off');
  await page.reload();
  await hydrated(page);
  await expect(step.getByLabel(/^finished wall to the middle/)).toHaveValue('12 1/8');
  await step.getByRole('button', { name: 'Yes' }).click();
  await expect(step.locator('h3')).not.toHaveText(/Rough-in/);
  const on = panel.getByRole('button', { name: 'On to Make' });
  for (let i = 0; i < 20 && (await on.count()) === 0; i++) {
    await panel
      .getByRole('button', { name: /^(Done|Yes)$/ })
      .first()
      .click();
    await page.waitForTimeout(120);
  }
  await on.click();

  const onward = panel.getByRole('button', { name: 'On to Prove' });
  for (let i = 0; i < 40 && (await onward.count()) === 0; i++) {
    await step
      .getByRole('button', { name: /^(Done|Yes)/ })
      .first()
      .click();
    await page.waitForTimeout(120);
  }
  await onward.click();
  await expect(page.getByRole('img', { name: /^The drain of Old toilet: D1 made/ }).filter({ visible: true })).toBeVisible();
  await page.getByRole('combobox', { name: 'Round' }).selectOption('working');
  await page.getByRole('button', { name: /Begin the look/ }).click();
  const at = page.getByLabel('What you see, at');
  const ofDrain = await at.locator('option', { hasText: /^D1/ }).getAttribute('value');
  await at.selectOption(ofDrain);
  await page.getByRole('button', { name: /^Damp/ }).click();
  const ladder = page.getByRole('region', { name: 'Remedy for D1' });
  await expect(ladder).toContainText('new wax');
  await ladder.getByRole('button', { name: /^Done: new wax/ }).click();
  await expect(ladder).toBeHidden();
  await expect(page.getByText(/not sent yet/)).toBeHidden({ timeout: 30_000 });
  const kept = (await (await request.get(`${house.address}/api/v1/visits/${visit}`)).json()).entries;
  expect(kept.filter((e: { kind: string; checkPointId: string | null }) => e.kind === 'remedied' && e.checkPointId !== null)).toHaveLength(1);
});

test('what to have along for a day is one list over all its visits, ticked once, and what is missing is named', async ({ page }) => {
  await page.goto(house.address);
  await hydrated(page);
  await page.getByRole('link', { name: 'To have along' }).click();
  const list = page.getByRole('region', { name: 'To have along', exact: true });
  await expect(list.getByRole('checkbox').first()).toBeVisible();
  await expect(list).toContainText(/Not loaded yet, \d+ of \d+: /);
  const names = await list.getByRole('listitem').locator('b').allTextContents();
  expect(new Set(names).size).toBe(names.length);
  const tissue = list.getByLabel(/^dry tissue/);
  await tissue.check();
  await page.reload();
  await expect(tissue).toBeChecked();
});
