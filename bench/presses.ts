/** Figures of a press: until it is painted, until it is painted as taken back; and of a run on which much is recorded. */
import { chromium, type Page } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { catalogue } from '../catalog/index.ts';
import { CHROMIUM } from '../ops/chromium.ts';
import type { Entry } from '../record/index.ts';
import { contextOf, readRun, type VisitSheet } from '../record/index.ts';
import { FIRST_SHOP, type Sql } from '../store/database/index.ts';
import { ingestRunEntries } from '../store/entries/index.ts';
import { visitSheet } from '../store/queries/index.ts';
import { todaysVisit } from './record.ts';

export interface PressFigures {
  /** Milliseconds, ascending. */
  painted: number[];
  takenBack: number[];
}

/** Presses two choices in turn and takes each back by its key; what is measured runs in the page. */
export async function presses(address: string, count: number): Promise<{ online: PressFigures; offline: PressFigures; opens: number[] }> {
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] });
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    // What runs this file names functions by a helper that the page does not have.
    await page.addInitScript('globalThis.__name = (f) => f');
    await page.goto(address);
    await page
      .getByRole('link', { name: /^Glass rinser/ })
      .first()
      .click();
    await page.getByRole('tab', { name: /Look/ }).click();
    await page.waitForTimeout(1500);
    const online = await pressed(page, count);
    await page.context().setOffline(true);
    const offline = await pressed(page, count);
    await page.context().setOffline(false);
    const opens = await opened(page, 20);
    return { online, offline, opens };
  } finally {
    await browser.close();
  }
}

function pressed(page: Page, count: number): Promise<PressFigures> {
  return page.evaluate(async (times) => {
    const painted: number[] = [];
    const takenBack: number[] = [];
    const radio = (text: string) => [...document.querySelectorAll('label')].find((l) => l.textContent?.trim() === text)!.querySelector('input')!;
    const frame = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
    const until = async (holds: () => boolean) => {
      while (!holds()) await frame();
      await frame();
    };
    for (let i = 0; i < times; i++) {
      const name = i % 2 ? 'saddle' : 'gate';
      let began = performance.now();
      radio(name).click();
      await until(() => radio(name).checked);
      painted.push(performance.now() - began);
      await new Promise((done) => setTimeout(done, 60));
      began = performance.now();
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', bubbles: true }));
      await until(() => !radio(name).checked);
      takenBack.push(performance.now() - began);
      await new Promise((done) => setTimeout(done, 60));
    }
    const ascending = (list: number[]) => list.sort((a, b) => a - b);
    return { painted: ascending(painted), takenBack: ascending(takenBack) };
  }, count);
}

/** Goes between two runs of a visit, one of which holds much; until the panel is painted. */
function opened(page: Page, count: number): Promise<number[]> {
  return page.evaluate(async (times) => {
    const run = (name: string) =>
      [...document.querySelectorAll<HTMLElement>('nav[aria-label="Runs"] button')].find((b) => b.textContent?.startsWith(name))!;
    const opens: number[] = [];
    for (let i = 0; i < times; i++) {
      run('Glass rinser').click();
      await new Promise((done) => setTimeout(done, 300));
      const began = performance.now();
      run('Canteen sink, hot').click();
      const isOpen = () => run('Canteen sink, hot').getAttribute('aria-current') === 'true' && document.querySelector('#panel') !== null;
      do await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
      while (!isOpen());
      opens.push(performance.now() - began);
    }
    return opens.sort((a, b) => a - b);
  }, count);
}

/** Records looks on a run until it holds so many entries; milliseconds that its state takes to work out, ascending. */
export async function longRun(sql: Sql, entries: number): Promise<{ count: number; folds: number[] }> {
  const sheet = await todaysVisit(sql);
  const run = sheet.runs.find((r) => r.name === 'Canteen sink, hot')!;
  const own = (s: VisitSheet) => s.entries.filter((e) => e.runId === run.id);
  const accepted = own(sheet).find((e) => e.kind === 'chain-accepted') as Extract<Entry, { kind: 'chain-accepted' }>;
  const joints = accepted.body.jointIds;
  const deviceId = uuidv7();
  const batch: Entry[] = [];
  for (let i = 0; own(sheet).length + batch.length < entries; i++) {
    const at = new Date(Date.now() - 3_600_000 + i * 2000).toISOString();
    const base = {
      visitId: sheet.visit.id,
      runId: run.id,
      jointId: joints[i % joints.length]!,
      checkPointId: null,
      correctsId: null,
      deviceId,
      seenAt: at,
      sentAt: at,
      recordedAt: null,
    };
    const begun = uuidv7();
    batch.push({ ...base, id: begun, seq: 2 * i + 1, kind: 'look-begun', body: { round: 'standing', method: 'tissue' } } as Entry);
    batch.push({
      ...base,
      id: uuidv7(),
      seq: 2 * i + 2,
      kind: 'look-ended',
      body: { begunId: begun, finding: 'dry', drops: null, elapsedS: 1 },
    } as Entry);
  }
  await ingestRunEntries(sql, FIRST_SHOP, batch as never, new Date());
  const long = own((await visitSheet(sql, FIRST_SHOP, sheet.visit.id))!);
  const context = contextOf(run, catalogue());
  const folds = Array.from({ length: 200 }, () => {
    const began = performance.now();
    readRun({ ...run, checkPoints: context.checkPoints }, long, catalogue());
    return performance.now() - began;
  });
  return { count: long.length, folds: folds.slice(50).sort((a, b) => a - b) };
}
