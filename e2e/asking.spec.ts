/** Questions asked as plumbers ask them, from anywhere, on a table and on a phone; and what is printed of the answers. */
import { expect, type Page, test } from '@playwright/test';
import { address } from './house.ts';
import { hydrated, openRun, withServer } from './page.ts';

const bar = (page: Page) => page.getByRole('textbox', { name: /Quick match/ });
const best = (page: Page) => page.getByRole('article', { name: 'Chain 1' });
const read = (page: Page) => page.getByRole('region', { name: 'What was read' });

test('a sentence asked from the day sheet stays in the bar, is read in full, and is answered', async ({ page }) => {
  await page.goto(address());
  await page.keyboard.press('/');
  await page.keyboard.type('what joins half inch copper to a toilet, 20 in gizmo');
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/match/);
  await hydrated(page);
  await expect(best(page)).toContainText('quarter-turn angle stop + braided toilet connector, 20 in');
  await expect(bar(page)).toHaveValue('what joins half inch copper to a toilet, 20 in gizmo');
  await expect(read(page).getByRole('button', { name: '1/2 in nominal copper tube, 5/8 in OD' })).toHaveAttribute('aria-pressed', 'true');
  await expect(read(page).getByRole('button', { name: 'gizmo, not used: say what it is' })).toBeVisible();
  await expect(read(page).getByRole('button', { name: /^reaches 20 in/ })).toBeVisible();
  // A stop is usual there: left out by a press, and left out still when the page is loaded again.
  await read(page)
    .getByRole('button', { name: /^its own stop, as usual/ })
    .click();
  await expect(best(page)).not.toContainText('angle stop');
  await page.reload();
  await expect(best(page)).not.toContainText('angle stop');
  await expect(bar(page)).toHaveValue('what joins half inch copper to a toilet, 20 in gizmo');
  // The other reading is one press away.
  await read(page).getByRole('button', { name: '3/8 in nominal copper tube, 1/2 in OD' }).click();
  await expect(page).toHaveURL(/from=cu-1%2F2od/);
});

test('only the gap is asked, and what was said is kept', async ({ page }) => {
  await page.goto(`${address()}/match?q=fridge, 6 ft`);
  await hydrated(page);
  await read(page).getByRole('group', { name: 'What does the water come from?' }).getByRole('button', { name: '3/8 comp stop', exact: true }).click();
  await expect(bar(page)).toHaveValue('fridge, 6 ft');
  await expect(best(page)).toContainText('72 in');
  // Then the next, one at a time; what is likeliest answers until another is pressed.
  const which = read(page).getByRole('group', { name: 'Which end has the refrigerator?' });
  await expect(which.getByRole('button', { pressed: true })).toHaveText('1/4 in OD compression, male');
  await which.getByRole('button', { name: 'push-to-connect socket, 1/4 in OD' }).click();
  await expect(page).toHaveURL(/to=ptc-1%2F4od/);
  await page.reload();
  await expect(which.getByRole('button', { pressed: true })).toHaveText('push-to-connect socket, 1/4 in OD');
  await page.goto(`${address()}/match?q=gas stove to 1/2 iron pipe`);
  await expect(page.getByText(/Gas: not a water connection/)).toBeVisible();
  await expect(best(page)).toHaveCount(0);
  await page.goto(`${address()}/match?q=15 mm copper to toilet`);
  await expect(page.getByText(/15 mm tube is metric and not ours: nearly 5\/8 in outside/)).toBeVisible();
});

