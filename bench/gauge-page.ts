/** The gauge's chart while it logs: frames a second and memory after as many readings as an hour brings at 50 a second, sent twenty times as fast. */
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../ops/chromium.ts';

export interface GaugeFigures {
  readings: number;
  framesPerSecond: number;
  /** Of the page's own memory, MB: after a sixth of them, and after all. */
  heapMb: { early: number; late: number };
}

/** Readings a second, and how long, s: 180,000 of them. */
export const PER_SECOND = 1000;
const SECONDS = 180;
/** Frames are counted over so long at the end, s. */
const COUNTED_S = 10;

export async function gaugePage(address: string): Promise<GaugeFigures> {
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--js-flags=--expose-gc'] });
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    // What runs this file names functions by a helper that the page does not have.
    await page.addInitScript('globalThis.__name = (f) => f');
    await page.goto(address);
    await page
      .getByRole('link', { name: /^Canteen sink, hot/ })
      .first()
      .click();
    await page.waitForURL(/\/visits\//);
    await page.getByRole('tab', { name: /Prove/ }).click();
    await page.getByText('By gauge or meter: what a shut line loses').click();
    await page.getByRole('button', { name: 'Begin', exact: true }).click();
    await page.getByRole('img', { name: /^Pressure from/ }).waitFor();
    await page.waitForTimeout(2000);
    await page.getByRole('button', { name: /^Let 5 mL out/ }).click();
    const heap = () =>
      page.evaluate(() => {
        (globalThis as { gc?: () => void }).gc?.();
        return (performance as unknown as { memory: { usedJSHeapSize: number } }).memory.usedJSHeapSize / 1e6;
      });
    await page.waitForTimeout((SECONDS / 6) * 1000);
    const early = await heap();
    await page.waitForTimeout(((SECONDS * 5) / 6 - COUNTED_S) * 1000);
    const frames = await page.evaluate(
      (ms) =>
        new Promise<number>((done) => {
          let n = 0;
          const until = performance.now() + ms;
          const next = () => {
            n += 1;
            if (performance.now() < until) requestAnimationFrame(next);
            else done(n);
          };
          requestAnimationFrame(next);
        }),
      COUNTED_S * 1000,
    );
    return { readings: PER_SECOND * SECONDS, framesPerSecond: frames / COUNTED_S, heapMb: { early, late: await heap() } };
  } finally {
    await browser.close();
  }
}
