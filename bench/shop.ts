/** A shop of some years, made up: 5,000 premises, 60,000 visits, a million entries; and how fast it is read and written. */
import { chromium } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { usualWork } from '../core/index.ts';
import { CHROMIUM } from '../ops/chromium.ts';
import { addDays } from '../record/index.ts';
import { FIRST_SHOP, lockCursor, moveCursor, type Sql } from '../store/database/index.ts';
import { filedBookEntry, insertDrains, insertJoints } from '../store/entries/index.ts';
import { rebuildBook } from '../store/projections/index.ts';
import { shopToday } from '../store/queries/index.ts';
import { entriesOfSubjects, insertBookEntries, insertEntries, type PlacedBookEntry, type PlacedEntry } from '../store/rows/index.ts';
import { APPLIANCES, chance, type DemoAppliance, type DemoRun, uuidAt, walkEntries } from '../store/seed/index.ts';

export interface Size {
  premises: number;
  visits: number;
  entries: number;
}

const STREETS = ['Tarn lane', 'Kiln row', 'Summit road', 'Sluice street', 'Weir end', 'Quarry path', 'Mill rise', 'Ferry walk'];
const NAMES = ['Alder', 'Birch', 'Cedar', 'Damson', 'Elder', 'Fir', 'Gorse', 'Hazel', 'Ivy', 'Juniper', 'Larch', 'Maple'];
const ROOMS = ['Kitchen', 'Bathroom', 'Utility room'];
/** The shop's days reach back so far, and so far ahead. */
const BACK_DAYS = 1000;
const AHEAD_DAYS = 60;

interface House {
  id: string;
  runs: { id: string; stemId: string; applianceId: string; appliance: DemoAppliance; run: DemoRun }[];
}

/** Fills the shop; how many entries it then has. */
export async function fillShop(sql: Sql, size: Size, say: (what: string) => void): Promise<number> {
  const next = chance(99);
  const today = await shopToday(sql, FIRST_SHOP, new Date());
  const id = () => uuidAt(Date.UTC(2023, 0, 1), next);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!;
  const begun = new Date(Date.now() - (BACK_DAYS + 10) * 86_400_000);
  const writer = new Writer(sql);
  const houses: House[] = [];
  for (let n = 0; n < size.premises; n++) {
    const premisesId = id();
    const name = `${pick(NAMES)} ${pick(NAMES).toLowerCase()} house ${n}`;
    await writer.book(
      filedBookEntry(
        'premises',
        premisesId,
        'made',
        { name, timeZone: 'UTC', address: `${1 + (n % 90)} ${pick(STREETS)}`, contact: { phone: `555 ${String(n).padStart(4, '0')}` } },
        begun,
        { entryId: id() },
      ),
    );
    const places = ROOMS.map((room) => ({ id: id(), room }));
    for (const p of places) await writer.book(filedBookEntry('place', p.id, 'made', { premisesId, name: p.room }, begun, { entryId: id() }));
    const house: House = { id: premisesId, runs: [] };
    for (let a = 0; a < 4; a++) {
      const appliance = pick(APPLIANCES);
      const applianceId = id();
      await writer.book(
        filedBookEntry(
          'appliance',
          applianceId,
          'made',
          { premisesId, placeId: pick(places).id, kind: appliance.kind, name: appliance.name },
          begun,
          { entryId: id() },
        ),
      );
      for (const run of appliance.runs) {
        const [runId, stemId] = [id(), id()];
        const checkPoints = [{ id: stemId, kind: 'stem', name: 'Stop stem' }];
        await writer.book(
          filedBookEntry('run', runId, 'made', { applianceId, water: run.water, name: run.name, checkPoints }, begun, { entryId: id() }),
        );
        house.runs.push({ id: runId, stemId, applianceId, appliance, run });
      }
    }
    houses.push(house);
  }
  const visits: { id: string; day: string; house: House; at: House['runs'][number] }[] = [];
  for (let n = 0; n < size.visits; n++) {
    const house = pick(houses);
    const at = pick(house.runs);
    const day = addDays(today, Math.floor(next() * (BACK_DAYS + AHEAD_DAYS)) - BACK_DAYS);
    const startsAt = `${String(8 + Math.floor(next() * 9)).padStart(2, '0')}:00`;
    const visitId = id();
    const told = new Date(Math.min(Date.parse(`${day}T07:00:00Z`) - 86_400_000, Date.now()));
    await writer.book(
      filedBookEntry('visit', visitId, 'made', { premisesId: house.id, onDate: day, startsAt, title: at.run.name }, told, { entryId: id() }),
    );
    await writer.book(
      filedBookEntry('visit', visitId, 'run-added', { runId: at.id, work: usualWork(at.appliance.kind) }, new Date(told.getTime() + 1000), {
        entryId: id(),
      }),
    );
    visits.push({ id: visitId, day, house, at });
  }
  await writer.end();
  say('the book is written');
  await sql.begin((tx) => rebuildBook(tx, FIRST_SHOP, (ids) => entriesOfSubjects(tx, FIRST_SHOP, ids)));
  say('its tables are derived');
  const past = visits.filter((v) => v.day < today).sort((a, b) => (a.day < b.day ? -1 : 1));
  const device = id();
  const walked = (v: (typeof visits)[number], isWhole: boolean, n: number) =>
    walkEntries({
      visitId: v.id,
      runId: v.at.id,
      stemId: v.at.stemId,
      deviceId: device,
      appliance: v.at.appliance,
      run: v.at.run,
      progress: isWhole ? 'signed off' : 'looked',
      startMs: Date.parse(`${v.day}T09:00:00Z`),
      next,
      recheck: n < past.length - 200,
      callback: isWhole && next() < 0.03 ? 0 : undefined,
    });
  // As many are walked to their sign-off as the entries allow; the others were only looked at.
  const [whole, short] = [
    averageOf(past.slice(0, 40), (v) => walked(v, true, 0).length),
    averageOf(past.slice(0, 40), (v) => walked(v, false, 0).length),
  ];
  const share = Math.min(1, ((size.entries - writer.count) / past.length - short) / (whole - short));
  for (const [n, v] of past.entries()) await writer.runs(walked(v, next() < share, n));
  await writer.end();
  return writer.count;
}