test('a word that is not used is told once, and is the shop’s own from then on', async ({ page }) => {
  await page.goto(`${address()}/match?q=wibbler to the toilet, 12 in`);
  await hydrated(page);
  await read(page)
    .getByRole('button', { name: /^wibbler, not used/ })
    .click();
  await page.keyboard.type('gizmo');
  await expect(read(page).getByText('Not read: gizmo.')).toBeVisible();
  await expect(read(page).getByRole('button', { name: 'Keep it for this shop' })).toBeDisabled();
  await read(page).getByRole('textbox').fill('3/8 comp stop');
  await page.keyboard.press('Enter');
  await expect(best(page)).toContainText('braided toilet connector, 12 in');
  await expect(read(page)).toContainText('wibbler means 3/8 comp stop');
  // On another page of the same shop, and as a told end.
  await page.goto(`${address()}/match?q=wibbler to a dishwasher, 60 in`);
  await hydrated(page);
  await expect(best(page)).toContainText('braided dishwasher connector');
  await read(page).getByRole('button', { name: 'Forget it' }).click();
  await expect(read(page).getByRole('button', { name: /^wibbler, not used/ })).toBeVisible();
});

test('whether one end goes on another, a leak, a part described and what is not ours are each answered as what they are', async ({ page }) => {
  await page.goto(`${address()}/match?q=will a 1/2 fip nut fit a ballcock`);
  await hydrated(page);
  const fits = page.getByRole('region', { name: 'Does it fit' });
  await expect(fits).toContainText('It does not fit');
  await bar(page).fill('does a ballcock nut fit a ballcock');
  await expect(fits).toContainText('It fits and seals');
  await bar(page).fill('braided 3/8 x 1/2 x 20');
  await expect(page.getByRole('region', { name: 'Parts so described' }).getByRole('listitem').first()).toContainText('1/2 FIP nut, 20 in');
  await bar(page).fill('gas dryer');
  await expect(page.getByText(/Gas: not a water connection/)).toBeVisible();
  await bar(page).fill('dishwasher leaking at the nut');
  await page.getByRole('link', { name: 'Book a visit to find it' }).click();
  await page.waitForURL(/\/call/);
  await hydrated(page);
  await expect(page.getByRole('radio', { name: 'Find and stop a leak' })).toBeChecked();
  await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('dishwasher leaking at the nut');
});

