/** What is asked of a run's chain: where it comes from, and how it is changed for one run. */
import { expect, test } from '@playwright/test';
import { address } from './house.ts';
import { openRun, withServer } from './page.ts';

// The runs are other tests' too.
test.afterEach(({ page }) => withServer(page));

test('a chip is left out for this run with a reason, the chains follow, and it is taken back', async ({ page }) => {
  await openRun(page, /^Brewer/, 'Match');
  const asked = page.getByRole('region', { name: 'Asked of the chain' });
  const own = asked.getByRole('button', { name: /its own stop/ });
  await expect(own).toContainText('seen here');
  await expect(asked.getByRole('button', { name: /0.12 in of bore/ })).toContainText('usual');
  await expect(asked.getByRole('button', { name: /push fittings where reachable/ })).toContainText('house rule');
  const best = page.getByRole('article', { name: 'Chain 1' });
  await expect(best).toContainText('stop');
  await own.click();
  await page.getByLabel(/Why it is otherwise for this run/).fill('xx');
  await expect(page.getByRole('button', { name: 'Leave it out for this run' })).toBeDisabled();
  await page.getByLabel(/Why it is otherwise for this run/).fill('the stop below serves it alone');
  await page.getByRole('button', { name: 'Leave it out for this run' }).click();
  await expect(own).toContainText('left out');
  await page.keyboard.press('z');
  await expect(own).toContainText('seen here');
  const before = (await best.textContent()) ?? '';
  await asked.getByRole('button', { name: /reaches 72 in/ }).click();
  await page.getByRole('textbox', { name: /^For this run/ }).fill('24');
  await page.getByLabel(/Why it is otherwise for this run/).fill('the brewer moves beside the stop');
  await page.getByRole('button', { name: 'Keep it so for this run' }).click();
  await expect(asked.getByRole('button', { name: /reaches 24 in/ })).toContainText('changed');
  await expect(best).not.toHaveText(before);
  await page.keyboard.press('z');
  await expect(asked.getByRole('button', { name: /reaches 72 in/ })).toContainText('seen here');
});

test('another house rule for one run: no push fittings, and the record says why', async ({ page }) => {
  await openRun(page, /^Brewer/, 'Match');
  const asked = page.getByRole('region', { name: 'Asked of the chain' });
  await asked.getByRole('button', { name: /push fittings/ }).click();
  await page.getByRole('combobox', { name: /^For this run/ }).selectOption('never');
  await page.getByLabel(/Why it is otherwise for this run/).fill('the owner wants no push fittings');
  await page.getByRole('button', { name: 'Keep it so for this run' }).click();
  await expect(asked.getByRole('button', { name: /push fittings never/ })).toContainText('changed');
  await page.keyboard.press('h');
  await expect(page.getByText(/push fittings is never, because the owner wants no push fittings/).first()).toBeVisible();
  await page.goto(`${address()}/`);
  await openRun(page, /^Brewer/, 'Match');
  await asked.getByRole('button', { name: /push fittings never/ }).click();
  await page.getByRole('button', { name: 'As known again' }).click();
  await expect(asked.getByRole('button', { name: /push fittings where reachable/ })).toContainText('house rule');
});

test('what is seen after a chain was accepted is held against it', async ({ page }) => {
  await openRun(page, /^Drinking tap/, 'Look');
  const caution = page.getByText(/does not do what is asked now/);
  await page.getByRole('tab', { name: /Match/ }).click();
  await page.getByRole('article', { name: 'Chain 1' }).waitFor();
  await expect(caution).toHaveCount(0);
  await page.getByRole('tab', { name: /Look/ }).click();
  await page.getByLabel('needs a vented backflow preventer').check();
  await page.getByRole('tab', { name: /Match/ }).click();
  await expect(caution).toBeVisible();
  await expect(page.getByText('It has no vented backflow preventer.').first()).toBeVisible();
  await page.keyboard.press('z');
  await expect(caution).toHaveCount(0);
});

test('a tube found chromed takes no push fitting, and a pitted one says what to do', async ({ page }) => {
  await openRun(page, /^Brewer/, 'Look');
  await page.getByRole('group', { name: 'The tube of the water side is' }).getByText('chromed').click();
  await page.getByRole('tab', { name: /Match/ }).click();
  const asked = page.getByRole('region', { name: 'Asked of the chain' });
  await expect(asked.getByRole('button', { name: /on chromed tube/ })).toContainText('seen here');
  const best = page.getByRole('article', { name: 'Chain 1' });
  await best.getByText('Joints, parts and cost').click();
  await expect(best).toContainText('sand the chrome off');
  await page.getByRole('tab', { name: /Look/ }).click();
  await page.getByRole('group', { name: 'The tube of the water side is' }).getByText('pitted or scored').click();
  await page.getByRole('tab', { name: /Match/ }).click();
  await expect(page.getByText(/not on the tube as it was found: cut it back/)).toBeVisible();
  await page.getByRole('tab', { name: /Look/ }).click();
  await page.getByRole('group', { name: 'The tube of the water side is' }).getByText('bare and sound').click();
});