const averageOf = <T>(list: T[], of: (one: T) => number): number => list.reduce((sum, one) => sum + of(one), 0) / Math.max(1, list.length);

/** Writes entries a slice at a time, each with its place in the shop's order. */
class Writer {
  count = 0;
  private bookRows: PlacedBookEntry[] = [];
  private runRows: PlacedEntry[] = [];
  private position = 0;
  constructor(private readonly sql: Sql) {}

  async book(entry: ReturnType<typeof filedBookEntry>): Promise<void> {
    this.bookRows.push({ ...entry, position: 0 });
    if (this.bookRows.length >= 5000) await this.end();
  }

  async runs(entries: ReturnType<typeof walkEntries>): Promise<void> {
    this.runRows.push(...(entries as PlacedEntry[]));
    if (this.runRows.length >= 5000) await this.end();
  }

  async end(): Promise<void> {
    const [book, runs] = [this.bookRows, this.runRows];
    [this.bookRows, this.runRows] = [[], []];
    await this.sql.begin(async (tx) => {
      this.position = await lockCursor(tx, FIRST_SHOP);
      const placed = <E extends object>(list: E[]) => list.map((e) => ({ ...e, position: ++this.position }));
      await insertBookEntries(tx, FIRST_SHOP, placed(book));
      const rows = placed(runs);
      await insertJoints(tx, FIRST_SHOP, rows);
      await insertDrains(tx, FIRST_SHOP, rows);
      await insertEntries(tx, FIRST_SHOP, rows);
      await moveCursor(tx, FIRST_SHOP, this.position);
    });
    this.count += book.length + runs.length;
  }
}

/** A process that has been at work: its first batches are not counted. */
const WARM = 10;

/** Batches of 100 changes, as an office writes them: visits booked, moved, called off; ms of each. */
export async function bookEntries(address: string, premises: string[], batches: number): Promise<number[]> {
  const deviceId = uuidv7();
  let seq = 0;
  const times: number[] = [];
  for (let b = -WARM; b < batches; b++) {
    const at = new Date().toISOString();
    const entry = (visitId: string, change: string, body: object) => ({
      id: uuidv7(),
      deviceId,
      seq: ++seq,
      seenAt: at,
      sentAt: at,
      recordedAt: null,
      correctsId: null,
      subject: { kind: 'visit', id: visitId },
      change,
      body,
    });
    const entries = Array.from({ length: 25 }, (_, i) => {
      const visitId = uuidv7();
      return [
        entry(visitId, 'made', {
          premisesId: premises[((b + WARM) * 25 + i) % premises.length],
          onDate: '2031-01-01',
          startsAt: '09:00',
          title: 'Measured',
        }),
        entry(visitId, 'changed', { startsAt: '10:30' }),
        entry(visitId, 'cancelled', { reason: 'measured' }),
        entry(visitId, 'restored', { reason: 'measured' }),
      ];
    }).flat();
    const body = JSON.stringify({ entries });
    const began = performance.now();
    const response = await fetch(`${address}/api/v1/book`, { method: 'POST', headers: { 'content-type': 'application/json' }, body });
    const { results } = (await response.json()) as { results: { status: string }[] };
    if (b >= 0) times.push(performance.now() - began);
    if (results.some((r) => r.status !== 'kept')) throw new Error('A change was not kept.');
  }
  return times;
}

/** A browser that was never here, from its first page to when it holds its next days, ms. */
export async function firstSync(address: string): Promise<number> {
  const browser = await chromium.launch({ executablePath: CHROMIUM });
  try {
    const page = await browser.newPage();
    await page.goto(`${address}/unsent`);
    const began = performance.now();
    await page.waitForFunction(
      () =>
        new Promise<boolean>((done) => {
          const open = indexedDB.open('brass-nut');
          open.onerror = () => done(false);
          open.onsuccess = () => {
            const db = open.result;
            if (!db.objectStoreNames.contains('facts')) {
              db.close();
              done(false);
              return;
            }
            const read = db.transaction('facts').objectStore('facts').get('device');
            read.onsuccess = () => {
              db.close();
              done(read.result?.kit != null);
            };
          };
        }),
      undefined,
      { polling: 50, timeout: 60_000 },
    );
    return performance.now() - began;
  } finally {
    await browser.close();
  }
}
