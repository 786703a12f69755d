/** The work card in a browser: how long it takes to open on a page that was never opened, and from a tick to what is saved. */
import { type Browser, chromium, type Page } from '@playwright/test';
import { CHROMIUM } from '../ops/chromium.ts';

export interface CardFigures {
  /** Milliseconds, ascending. */
  /** Until the present step is there to be read, and until it can be pressed. */
  opens: number[];
  answers: number[];
  ticks: number[];
}

/** A browser without anything kept opens the card of the demo's dishwasher; then one page ticks its steps and takes each back. */
export async function cardPage(address: string, times: number): Promise<CardFigures> {
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] });
  try {
    const card = await addressOfCard(browser, address);
    // The server and the browser's process are at work; the pages are not kept.
    await opened(browser, card);
    const opens: number[] = [];
    const answers: number[] = [];
    for (let i = 0; i < times; i++) {
      const { readMs, pressMs } = await opened(browser, card);
      opens.push(readMs);
      answers.push(pressMs);
    }
    return { opens: ascending(opens), answers: ascending(answers), ticks: ascending(await ticked(await fresh(browser, card), times)) };
  } finally {
    await browser.close();
  }
}

const ascending = (list: number[]): number[] => list.sort((a, b) => a - b);

const PRESENT = 'li[aria-current=step] button.key-main';

async function addressOfCard(browser: Browser, address: string): Promise<string> {
  const page = await fresh(browser, address);
  await page
    .getByRole('link', { name: /^Dishwasher/ })
    .first()
    .click();
  await page.waitForURL(/run=/);
  const url = `${page.url()}&stage=shut`;
  await page.context().close();
  return url;
}

async function fresh(browser: Browser, address: string): Promise<Page> {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  // What runs this file names functions by a helper that the page does not have.
  await page.addInitScript('globalThis.__name = (f) => f');
  await page.goto(address);
  return page;
}

/** From the navigation until the present step is painted, and until it can be pressed. */
async function opened(browser: Browser, card: string): Promise<{ readMs: number; pressMs: number }> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.addInitScript('globalThis.__name = (f) => f');
  await page.goto(card, { waitUntil: 'commit' });
  const ms = await page.evaluate(async (key) => {
    const frame = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
    while (!document.querySelector('.border-l-brass-deep h3')) await frame();
    const readMs = performance.now();
    while (!document.querySelector(key)) await frame();
    return { readMs, pressMs: performance.now() };
  }, PRESENT);
  await context.close();
  return ms;
}

/** From the press until the next step is the present one: the page shows it once the device's store has it on disk. */
async function ticked(page: Page, times: number): Promise<number[]> {
  await page.locator(PRESENT).first().waitFor();
  await page.waitForTimeout(1500);
  const ticks = await page.evaluate(
    async ({ key, count }) => {
      const frame = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
      const title = () => document.querySelector('li[aria-current=step] h3')?.textContent;
      const ms: number[] = [];
      for (let i = 0; i < count; i++) {
        const before = title();
        const began = performance.now();
        document.querySelector<HTMLElement>(key)!.click();
        while (title() === before) await frame();
        ms.push(performance.now() - began);
        await new Promise((done) => setTimeout(done, 100));
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', bubbles: true }));
        while (title() !== before) await frame();
        await new Promise((done) => setTimeout(done, 100));
      }
      return ms;
    },
    { key: PRESENT, count: times },
  );
  await page.context().close();
  return ticks;
}
