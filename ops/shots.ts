/** Takes the current pictures of the main views from a running demo: `./start`, then `npm run shots`. */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { CHROMIUM } from './chromium.ts';

const base = process.env.BRASS_NUT_ADDRESS ?? 'http://127.0.0.1:4880';
const folder = process.env.SHOTS_FOLDER ?? join('docs', 'screenshots');

/** Opens a run of today's visits by its name, at a stage. */
async function openRun(page: Page, name: string, stage: string): Promise<void> {
  await page.goto(base);
  await page
    .getByRole('link', { name: new RegExp(`^${name}`) })
    .first()
    .click();
  await page.waitForURL(/visits/);
  await page.waitForFunction(() => !document.querySelector('astro-island[ssr]'));
  await page.getByRole('tabpanel').waitFor();
  await page.waitForTimeout(200);
  await page.getByRole('tab', { name: new RegExp(stage) }).click();
}

const VIEWS: { file: string; phone?: boolean; open: (page: Page) => Promise<void> }[] = [
  { file: 'day', open: async (page) => void (await page.goto(base)) },
  {
    file: 'call',
    open: async (page) => {
      await page.goto(`${base}/call`);
      await page.waitForTimeout(1200);
      await page.getByRole('combobox', { name: 'Who' }).fill('quil');
      await page.getByRole('option', { name: /Quillback/ }).click();
      await page.getByRole('button', { name: 'Flat toilet' }).click();
      await page.getByLabel('When').fill('tomorrow 12:30');
      await page.waitForTimeout(600);
    },
  },
  { file: 'week', open: async (page) => void (await page.goto(`${base}/week`)) },
  {
    file: 'premises',
    open: async (page) => {
      await page.goto(`${base}/premises`);
      await page.getByRole('link', { name: /Quillback/ }).click();
      await page.getByRole('heading', { name: 'What stands here' }).waitFor();
    },
  },
  {
    file: 'look',
    open: async (page) => {
      await openRun(page, 'Refrigerator', 'Look');
      for (const name of ['braided', 'multi-turn', 'does not shut fully']) await page.getByRole('radio', { name, exact: true }).check();
      await page.getByRole('checkbox', { name: 'braid broken or rusted' }).check();
      await page.getByRole('region', { name: 'What follows' }).scrollIntoViewIfNeeded();
    },
  },
  { file: 'match', open: (page) => openRun(page, 'Dishwasher', 'Match') },
  { file: 'make', open: (page) => openRun(page, 'Flat toilet', 'Make') },
  { file: 'prove', open: (page) => openRun(page, 'Ice maker', 'Prove') },
  {
    file: 'match-bench',
    open: async (page) => {
      await page.goto(`${base}/match?q=from 1/2 copper to a toilet, 20 in`);
      await page.getByRole('article').first().waitFor();
    },
  },
  {
    file: 'gauge',
    open: async (page) => {
      await page.goto(`${base}/gauge`);
      await page.waitForFunction(() => !document.querySelector('astro-island[ssr]'));
      await page.getByLabel('Diameter at the crests, in').fill('0.820');
      await page.getByLabel('Threads per inch').fill('14');
    },
  },
  { file: 'flow', open: async (page) => void (await page.goto(`${base}/flow?on=dishwasher`)) },
  {
    file: 'hammer',
    open: async (page) => {
      await page.goto(`${base}/hammer?on=washing-machine&cushion=arrestor&volume=8`);
      await page.locator('canvas').first().waitFor();
    },
  },
  { file: 'reach', open: async (page) => void (await page.goto(`${base}/reach?on=toilet`)) },
  { file: 'ledger', open: async (page) => void (await page.goto(`${base}/ledger`)) },
  { file: 'due', open: async (page) => void (await page.goto(`${base}/due?ahead=365`)) },
  {
    file: 'leaking',
    open: async (page) => {
      await page.goto(`${base}/callbacks`);
      await page.locator('canvas').first().waitFor();
    },
  },
  {
    file: 'water',
    open: async (page) => {
      await openRun(page, 'Dishwasher', 'Shut');
      await page.getByRole('link', { name: 'On the drawing' }).click();
      await page
        .getByRole('button', { name: /^Strike out/ })
        .first()
        .click();
      await page.waitForTimeout(400);
    },
  },
  {
    file: 'stock',
    open: async (page) => {
      await page.goto(`${base}/stock?load=${new Date().toISOString().slice(0, 10)}`);
      await page.getByRole('button', { name: /from Workshop shelf/ }).waitFor();
    },
  },
  { file: 'phone-make', phone: true, open: (page) => openRun(page, 'Flat toilet', 'Make') },
];

mkdirSync(folder, { recursive: true });
const wanted = process.argv.slice(2);
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
for (const view of VIEWS.filter((v) => wanted.length === 0 || wanted.includes(v.file))) {
  const page = await browser.newPage({ viewport: view.phone ? { width: 390, height: 844 } : { width: 1280, height: 800 } });
  page.on('console', (m) => m.type() === 'error' && console.log(view.file, m.text()));
  page.on('pageerror', (e) => console.log(view.file, e.message));
  await view.open(page);
  await page.waitForTimeout(800);
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: join(folder, `${view.file}.png`) });
  await page.close();
}
await browser.close();
