/** The demo: loaded once, and kept around today at every start. Nothing past is moved. */
import { catalogue } from '../../catalog/index.ts';
import type { Entry } from '../../record/index.ts';
import { addDays } from '../../record/visit/day.ts';
import { shopDay, shopTimeZone } from '../clock.ts';
import { type Sql, THE_SHOP, type Tx } from '../connection.ts';
import { lockCursor, moveCursor, visitsChanged } from '../cursor.ts';
import { insertEntries, type PlacedEntry } from '../entry-row.ts';
import { deriveMissing } from '../projections/index.ts';
import { insertJoints } from '../write.ts';
import { APPLIANCES, type DemoVisit, PREMISES, VISITS } from './observatory.ts';
import { chance, seedOf, uuidAt } from './random.ts';
import { walkEntries } from './walk.ts';

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
  return sql.begin(async (tx) => {
    const [row] = await tx`select 1 from premises where shop_id = ${THE_SHOP} and premises_id = ${idOf(PREMISES.key)}`;
    const today = shopDay(at);
    if (!row) {
      await loadHouse(tx);
      await loadPast(tx, at, today);
      await loadVan(tx, at);
    }
    let visitsAdded = 0;
    for (const day of row ? [0, 1] : [-1, 0, 1]) {
      const date = addDays(today, day);
      const [{ n }] = (await tx`select count(*)::int as n from visit where shop_id = ${THE_SHOP} and demo and on_date = ${date}`) as unknown as [
        { n: number },
      ];
      if (n > 0) continue;
      for (const visit of VISITS.filter((v) => v.day === day)) {
        await addVisit(tx, visit, date, at);
        visitsAdded++;
      }
    }
    if (visitsAdded > 0) {
      await visitsChanged(tx, THE_SHOP);
      await deriveMissing(tx, THE_SHOP);
    }
    return { loaded: !row, visitsAdded };
  });
}

async function loadHouse(tx: Tx): Promise<void> {
  const shop_id = THE_SHOP;
  const premises_id = idOf(PREMISES.key);
  const places = [...new Set(APPLIANCES.map((a) => a.place))];
  await tx`insert into premises ${tx({ shop_id, premises_id, name: PREMISES.name, time_zone: shopTimeZone() })}`;
  await tx`insert into place ${tx(places.map((name) => ({ shop_id, place_id: idOf(`place ${name}`), premises_id, name })))}`;
  const appliances = APPLIANCES.map((a) => ({
    shop_id,
    appliance_id: idOf(a.key),
    premises_id,
    place_id: idOf(`place ${a.place}`),
    kind: a.kind,
    name: a.name,
  }));
  await tx`insert into appliance ${tx(appliances)}`;
  const runs = [...RUNS.values()].map(({ appliance, run }) => ({
    shop_id,
    run_id: idOf(run.key),
    appliance_id: idOf(appliance.key),
    water: run.water,
    name: run.name,
  }));
  await tx`insert into run ${tx(runs)}`;
  const stems = [...RUNS.keys()].map((key) => ({ shop_id, check_point_id: idOf(`stem ${key}`), run_id: idOf(key), kind: 'stem', name: 'Stop stem' }));
  await tx`insert into check_point ${tx(stems)}`;
}

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
    await insertVisit(tx, slot, day, `0${8 + Math.floor(next() * 2)}:00`, place, runs);
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

async function insertVisit(tx: Tx, slot: string, day: string, startsAt: string, title: string, runs: string[]): Promise<void> {
  const ids = { shop_id: THE_SHOP, visit_id: visitIdOf(slot, day) };
  await tx`insert into visit ${tx({ ...ids, premises_id: idOf(PREMISES.key), on_date: day, starts_at: startsAt, title, demo: true })}`;
  await tx`insert into visit_run ${tx(runs.map((key, i) => ({ ...ids, run_id: idOf(key), place_in_order: i })))}`;
}

async function keepEntries(tx: Tx, entries: Entry[]): Promise<void> {
  let position = await lockCursor(tx, THE_SHOP);
  const placed = entries.map((e) => ({ ...e, position: ++position }) as PlacedEntry);
  await insertJoints(tx, THE_SHOP, placed);
  await insertEntries(tx, THE_SHOP, placed);
  await moveCursor(tx, THE_SHOP, position);
}

/** The van as the catalogue stocks it; the dishwasher's arrestor is not among it. */
async function loadVan(tx: Tx, at: Date): Promise<void> {
  const rows = Object.entries(catalogue().van).map(([item, quantity]) => ({
    shop_id: THE_SHOP,
    move_id: idOf(`van ${item}`),
    item,
    quantity,
    reason: 'counted',
    recorded_at: at,
  }));
  await tx`insert into stock_move ${tx(rows)}`;
}
