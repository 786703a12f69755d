/** The demo: loaded once, and kept around today at every start. Nothing past is moved. */
import { catalogue } from '../../catalog/index.ts';
import { usualWork } from '../../core/index.ts';
import type { Entry } from '../../record/index.ts';
import { addDays, type BookEntry, type FiledBookEntry, keptForm, MOST_AT_ONCE, type SubjectKind, type WaterThing } from '../../record/index.ts';
import { FIRST_SHOP, inShop, lockCursor, machineZone, moveCursor, type Sql, type Tx } from '../database/index.ts';
import { appendBook, filedBookEntry, insertDrains, insertJoints } from '../entries/index.ts';
import { deriveMissing } from '../projections/index.ts';
import { coilIn, shopToday } from '../queries/index.ts';
import { insertEntries, type PlacedEntry } from '../rows/index.ts';
import { APPLIANCES, type DemoVisit, PREMISES, SHOP, VISITS } from './observatory.ts';
import { chance, seedOf, uuidAt } from './random.ts';
import { walkEntries } from './walk.ts';
import { demoWater } from './water.ts';

const SEED = 20;
const PAST_CONNECTIONS = 150;
const BORN_MS = Date.UTC(2020, 0, 1);

/** Ids of what lasts come from its name, so that they are the same in every demo. */
const idOf = (key: string) => uuidAt(BORN_MS, chance(seedOf(`quillback ${key}`)));
const visitIdOf = (slot: string, day: string) => uuidAt(Date.parse(`${day}T00:00:00Z`), chance(seedOf(`visit ${slot} ${day}`)));
const DEVICE = idOf('van phone');

const RUNS = new Map(APPLIANCES.flatMap((appliance) => appliance.runs.map((run) => [run.key, { appliance, run }] as const)));

/** Loads the demo where the shop has none, and adds the visits of today and tomorrow where they are missing. */
export async function ensureDemo(sql: Sql, at: Date): Promise<{ loaded: boolean; visitsAdded: number }> {
  return inShop(sql, FIRST_SHOP, async (tx) => {
    const [row] = await tx`select 1 from premises where shop_id = ${FIRST_SHOP} and premises_id = ${idOf(PREMISES.key)}`;
    const today = await shopToday(tx, FIRST_SHOP, at);
    await tx`update shop set is_demo = true where shop_id = ${FIRST_SHOP} and not is_demo`;
    if (!row) {
      // Written down before the first of its past visits.
      await loadHouse(tx, new Date(at.getTime() - 600 * 86_400_000));
      await loadPast(tx, at, today);
      await appendBook(tx, FIRST_SHOP, [written('shop', FIRST_SHOP, 'changed', SHOP, at), ...stockEntries(at)]);
    }
    let visitsAdded = 0;
    for (const day of row ? [0, 1] : [-1, 0, 1]) {
      const date = addDays(today, day);
      const visits = VISITS.filter((v) => v.day === day);
      // By their ids: one that was moved to another day meanwhile is there all the same.
      const ids = visits.map((v) => visitIdOf(v.slot, date));
      const there = await tx`select 1 from visit where shop_id = ${FIRST_SHOP} and visit_id = any(${ids}::uuid[]) limit 1`;
      if (there.length > 0) continue;
      for (const visit of visits) {
        await addVisit(tx, visit, date, at);
        visitsAdded++;
      }
    }
    if (visitsAdded > 0) {
      await deriveMissing(tx, FIRST_SHOP);
    }
    return { loaded: !row, visitsAdded };
  });
}

/** An entry of the book as the van's telephone would have made it; its id follows from what it is of. */
function written(kind: SubjectKind, id: string, change: string, body: BookEntry['body'], at: Date, more = ''): FiledBookEntry {
  const entryId = uuidAt(at.getTime(), chance(seedOf(`${kind} ${id} ${change} ${more}`)));
  return filedBookEntry(kind, id, change, body, at, { entryId, deviceId: DEVICE });
}

async function loadHouse(tx: Tx, at: Date): Promise<void> {
  const premisesId = idOf(PREMISES.key);
  const places = [...new Set(APPLIANCES.map((a) => a.place))];
  const { name, address, access, quiet, contact } = PREMISES;
  await appendBook(tx, FIRST_SHOP, [
    written('premises', premisesId, 'made', { name, timeZone: machineZone(), address, access, quiet, contact }, at),
    ...places.map((place) => written('place', idOf(`place ${place}`), 'made', { premisesId, name: place }, at)),
    ...APPLIANCES.map((a) =>
      written('appliance', idOf(a.key), 'made', { premisesId, placeId: idOf(`place ${a.place}`), kind: a.kind, name: a.name }, at),
    ),
    ...[...RUNS.values()].map(({ appliance, run }) => {
      const checkPoints = [{ id: idOf(`stem ${run.key}`), kind: 'stem', name: 'Stop stem' }];
      return written('run', idOf(run.key), 'made', { applianceId: idOf(appliance.key), water: run.water, name: run.name, checkPoints }, at);
    }),
    ...drawnAtOnce(demoWater(idOf)).map((things, i) => written('premises', premisesId, 'water-drawn', { things }, at, `${i}`)),
  ]);
}

/** As much as one entry draws, places before what leads to them. */
const drawnAtOnce = (things: WaterThing[]): WaterThing[][] =>
  Array.from({ length: Math.ceil(things.length / MOST_AT_ONCE) }, (_, i) => things.slice(i * MOST_AT_ONCE, (i + 1) * MOST_AT_ONCE));

