/** The match bench, the gauge, house rules and own parts, as their users go through them. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { address } from './house.ts';
import { hydrated, openRun, pressUse, tabTo } from './page.ts';

test('a thread is found by keys alone, and the next measurement is named', async ({ page }) => {
  await page.goto(address());
  await page.keyboard.press('g');
  await page.keyboard.press('t');
  await page.waitForURL(/gauge/);
  await hydrated(page);
  await tabTo(page, page.getByLabel('Diameter at the crests, in'));
  await page.keyboard.type('0.82');
  await tabTo(page, page.getByLabel('Threads per inch'));
  await page.keyboard.type('14');
  await expect(page.getByRole('heading', { name: 'One of 3: the readings cannot tell them apart' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Measure next: the seat' })).toBeVisible();
  await page.getByLabel('Diameter at the crests, in').fill('40');
  await expect(page.getByText(/diameter: 40 will not do/)).toBeVisible();
});

for (const ratio of [1, 2]) {
  test(`life size is life size on a screen set against a card, at ${ratio} device pixels to the pixel`, async ({ browser }) => {
    const page = await browser.newPage({ deviceScaleFactor: ratio });
    await page.goto(`${address()}/gauge`);
    await hydrated(page);
    await page.getByLabel('Size of the frame').fill(String(120 * ratio));
    await page.getByLabel('Diameter at the crests, in').fill('0.56');
    const frame = Number(await page.locator('[data-frame=card] rect').getAttribute('width'));
    expect(frame).toBeCloseTo((85.6 / 25.4) * 120, 1);
    const outline = page.getByRole('region', { name: 'Life size' }).locator('svg[data-code="comp-3/8-m"]');
    const heights = await outline.evaluate(
      (svg) =>
        Math.max(...[...svg.querySelectorAll('polygon')].flatMap((p) => [...p.points].map((q) => q.y))) -
        Math.min(...[...svg.querySelectorAll('polygon')].flatMap((p) => [...p.points].map((q) => q.y))),
    );
    // Over the body behind the thread: 0.5625 in of thread and 0.045 in of wall on either side.
    expect(heights / 120).toBeCloseTo(0.5625 + 0.09, 2);
    await page.reload();
    await hydrated(page);
    await expect(page.getByText('Hold the fitting against its outline.')).toBeVisible();
    await page.close();
  });
}

test('the bench re-ranks when a rule is tried out, says what changed, and its link opens it again', async ({ page }) => {
  await page.goto(`${address()}/match?from=cu-5/8od&to=ptc-1/4od&length=60&stop=yes`);
  await page.getByRole('article', { name: 'Chain 1' }).waitFor();
  await hydrated(page);
  await page.getByText('House rules, tried out').click();
  const before = (await page.getByRole('article', { name: 'Chain 1' }).textContent())!;
  await page.getByRole('combobox', { name: 'Push-to-connect' }).selectOption('never');
  await expect(page.getByRole('status')).toContainText(/Was best|stays the same/);
  await expect(page).toHaveURL(/push=never/);
  await expect(page.getByRole('article', { name: 'Chain 1' })).not.toHaveText(before);
  const after = await page.getByRole('article', { name: 'Chain 1' }).textContent();
  await page.reload();
  await expect(page.getByRole('article', { name: 'Chain 1' })).toHaveText(after!);
});

test('an end is typed over another, and the two are swapped, by keys alone', async ({ page }) => {
  await page.goto(`${address()}/match?from=comp-3/8-m&to=ght-3/4-m`);
  await hydrated(page);
  const from = page.getByRole('combobox', { name: 'From, water side' });
  await tabTo(page, from);
  await page.keyboard.press('Control+a');
  await page.keyboard.type('1/2 mip');
  await expect(from).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(from).toHaveValue('1/2 in nominal taper pipe, male');
  await expect(page).toHaveURL(/from=npt-1%2F2-m/);
  await tabTo(page, page.getByRole('button', { name: 'Swap the two ends' }));
  await page.keyboard.press('Enter');
  await expect(from).toHaveValue('3/4 in hose thread, male');
  await expect(page.getByRole('combobox', { name: 'To, appliance side' })).toHaveValue('1/2 in nominal taper pipe, male');
});

test('a tee takes the old line back, and after reverse osmosis nothing is of copper or brass', async ({ page }) => {
  await page.goto(`${address()}/match?from=comp-3/8-m&to=comp-1/4-m&length=55&rejoin=comp-3/8-f`);
  const best = page.getByRole('article', { name: 'Chain 1' });
  await expect(best).toContainText('add-on tee');
  await expect(best.getByRole('img')).toContainText('old line');
  await best.getByText('Joints, parts and cost').click();
  await expect(best.getByRole('row')).toHaveCount(Number((await best.textContent())!.match(/(\d)joints/)![1]) + 1);
  await page.goto(`${address()}/match?from=pe-1/4od&to=ptc-1/4od&afterRo=yes&psi=95`);
  await expect(best).toBeVisible();
  await expect(best).not.toContainText(/copper|brass/);
  await hydrated(page);
  await page.getByRole('textbox', { name: 'psi' }).fill('none');
  await expect(page.getByText('Give a pressure of 1 psi to 1000 psi, or nothing.')).toBeVisible();
});

test('why not this part: the first reason; and a chain goes to a run', async ({ page }) => {
  await page.goto(`${address()}/match?from=comp-3/8-m&to=ght-3/4-m&length=52&arrestor=yes`);
  await page.getByRole('article', { name: 'Chain 1' }).waitFor();
  await page.getByText('Why not this part or that?').click();
  await page.getByLabel(/Part, by words of its name/).fill('adapter 1/2 fip 3/4 hose');
  await page
    .getByRole('button', { name: /1\/2 FIP x 3\/4 hose thread/ })
    .first()
    .click();
  await expect(page.getByText(/^J1, 3\/8 in OD compression, male with 1\/2 in nominal taper pipe, female/)).toBeVisible();
  await page.getByRole('article', { name: 'Chain 1' }).getByRole('button', { name: 'Take' }).click();
  const taken = page.getByRole('region', { name: 'The chain taken' });
  await expect(taken).toBeFocused();
  await expect(taken).toBeInViewport();
  const price = (await page.getByRole('article', { name: 'Chain 1' }).textContent())!.match(/\$[\d.]+/)![0];
  await expect(taken).toContainText(`Together ${price}`);
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save as CSV' }).click()]);
  expect(readFileSync(await file.path(), 'utf8')).toMatch(/^count,item,name,price_each,to_buy\r\n1,.*\r\n$/s);
  await page.getByLabel('Run of today or tomorrow').selectOption({ label: 'Yard hydrant, Old wing: worn stops, tomorrow' });
  await page.getByRole('button', { name: 'Take it there' }).click();
  await page.waitForURL(/visits/);
  await expect(page.getByRole('img', { name: /The line of Yard hydrant/ })).toBeVisible();
  await page.getByRole('tab', { name: /Look/ }).click();
  await expect(page.getByLabel('needs a hammer arrestor')).toBeChecked();
});

test('an impossible pair names the missing part', async ({ page }) => {
  await page.goto(`${address()}/match?from=pb-5/8od&to=ght-3/4-m`);
  await expect(page.getByText(/Grey polybutylene takes only fittings listed for it/)).toBeVisible();
});

test('a house rule is kept with its reason, a second window follows, and it is taken back with one press', async ({ page, context }) => {
  const other = await context.newPage();
  for (const p of [page, other]) {
    await p.goto(`${address()}/rules`);
    await hydrated(p);
  }
  await page.getByRole('radio', { name: /Thread paste/ }).check();
  await expect(page.getByRole('button', { name: 'Keep', exact: true })).toBeDisabled();
  await page.getByLabel('Why the house does it so').fill('worn threads in the old wing');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  for (const p of [page, other]) {
    await expect(p.getByRole('heading', { name: /^Changed/ })).toBeVisible();
    await expect(p.getByText('"worn threads in the old wing"')).toBeVisible();
    await expect(p.getByRole('radio', { name: /Thread paste/ })).toBeChecked();
  }
  await page.keyboard.press('z');
  await expect(page.getByRole('radio', { name: /PTFE tape/ })).toBeChecked();
  await expect.poll(async () => (await (await page.request.get(`${address()}/api/v1/rules`)).json()).rules.threadSealant).toBe('tape');
});

test('a file of parts is refused by line and column, and taken in when it is right', async ({ page }) => {
  await page.goto(`${address()}/parts`);
  await hydrated(page);
  const header =
    'id,name,kind,ends,flexible,cut_to_length,length_in,max_length_in,waters,max_psi,max_f,potable,price_cents,cents_per_ft,minutes,material,wetted,bore_in,lead_free,tags,van';
  const good =
    'own-1,own adapter,adapter,a=comp-3/8-f@either b=comp-1/4-m@either,no,no,1.4,,cold hot,200,180,yes,480,,2,brass,brass rubber,0.19,yes,shiny,0';
  const file = (text: string) => ({ name: 'parts.csv', mimeType: 'text/csv', buffer: Buffer.from(`${text}\r\n`) });
  await page.getByLabel('Take in a file (CSV)').setInputFiles(file([header, good.replace('comp-3/8-f', 'comp-3/7-f')].join('\r\n')));
  await expect(page.getByText('Line 2, ends:')).toBeVisible();
  await page.getByLabel('Take in a file (CSV)').setInputFiles(file([header, good].join('\r\n')));
  await expect(page.getByText(/Taken in: 1 parts/)).toBeVisible();
  await page.getByLabel('Search by name, kind, end or material').fill('own adapter');
  await expect(page.getByRole('row', { name: /own adapter/ })).toBeVisible();
  const back = await (await page.request.get(`${address()}/api/v1/parts/own.csv`)).text();
  expect(back).toBe(`${header}\r\n${good}\r\n`);
});

test('20,000 parts come with a progress bar, and can be called off', async ({ page }) => {
  await page.goto(`${address()}/parts`);
  await hydrated(page);
  const header =
    'id,name,kind,ends,flexible,cut_to_length,length_in,max_length_in,waters,max_psi,max_f,potable,price_cents,cents_per_ft,minutes,material,tags,van';
  const rows = Array.from(
    { length: 20_000 },
    (_, i) => `big-${i},part ${i},adapter,a=comp-3/8-f@either b=comp-1/4-m@either,no,no,1.4,,cold,200,180,yes,480,,2,brass,,0`,
  );
  const before = await (await page.request.get(`${address()}/api/v1/parts/own.csv`)).text();
  await page
    .getByLabel('Take in a file (CSV)')
    .setInputFiles({ name: 'big.csv', mimeType: 'text/csv', buffer: Buffer.from([header, ...rows, ''].join('\r\n')) });
  await expect(page.getByRole('progressbar')).toBeVisible();
  await page.getByRole('button', { name: 'Call it off' }).click();
  await expect(page.getByText('Called off. Nothing was imported.')).toBeVisible();
  expect(await (await page.request.get(`${address()}/api/v1/parts/own.csv`)).text()).toBe(before);
});

test('the API answers, refuses politely, and describes itself', async ({ request }) => {
  const ask = (path: string, data: unknown) => request.post(`${address()}/api/v1/${path}`, { data: data as object });
  expect((await (await ask('mate', { a: 'comp-3/8-m', b: 'comp-3/8-f' })).json()).verdict).toBe('seals');
  expect((await (await ask('identify', { gender: 'm', diameterIn: 0.56, threadsPerIn: 24 })).json()).answer).toEqual(['comp-3/8']);
  const { chains } = await (await ask('match', { from: 'comp-3/8-m', to: 'comp-1/4-m', need: { water: 'cold', minLengthIn: 55 } })).json();
  const query = { from: 'comp-3/8-m', to: 'comp-1/4-m', need: { water: 'cold', minLengthIn: 55 } };
  expect((await (await ask('why-not', { ...query, parts: chains[0].parts })).json()).because).toEqual([]);
  expect((await (await request.get(`${address()}/api/v1/ends?q=1/2 fip`)).json()).ends[0].end).toBe('npsm-1/2-f');
  for (const [path, body, status] of [
    ['mate', { a: 'comp-3/7-m', b: 'comp-3/8-f' }, 422],
    ['identify', { gender: 'm', diameterIn: -1 }, 422],
    ['identify', { gender: 'm', threadsPerIn: 300 }, 422],
    ['match', { from: 'comp-3/8-m' }, 422],
    ['why-not', { ...query, parts: 'all' }, 422],
  ] as const) {
    const response = await ask(path, body);
    expect(response.status()).toBe(status);
    expect(response.headers()['content-type']).toContain('application/problem+json');
    expect((await response.json()).detail.length).toBeGreaterThan(10);
  }
  const api = await (await request.get(`${address()}/api/v1/openapi.json`)).json();
  expect(api.openapi).toBe('3.1.0');
  expect(Object.keys(api.paths)).toEqual(
    expect.arrayContaining(['/api/v1/mate', '/api/v1/identify', '/api/v1/match', '/api/v1/why-not', '/api/v1/ends', '/api/v1/parts']),
  );
});

test('a dual stop chosen for one run is where the next one begins', async ({ page }) => {
  const tomorrow = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);
  const choose = async (label: string, code: string) => {
    const picker = page.getByRole('combobox', { name: label });
    await picker.fill(code);
    await picker.press('Enter');
  };
  await page.goto(`${address()}/?day=${tomorrow}`);
  await page
    .getByRole('link', { name: /^Old wing toilet/ })
    .first()
    .click();
  await page.waitForURL(/\/visits\//);
  await hydrated(page);
  await choose('Water side: what it comes from', 'npt-1/2-m');
  await choose('Inlet of the toilet', 'bc-7/8-m');
  await page.getByText('no stop here').click();
  await page.getByLabel('needs its own stop').check();
  await page.getByLabel('leaves an outlet for another run').check();
  await page.getByRole('button', { name: 'On to Match' }).click();
  const best = page.getByRole('article', { name: 'Chain 1' });
  await best.getByText('Joints, parts and cost').click();
  await expect(best).toContainText('stays free behind its own valve');
  await expect(best).toContainText('cap it until a line is on it');
  await pressUse(best);

  const runs = page.getByRole('navigation', { name: 'Runs' });
  await runs.getByRole('button', { name: /Old wing basin, cold/ }).click();
  await page.getByRole('button', { name: 'Begin here' }).first().click();
  await expect(page.getByText('this run begins here')).toBeVisible();
  await expect(page.getByRole('combobox', { name: 'Water side: what it comes from' })).toHaveValue(/^(1\/4|3\/8) in OD compression, male$/);
  await page.reload();
  await expect(page.getByText('this run begins here')).toBeVisible();
  // Hot water does not come from a cold stop.
  await runs.getByRole('button', { name: /Old wing basin, hot/ }).click();
  await expect(page.getByText('Outlets left free')).toHaveCount(0);
});

test('on a phone the answer stands at the foot of the question, and millimetres are read', async ({ browser }) => {
  const page = await browser.newPage({ viewport: { width: 390, height: 700 } });
  await page.goto(`${address()}/gauge`);
  await hydrated(page);
  await page.getByLabel('Diameter at the crests, in').fill('14.3 mm');
  await expect(page.getByText('0.563 in', { exact: true })).toBeVisible();
  await page.getByLabel('Threads per inch').fill('1.06 mm');
  const bar = page.getByRole('link', { name: /3\/8 in OD compression, male/ });
  await expect(bar).toBeInViewport();
  await bar.click();
  await expect(page.getByRole('heading', { name: /3\/8 in OD compression, male/ })).toBeInViewport();
  await page.goto(`${address()}/match?from=comp-3/8-m&to=comp-1/4-m&length=1400 mm`);
  await expect(page.getByRole('heading', { name: /ice-maker connector.*\$/ })).toBeInViewport();
  await page.close();
});

test('an end of a run is measured, and one chosen by its drawing, without typing it', async ({ page }) => {
  await openRun(page, /^Glass rinser/, 'Look');
  const water = page.getByRole('combobox', { name: 'Water side: what it comes from' });
  await page.getByRole('link', { name: 'I measured it' }).first().click();
  await page.waitForURL(/\/gauge/);
  await hydrated(page);
  await page.getByLabel('Diameter at the crests, in').fill('0.56');
  await page.getByLabel('Threads per inch').fill('24');
  await page.getByRole('link', { name: 'use it there' }).first().click();
  await page.waitForURL(/\/visits\//);
  await expect(water).toHaveValue('3/8 in OD compression, male');
  await expect(page).not.toHaveURL(/end=/);
  await page.getByRole('link', { name: 'Choose by drawing' }).nth(1).click();
  await expect(page.getByRole('heading', { name: 'Choose the appliance side by its drawing' })).toBeVisible();
  await page
    .getByRole('link', { name: /^Outline of 1\/4 in OD compression, male/ })
    .first()
    .click();
  await page.waitForURL(/\/visits\//);
  await expect(page.getByRole('combobox', { name: /Inlet of the glass rinser/ })).toHaveValue('1/4 in OD compression, male');
  // A link that comes from elsewhere notes nothing.
  await page.goto(`${page.url().replace(/&stage.*/, '')}&stage=look&side=from&end=ght-3/4-m`);
  await hydrated(page);
  await expect(water).toHaveValue('3/8 in OD compression, male');
  const id = /visits\/([0-9a-f-]{36})/.exec(page.url())![1];
  await expect(async () => {
    const { entries } = await (await page.request.get(`${address()}/api/v1/visits/${id}`)).json();
    const how = entries
      .filter((e: { kind: string }) => e.kind === 'end-seen')
      .map((e: { body: { side: string; how: string } }) => `${e.body.side} ${e.body.how}`);
    expect(how.slice(-2)).toEqual(['from measured', 'to seen']);
  }).toPass();
});