test('one field, one list: Enter takes the first, and the page says what it took', async ({ page }) => {
  const ask = async (text: string) => {
    await page.goto(address());
    await hydrated(page);
    await bar(page).fill(text);
    await bar(page).press('Enter');
  };
  await ask('quillback');
  await page.waitForURL(/\/premises\//);
  await expect(page.getByText('"quillback": customer Quillback Hill Observatory.')).toBeVisible();
  await page.getByRole('button', { name: 'Something else?' }).click();
  await expect(page.getByRole('list', { name: 'Found' }).getByRole('link').first()).toContainText('Quillback');
  await ask('load');
  await page.waitForURL(/\/stock\?load=/);
  await ask('3/8 comp to a toilet');
  await page.waitForURL(/\/match\?q=/);
});

test('without an answer from the server Enter still asks what joins the two', async ({ page }) => {
  await page.goto(address());
  await hydrated(page);
  await page.route('**/api/v1/find*', (route) => route.abort());
  await bar(page).fill('3/8 comp to a toilet');
  await bar(page).press('Enter');
  await page.waitForURL(/\/match\?q=/);
});

test('by voice, where the browser offers it: said first that speech leaves the device, then written into the field', async ({ page }) => {
  await page.addInitScript(() => {
    class Recognition extends EventTarget {
      onresult: ((e: unknown) => void) | null = null;
      onend: (() => void) | null = null;
      start() {
        setTimeout(() => {
          this.onresult?.({ results: [[{ transcript: 'three eighths comp to a toilet' }]] });
          this.onend?.();
        }, 50);
      }
      stop() {}
    }
    Object.assign(window, { SpeechRecognition: Recognition, webkitSpeechRecognition: Recognition });
  });
  await page.setViewportSize({ width: 390, height: 844 });
  const response = await page.goto(`${address()}/match`);
  expect(response!.headers()['permissions-policy']).toContain('microphone=(self)');
  await hydrated(page);
  await page.getByRole('button', { name: 'Speak' }).click();
  const said = page.getByRole('dialog', { name: 'Speech leaves this device' });
  await said.getByRole('button', { name: 'Speak' }).click();
  await expect(bar(page)).toHaveValue('three eighths comp to a toilet');
  await expect(best(page)).toContainText('toilet connector');
});

test('every key is answered on the bench, without another page', async ({ page }) => {
  await page.goto(`${address()}/match`);
  await hydrated(page);
  await page.evaluate(() => {
    (window as unknown as { same: boolean }).same = true;
  });
  await page.keyboard.press('/');
  await page.keyboard.type('3/4 ght to fridge');
  await expect(best(page)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Answer' })).toBeFocused();
  expect(await page.evaluate(() => (window as unknown as { same?: boolean }).same)).toBe(true);
  await expect(page).toHaveURL(/q=3%2F4\+ght\+to\+fridge/);
});

test('a page with both ends chosen rests: nothing is painted again without a cause', async ({ page }) => {
  await page.addInitScript(() => {
    const count = window as unknown as { turns: number };
    count.turns = 0;
    const post = MessagePort.prototype.postMessage;
    MessagePort.prototype.postMessage = function (this: MessagePort, ...message: unknown[]) {
      count.turns++;
      return (post as (...a: unknown[]) => void).apply(this, message);
    } as typeof post;
  });
  await page.goto(`${address()}/match?q=3/8 comp to 7/8 bc`);
  await best(page).waitFor();
  await page.waitForTimeout(3000);
  const turns = () => page.evaluate(() => (window as unknown as { turns: number }).turns);
  const before = await turns();
  await page.waitForTimeout(1500);
  expect((await turns()) - before).toBeLessThan(40);
});

test('a chain is not taken in place of another unasked', async ({ page }) => {
  await page.goto(`${address()}/match?q=3/8 comp to 3/4 ght, 52 in`);
  await hydrated(page);
  await best(page).getByRole('button', { name: 'Take' }).click();
  const runs = page.getByLabel('Run of today or tomorrow');
  await expect(runs.locator('optgroup').first()).toHaveAttribute('label', 'Waiting for a chain');
  await runs.selectOption({ label: 'Dishwasher, hot, Canteen kitchen, today' });
  await page.getByRole('button', { name: 'Take it there' }).click();
  const asked = page.getByRole('alertdialog', { name: 'Another chain' });
  await expect(asked).toContainText('has a chain already');
  await asked.getByRole('button', { name: 'Keep the one there is' }).click();
  await expect(asked).toHaveCount(0);
  await expect(page).toHaveURL(/\/match/);
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } });

  test('the bar is a press away in a visit, and the answer stands above the form', async ({ page }) => {
    await openRun(page, /^Glass rinser/, 'Look');
    await expect(bar(page)).toBeHidden();
    await page.getByRole('button', { name: 'Ask', exact: true }).click();
    await expect(bar(page)).toBeFocused();
    await page.keyboard.type('3/8 comp to brewer 6 ft');
    await page.keyboard.press('Enter');
    await page.waitForURL(/\/match/);
    await hydrated(page);
    await expect(page.getByRole('heading', { level: 2, name: /coil|connector/ })).toBeInViewport();
    const form = page.getByRole('combobox', { name: 'From, water side' });
    await expect(form).toBeHidden();
    await page.getByRole('button', { name: 'Ends and demands, one by one' }).click();
    await expect(form).toBeVisible();
    expect((await form.boundingBox())!.y).toBeGreaterThan((await best(page).boundingBox())!.y);
  });

  test('Look is folded into what is asked now', async ({ page }) => {
    await openRun(page, /^Brewer/, 'Look');
    const ends = page.getByRole('button', { name: /^Both ends/ });
    await expect(ends).toHaveAttribute('aria-expanded', 'false');
    await expect(ends).toContainText('1/2 in nominal copper tube');
    await expect(page.getByRole('button', { name: 'On to Match' })).toBeInViewport();
    await ends.click();
    await expect(page.getByRole('combobox', { name: 'Water side: what it comes from' })).toBeVisible();
    await withServer(page);
  });
});

