/** A question typed on a phone, and one asked of a page that was never open before. */
import { type Browser, chromium, type Page } from '@playwright/test';
import { CHROMIUM } from '../ops/chromium.ts';

const SENTENCES = ['1/2 copper to toilet, 20 in', '3/8 comp to fridge, 6 ft after ro', 'from 1/2 male iron pipe to 3/8 comp faucet hose with a stop'];
const PHONE = { width: 390, height: 844 };

const launch = () => chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'] });

export interface KeyTimes {
  /** From the key to the frame that shows its answer being begun, ms. */
  toFrame: number[];
  /** To that frame painted. */
  toPainted: number[];
}

/**
 * Milliseconds for every key of whole sentences in the bar of a page, on a phone's screen with the processor slowed down.
 *
 * @param slowed times slower than this machine
 */
export async function keysOnPhone(address: string, path: string, slowed: number): Promise<KeyTimes> {
  const browser = await launch();
  const page = await browser.newPage({ viewport: PHONE });
  await page.goto(address + path);
  await page.waitForTimeout(2500);
  await (await page.context().newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate: slowed });
  await page.locator('#quick').focus();
  await page.evaluate(() => {
    const times: KeyTimes = { toFrame: [], toPainted: [] };
    Object.assign(window, { times });
    document.addEventListener(
      'keydown',
      () => {
        const began = performance.now();
        requestAnimationFrame(() => {
          times.toFrame.push(performance.now() - began);
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = () => times.toPainted.push(performance.now() - began);
          port2.postMessage(0);
        });
      },
      true,
    );
  });
  for (const sentence of SENTENCES) {
    await page.keyboard.type(sentence, { delay: 120 });
    await page.waitForTimeout(400);
    await page.locator('#quick').fill('');
    await page.waitForTimeout(400);
  }
  const times = await page.evaluate(() => (window as unknown as { times: KeyTimes }).times);
  await browser.close();
  return times;
}

/** Milliseconds from asking to the best chain on screen, each time in a browser that holds nothing. */
export async function coldQuestions(address: string, count: number): Promise<number[]> {
  const browser = await launch();
  const times: number[] = [];
  for (let i = 0; i < count; i++) times.push(await coldQuestion(browser, `${address}/match?q=${encodeURIComponent(SENTENCES[i % 3]!)}`));
  await browser.close();
  return times;
}

async function coldQuestion(browser: Browser, url: string): Promise<number> {
  const context = await browser.newContext({ viewport: PHONE });
  const page: Page = await context.newPage();
  await page.addInitScript(() => {
    const seen = new MutationObserver(() => {
      if (!document.querySelector('#answer article')) return;
      seen.disconnect();
      requestAnimationFrame(() => Object.assign(window, { answered: performance.now() }));
    });
    seen.observe(document, { childList: true, subtree: true });
  });
  await page.goto(url, { waitUntil: 'commit' });
  await page.waitForFunction(() => 'answered' in window);
  const ms = await page.evaluate(() => (window as unknown as { answered: number }).answered);
  await context.close();
  return ms;
}
