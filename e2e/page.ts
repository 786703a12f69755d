import { type ElementHandle, expect, type Locator, type Page, type Request } from '@playwright/test';
import { address } from './house.ts';

/** What a page has asked for and not been answered. */
const asked = new WeakMap<Page, Set<Request>>();

function askedBy(page: Page): Set<Request> {
  const known = asked.get(page);
  if (known) return known;
  const open = new Set<Request>();
  asked.set(page, open);
  page.on('request', (r) => r.resourceType() !== 'eventsource' && !r.url().includes('/stream') && open.add(r));
  page.on('requestfinished', (r) => open.delete(r));
  page.on('requestfailed', (r) => open.delete(r));
  return open;
}

/** A request that hangs, as some tests have them, is not waited for longer. */
const MOST_MS = 2000;

/**
 * Waits until nothing is on its way that would yet move what stands on the page: on a busy machine what was found in its place is elsewhere when
 * it is pressed.
 */
export async function answered(page: Page): Promise<void> {
  const open = askedBy(page);
  const until = Date.now() + MOST_MS;
  while (open.size > 0 && Date.now() < until) await page.waitForTimeout(20);
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
}

/**
 * Waits until the page's islands answer: what is pressed before is lost.
 *
 * An island loses its mark when its code has come, and takes hold of its markup some turns later: on a busy machine that is
 * long enough for a key to fall between. The framework keeps on each root whether its markup is still dry.
 */
export async function hydrated(page: Page): Promise<void> {
  askedBy(page);
  await expect(page.locator('astro-island[ssr]')).toHaveCount(0);
  await page.waitForFunction(() =>
    [...document.querySelectorAll('astro-island')].every((island) => {
      const key = Object.keys(island).find((k) => k.startsWith('__reactContainer$'));
      const root = key && (island as unknown as Record<string, { stateNode: { current: { memoizedState: { isDehydrated: boolean } } } }>)[key];
      return root ? !root.stateNode.current.memoizedState.isDehydrated : false;
    }),
  );
  // Its effects run in the frames after that.
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 60))));
  await answered(page);
}

/** Address of one of today's runs by its name, as the day leads to it: fetched and read, which takes a browser a tenth of opening it. */
async function addressOf(page: Page, run: RegExp, base: string): Promise<string> {
  const day = await (await page.request.get(base)).text();
  for (const [, href, inside] of day.matchAll(/<a href="(\/visits\/[^"]*\?run=[^"]*)"[^>]*>(.*?)<\/a>/gs)) {
    if (
      run.test(
        inside!
          .replace(/<[^>]*>/g, ' ')
          .replace(/\s+/g, ' ')
          .trim(),
      )
    )
      return base + href!.replaceAll('&amp;', '&');
  }
  throw new Error(`No run of today is called ${run}.`);
}

/** Opens one of today's runs by its name, at the stage it is at or the one that is named. */
export async function openRun(page: Page, run: RegExp, stage: string | null, base = address()): Promise<void> {
  await page.goto(await addressOf(page, run, base));
  await hydrated(page);
  if (stage === null) return;
  const tab = page.getByRole('tab', { name: new RegExp(stage) });
  await expect(page.getByRole('tabpanel')).toBeVisible();
  await tab.click();
  await expect(tab).toHaveAttribute('aria-selected', 'true');
  await answered(page);
}

/** Waits until the server has all that was entered: the next test finds the run as this one left it. */
export async function withServer(page: Page): Promise<void> {
  await page.goto(`${address()}/unsent`);
  await expect(page.getByText('Nothing: all that was entered here is with the server.')).toBeVisible();
}

/** Moves the focus with Tab until it is on the control wanted, or on one of them, as one without a mouse would. */
export async function tabTo(page: Page, wanted: Locator): Promise<void> {
  await wanted.first().waitFor();
  // Found once, for finding by role and name reads the whole page, and anew only when the page was drawn anew.
  let found = await wanted.elementHandles();
  for (let i = 0; i < 150; i++) {
    const seen = await page.evaluate(
      (all) => (all.every((e) => e.isConnected) ? (all.includes(document.activeElement!) ? 'there' : 'not yet') : 'drawn anew'),
      found as ElementHandle<Element>[],
    );
    if (seen === 'there') return;
    if (seen === 'drawn anew') found = await wanted.elementHandles();
    else await page.keyboard.press('Tab');
  }
  throw new Error('Tab never reached the control.');
}

/** All of a stream as text. */
export async function textOf(stream: AsyncIterable<Buffer>): Promise<string> {
  const chunks: Buffer[] = [];
  for await (const chunk of stream) chunks.push(chunk);
  return Buffer.concat(chunks).toString('utf8');
}

/** Its tab is killed in the middle of things and opened again, the server answers now: nothing was lost, and what waited goes out. */
export async function killedAndOpened(page: Page): Promise<Page> {
  const [context, url] = [page.context(), page.url()];
  await page.close({ runBeforeUnload: false });
  await context.unroute('**/api/v1/**');
  const again = await context.newPage();
  await again.goto(url);
  await hydrated(again);
  await expect(again.getByText(/not sent yet/)).toBeHidden({ timeout: 30_000 });
  return again;
}

/** Takes a chain. Where no distance was said it is asked which of its lengths reaches: the one that stands there. */
export async function pressUse(chain: Locator): Promise<void> {
  await chain.getByRole('button', { name: 'Use this' }).click();
  const length = chain.getByRole('group', { name: /Which reaches/ }).getByRole('button', { pressed: true });
  await length.waitFor({ timeout: 1500 }).catch(() => {});
  if (await length.isVisible()) await length.click();
}