test('at 200 % the work has most of the screen', async ({ page }) => {
  await page.setViewportSize({ width: 640, height: 400 });
  await openRun(page, /^Ice maker/, 'Prove');
  // The stage's own code has come.
  await expect(page.getByRole('region', { name: 'Rounds by joint' })).toBeVisible();
  expect((await page.locator('#panel').boundingBox())!.y).toBeLessThan(230);
  await page.locator('#panel').evaluate((panel) => panel.scrollIntoView());
  const alarm = (await page.getByRole('button', { name: 'Running? Water off now' }).last().boundingBox())!;
  expect(alarm.width).toBeLessThan(320);
});

test('ends are found by what is met here first, by words and by a callout', async ({ page }) => {
  await page.goto(`${address()}/ends?as=to&on=refrigerator`);
  await hydrated(page);
  const first = page.getByRole('main').getByRole('listitem').first();
  await expect(page.getByRole('heading', { level: 2 }).first()).toHaveText('Met most here');
  await expect(first).toContainText('1/4 in OD compression, male');
  await page.getByLabel('Show only').fill('9/16-24');
  await expect(first).toContainText('3/8 in OD compression, male');
  await page.getByLabel('Show only').fill('flare');
  await expect(page.getByRole('main').getByRole('listitem').filter({ hasText: 'compression' })).toHaveCount(0);
  await first.getByRole('link').click();
  await page.waitForURL(/\/match\?.*to=flare/);
});

test('a diameter that can only be millimetres is asked about', async ({ page }) => {
  await page.goto(`${address()}/gauge`);
  await hydrated(page);
  const diameter = page.getByLabel('Diameter at the crests, in');
  await diameter.fill('20.9');
  await page.getByRole('button', { name: '20.9: millimetres?' }).click();
  await expect(diameter).toHaveValue('20.9 mm');
  await expect(page.getByRole('button', { name: /millimetres\?/ })).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Answer' })).not.toContainText(/bits: the most/);
  await expect(page.getByText(/should leave one or two|about half of what is left|helps a little/)).toBeVisible();
});

const PRINTED: [name: string, open: (page: Page) => Promise<unknown>, holds: RegExp][] = [
  ['a chain', (page) => page.goto(`${address()}/match?q=1/2 copper to toilet, 20 in`).then(() => best(page).waitFor()), /J1.*Parts/s],
  ['a card', (page) => openRun(page, /^Flat toilet/, 'Make'), /Work card/],
  ['the day', (page) => page.goto(address()), /Short on the van/],
  [
    'a ledger sheet',
    async (page) => {
      await page.goto(`${address()}/ledger`);
      await page.locator('tbody a').first().click();
      await page.getByRole('heading', { name: 'What happened' }).waitFor();
    },
    /Proven/,
  ],
];

for (const [name, open, holds] of PRINTED) {
  test(`${name} is printed as a sheet: no key, no field, the drawing on a third of the first page at most`, async ({ page }) => {
    await open(page);
    await hydrated(page);
    await page.emulateMedia({ media: 'print' });
    // Letter paper within its margins.
    await page.setViewportSize({ width: 710, height: 950 });
    await expect(page.getByRole('main')).toContainText(holds);
    await expect(page.locator('button:visible, input:visible, select:visible, nav:visible')).toHaveCount(0);
    const tallest = await page.locator('svg').evaluateAll((all) => Math.max(0, ...all.map((s) => s.getBoundingClientRect().height)));
    expect(tallest).toBeLessThan(950 / 3);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(710);
    const pdf = await page.pdf({ format: 'Letter' });
    expect(pdf.subarray(0, 4).toString()).toBe('%PDF');
  });
}