/** Past connections over a year and a half, each proven and signed off; a few came back. */
async function loadPast(tx: Tx, at: Date, today: string): Promise<void> {
  const next = chance(SEED);
  const keys = [...RUNS.keys()];
  let connections = 0;
  for (let back = 520; connections < PAST_CONNECTIONS; back -= 3 + Math.floor(next() * 6)) {
    const day = addDays(today, -Math.max(20, back));
    const size = Math.min(PAST_CONNECTIONS - connections, 1 + Math.floor(next() * 3));
    const first = Math.floor(next() * keys.length);
    const runs = Array.from({ length: size }, (_, i) => keys[(first + i) % keys.length] as string);
    const place = RUNS.get(runs[0] as string)!.appliance.place;
    const slot = `past ${connections}`;
    await insertVisit(tx, slot, day, `0${8 + Math.floor(next() * 2)}:00`, place, runs, at);
    const entries = runs.flatMap((key, i) => {
      const callback = next() < 0.045 ? Math.floor(next() * 3) : undefined;
      return entriesOf(slot, day, key, 'signed off', Date.parse(`${day}T08:30:00Z`) + i * 5_400_000, { recheck: true, callback });
    });
    await keepEntries(
      tx,
      entries.filter((e) => Date.parse(e.seenAt) < at.getTime()),
    );
    connections += size;
  }
}

async function addVisit(tx: Tx, visit: DemoVisit, day: string, at: Date): Promise<void> {
  await insertVisit(
    tx,
    visit.slot,
    day,
    visit.startsAt,
    visit.title,
    visit.runs.map(([key]) => key),
    at,
  );
  const beganMs = Math.min(Date.parse(`${day}T${visit.startsAt}:00Z`), at.getTime() - 4 * 3_600_000);
  const entries = visit.runs.flatMap(([key, progress], i) => entriesOf(visit.slot, day, key, progress, beganMs + i * 60_000, {}));
  await keepEntries(tx, entries);
}

function entriesOf(
  slot: string,
  day: string,
  key: string,
  progress: DemoVisit['runs'][number][1],
  startMs: number,
  more: { recheck?: boolean; callback?: number },
) {
  const { appliance, run } = RUNS.get(key)!;
  const next = chance(seedOf(`${slot} ${day} ${key}`));
  const ids = { visitId: visitIdOf(slot, day), runId: idOf(key), stemId: idOf(`stem ${key}`), deviceId: DEVICE };
  return walkEntries({ ...ids, appliance, run, progress, startMs, next, ...more });
}

async function insertVisit(tx: Tx, slot: string, day: string, startsAt: string, title: string, runs: string[], at: Date): Promise<void> {
  const id = visitIdOf(slot, day);
  const toldMs = Math.min(Date.parse(`${day}T07:00:00Z`) - 86_400_000, at.getTime() - 3_600_000);
  // One after another, as they were put on the list.
  const when = (n: number) => new Date(toldMs + n * 1000);
  await appendBook(tx, FIRST_SHOP, [
    written('visit', id, 'made', { premisesId: idOf(PREMISES.key), onDate: day, startsAt, title }, when(0)),
    ...runs.map((key, i) => {
      const { appliance, run } = RUNS.get(key)!;
      return written('visit', id, 'run-added', { runId: idOf(key), work: run.work ?? usualWork(appliance.kind) }, when(i + 1), key);
    }),
  ]);
}

async function keepEntries(tx: Tx, entries: Entry[]): Promise<void> {
  let position = await lockCursor(tx, FIRST_SHOP);
  const placed = entries.map((e) => ({ ...keptForm(e), position: ++position }) as PlacedEntry);
  await insertJoints(tx, FIRST_SHOP, placed);
  await insertDrains(tx, FIRST_SHOP, placed);
  await insertEntries(tx, FIRST_SHOP, placed);
  await moveCursor(tx, FIRST_SHOP, position);
}

/** What the dishwasher's line wants, and the van has not. */
const NOT_ON_VAN = 'arrestor-c38';
/** Items that the shelf keeps more of, and how many; of each the van wants a few. */
const ON_SHELF = 6;
const MINIMUMS = { shelf: 4, van: 2 };

/** The van as the catalogue stocks it; the dishwasher's arrestor is not among it. The shelf at the lodge has some of what goes most. */
function stockEntries(at: Date): FiledBookEntry[] {
  const [van, shelf] = [idOf('stock van'), idOf('stock shelf')];
  const entry = (place: string, change: string, body: BookEntry['body']) =>
    filedBookEntry('stock', place, change, body, at, { entryId: idOf(`stock ${place} ${change} ${body.item ?? ''}`), deviceId: DEVICE });
  const coils = new Map(catalogue().parts.map((p) => [p.id, coilIn(p)]));
  const onVan = Object.entries(catalogue().van).map(([item, n]) => [item, n * (coils.get(item) ?? 1)] as const);
  const parts = new Set(
    catalogue()
      .parts.filter((p) => !p.cutToLength)
      .map((p) => p.id),
  );
  const common = onVan
    .filter(([item]) => parts.has(item))
    .map(([item]) => item)
    .slice(0, 24);
  return [
    entry(van, 'place-made', { name: 'Van', kind: 'van' }),
    entry(shelf, 'place-made', { name: 'Workshop shelf', kind: 'shelf' }),
    ...onVan.map(([item, quantity]) => entry(van, 'counted', { item, quantity })),
    ...common.map((item, i) => entry(shelf, 'counted', { item, quantity: i % 5 === 0 ? 2 : ON_SHELF })),
    entry(shelf, 'counted', { item: NOT_ON_VAN, quantity: 1 }),
    ...common.map((item) => entry(shelf, 'minimum-set', { item, quantity: MINIMUMS.shelf })),
    ...common.slice(0, 12).map((item) => entry(van, 'minimum-set', { item, quantity: MINIMUMS.van })),
  ];
}
