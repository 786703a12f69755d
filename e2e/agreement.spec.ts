/** What two screens tell of the same thing agrees, all over the demo. */
import { expect, type Page, test } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { ownHouse } from './house.ts';
import { hydrated } from './page.ts';
import type { Served } from './server.ts';

let server: Served;
test.beforeAll(async () => {
  server = await ownHouse();
});
test.afterAll(() => server.kill());

const get = async <T>(path: string): Promise<T> => (await fetch(`${server.address}/api/v1/${path}`)).json() as Promise<T>;
const open = async (page: Page, path: string): Promise<void> => {
  await page.goto(`${server.address}${path}`);
  await hydrated(page);
};

interface Planned {
  id: string;
  premises: { id: string };
  runs: { id: string; name: string }[];
}
interface Stock {
  places: { id: string; name: string; items: { item: string; quantity: number }[] }[];
}
const today = async (): Promise<Planned[]> => {
  const day = new Date().toISOString().slice(0, 10);
  return (await get<{ visits: Planned[] }>(`visits?from=${day}&to=${day}`)).visits;
};

/** What stands behind the names of the runs, by the run that a row leads to. */
async function rowsByRun(page: Page, rows: string): Promise<Map<string, string>> {
  const links = page.locator(rows);
  const runs = await links.evaluateAll((all) => all.map((a) => new URLSearchParams(a.getAttribute('href')?.split('?')[1]).get('run')));
  const texts = await links.allInnerTexts();
  return new Map(runs.flatMap((run, i) => (run === null ? [] : [[run, texts[i]!] as const])));
}

test('where a run stands is said alike on the day, in its visit and at its premises', async ({ page }) => {
  await open(page, '/');
  const onDay = await rowsByRun(page, 'main a[href^="/visits/"]');
  const visits = await today();
  const ids = visits.flatMap((v) => v.runs.map((r) => r.id));
  expect(ids.length).toBeGreaterThan(5);
  await open(page, `/premises/${visits[0]!.premises.id}`);
  await expect(page.getByRole('region', { name: 'What stands here' })).toBeVisible();
  const atPremises = await rowsByRun(page, '[aria-label="What stands here"] a');
  let begun = 0;
  for (const visit of visits) {
    await open(page, `/visits/${visit.id}`);
    for (const run of visit.runs) {
      const said = onDay.get(run.id)!.split('\n').at(-1)!.replace('▲ ', '');
      const [inVisit] = await page.getByRole('button', { name: run.name, exact: false }).filter({ hasText: run.name }).allInnerTexts();
      // The visit names the joint that is not dry as well.
      if (said.endsWith(': see to it')) expect(inVisit).toContain(said.replace(': see to it', ''));
      else expect(inVisit).toContain(said);
      // The premises tell of when something was recorded last: of what is not begun that is another visit.
      if (!atPremises.get(run.id)?.includes('today')) continue;
      begun += 1;
      expect(atPremises.get(run.id)).toContain(said);
    }
  }
  expect(begun).toBeGreaterThan(3);
});

test('what is to be looked at again is due on the day, in the ledger, under what is due and at its premises', async ({ page }) => {
  await open(page, '/');
  const onDay = await rowsByRun(page, '[aria-label="Rechecks due"] a');
  expect(onDay.size).toBeGreaterThan(1);
  await open(page, '/due?ahead=0');
  await expect(page.getByText('Look again').first()).toBeVisible();
  const due = (await get<{ rows: { kind: string; run: string | null; runId: string | null; dueOn: string }[] }>('due?ahead=0')).rows.filter(
    (r) => r.kind === 'recheck',
  );
  const ledger = (await get<{ rows: { runId: string; recheck: string }[] }>('ledger?recheck=due')).rows;
  expect([...onDay.keys()].sort()).toEqual(due.map((r) => r.runId!).sort());
  expect(ledger.map((r) => r.runId).sort()).toEqual([...onDay.keys()].sort());
  const [visit] = await today();
  await open(page, `/premises/${visit!.premises.id}`);
  await expect(page.getByRole('region', { name: 'What stands here' })).toBeVisible();
  for (const [run, said] of await rowsByRun(page, '[aria-label="What stands here"] a')) {
    expect(said.includes('recheck due'), said).toBe(onDay.has(run));
    if (onDay.has(run)) expect(said).toContain('recheck due today');
  }
});

test('what the van lacks is told alike on the day, under Load, by what lies there, and to who takes the call', async ({ page }) => {
  const { places } = await get<Stock>('stock');
  const van = places.find((p) => p.name === 'Van')!;
  // One nut fewer than a faucet's two lines take.
  const faucet = 'con-faucet-c38-16';
  const at = new Date().toISOString();
  const head = { id: uuidv7(), deviceId: uuidv7(), seq: 1, seenAt: at, sentAt: at, recordedAt: null, correctsId: null };
  await page.request.post(`${server.address}/api/v1/book`, {
    headers: { origin: server.address },
    data: { entries: [{ ...head, subject: { kind: 'stock', id: van.id }, change: 'counted', body: { item: faucet, quantity: 1 } }] },
  });
  await open(page, '/call');
  await page.getByRole('combobox', { name: 'Who' }).fill('quil');
  await page.getByRole('option', { name: /Quillback.*summit road/ }).click();
  await page.getByRole('button', { name: 'Old wing basin' }).click();
  const bring = page.getByRole('region', { name: 'What it will take' });
  await expect(bring.getByRole('listitem').first()).toContainText(
    '1 x braided faucet connector, 3/8 compression nut x 1/2 FIP nut, 16 in: not on the van',
  );
  const told = await bring.getByRole('listitem').allInnerTexts();
  await page.getByLabel('When').fill('in 9 days 10:00');
  await page.getByRole('button', { name: /^Book it/ }).click();
  await page.waitForURL(/day=/);
  const day = new URL(page.url()).searchParams.get('day')!;
  await open(page, `/stock?load=${day}`);
  const load = page.getByRole('region', { name: 'Load the van' });
  await expect(load.getByText('(likely)').first()).toBeVisible();
  const missing = (await load.locator('li:has(b)').allInnerTexts()).map((t) => t.split('\n')[0]!);
  expect(missing.map((m) => m.replace(/^(\d+) /, '▲ $1 x '))).toEqual(told.map((t) => t.split(': not on')[0]!));

  // Today's: each that the day is short of is missing under Load too, and lies there as the day says.
  await open(page, '/');
  const short = page.getByRole('region', { name: 'Short on the van' });
  const names = (await short.locator('ul > li').allInnerTexts()).map((t) => t.split('\n')[0]!.replace(/^\d+ x /, ''));
  expect(names.length).toBeGreaterThan(1);
  await short.getByRole('link', { name: 'Load it' }).click();
  await page.waitForURL(/stock\?load=/);
  await hydrated(page);
  for (const name of names) await expect(load.getByText(name)).toContainText(/^\d+ /);
});
