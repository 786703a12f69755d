/** What years bring: a shop with all its visits, its ledger, an hour of a gauge. */
import { startLogger } from '../ops/logger/serve.ts';
import { FIRST_SHOP, type Sql } from '../store/database/index.ts';
import { rebuild } from '../store/projections/index.ts';
import { at, line, sorted, steady } from './figures.ts';
import { gaugePage, PER_SECOND } from './gauge-page.ts';
import { withHouse } from './house.ts';
import { fillLedger } from './ledger.ts';
import { bookEntries, fillShop, firstSync } from './shop.ts';

/** The shop's own day, in a shop of some years. */
export async function shopOfYears(address: string, sql: Sql): Promise<void> {
  const share = Number(process.env.SHOP_SHARE ?? 1);
  const size = { premises: 5000 * share, visits: 60_000 * share, entries: 1_000_000 * share };
  const began = performance.now();
  const count = await fillShop(sql, size, (what) => console.log(`  ${what} (${((performance.now() - began) / 1000).toFixed(0)} s)`));
  line(`a shop of ${size.premises} premises, ${size.visits} visits made`, `${count} entries in ${((performance.now() - began) / 1000).toFixed(0)} s`);
  let most = 0;
  const watch = setInterval(() => {
    most = Math.max(most, process.memoryUsage().rss);
  }, 50);
  const rebuilding = performance.now();
  await rebuild(sql, FIRST_SHOP);
  clearInterval(watch);
  line('all derived tables rebuilt (at most 120 s)', `${((performance.now() - rebuilding) / 1000).toFixed(0)} s`);
  line('memory of that process at most (1,024 MB)', `${(most / 1e6).toFixed(0)} MB`);
  await sql`select 1`;
  const { premises } = (await (await fetch(`${address}/api/v1/premises?limit=200`)).json()) as { premises: { id: string }[] };
  const day = (i: number) => new Date(Date.now() + ((i % 20) - 10) * 86_400_000).toISOString().slice(0, 10);
  const words = ['kiln', 'tarn lane', 'alder', 'summit 12', 'bathroom birch', '555 01', 'lodge washer', 'hazel maple', 'nothing of it', 'house 42'];
  const asks: [what: string, most: number, send: (i: number) => Promise<Response>][] = [
    ['day sheet', 60, (i) => fetch(`${address}/?day=${day(i)}`)],
    ['week', 90, (i) => fetch(`${address}/week?day=${day(i)}`)],
    ['premises page', 60, (i) => fetch(`${address}/premises/${premises[i % premises.length]!.id}`)],
    ['search', 50, (i) => fetch(`${address}/api/v1/premises?limit=8&q=${encodeURIComponent(words[i % words.length]!)}`)],
  ];
  for (const [what, wanted, send] of asks) {
    for (let i = 0; i < 20; i++) await (await send(i)).text();
    const times = await steady(20, 200, send);
    line(
      `${what} at 20 requests/s, 95th percentile (at most ${wanted} ms)`,
      `${at(times, 0.95).toFixed(1)} ms (median ${at(times, 0.5).toFixed(1)})`,
    );
  }
  const written = await bookEntries(
    address,
    premises.map((p) => p.id),
    60,
  );
  line(
    'book entries through HTTP in batches of 100 (at least 500 a second)',
    `${((written.length * 100_000) / written.reduce((a, b) => a + b, 0)).toFixed(0)} a second`,
  );
  line('such a batch, 95th percentile (at most 80 ms)', `${at(sorted(written), 0.95).toFixed(1)} ms (median ${at(sorted(written), 0.5).toFixed(1)})`);
  const kits: number[] = [];
  let bytes = 0;
  for (let i = 0; i < 5; i++) {
    const start = performance.now();
    bytes = (await (await fetch(`${address}/api/v1/kit`)).arrayBuffer()).byteLength;
    kits.push(performance.now() - start);
  }
  line('what a device takes along for 14 days, from the server', `${at(sorted(kits), 0.5).toFixed(0)} ms, ${(bytes / 1e6).toFixed(1)} MB`);
  line('first sync of a device (at most 2,000 ms)', `${(await firstSync(address)).toFixed(0)} ms`);
}

/** The gauge's chart, after as many readings as an hour brings. */
export async function gauge(): Promise<void> {
  const logger = await startLogger({ tcpPort: 0, httpPort: 0, perSecond: PER_SECOND });
  await withHouse(
    async (address) => {
      const { readings, framesPerSecond, heapMb } = await gaugePage(address);
      line(`the gauge's chart after ${readings} readings, frames a second (at least 30)`, framesPerSecond.toFixed(0));
      line('memory of its page after a sixth of them, and after all', `${heapMb.early.toFixed(1)} MB, ${heapMb.late.toFixed(1)} MB`);
    },
    { BRASS_NUT_GAUGE: `http://127.0.0.1:${logger.httpPort}` },
  );
  await logger.close();
}

/** The ledger of many years. */
export async function manyYears(address: string, sql: Sql, _: number, owner: Sql): Promise<void> {
  const share = Number(process.env.LEDGER_SHARE ?? 1);
  const began = performance.now();
  const say = (what: string) => console.log(`  ${what} (${((performance.now() - began) / 1000).toFixed(0)} s)`);
  const { joints, checks } = await fillLedger(sql, { joints: 250_000 * share, checks: 1_000_000 * share }, say);
  await owner`vacuum analyze`;
  const [size] = await sql<{ mb: number }[]>`select (pg_database_size(current_database()) / 1e6)::int as mb`;
  line(`a ledger of ${joints} joints and ${checks} checks`, `${size!.mb} MB of database`);
  const parts = ['con-toilet-c38-12', 'con-faucet-c38-16', 'stop-c38-f12'];
  const rooms = ['kitchen', 'bathroom', 'utility room'];
  const names = ['alder', 'birch', 'cedar', 'damson', 'elder', 'fir', 'gorse', 'hazel', 'ivy', 'juniper', 'larch', 'maple'];
  /** Few are asked twice: what is remembered of the ones before says little of them. */
  const searched = (i: number): string => {
    const [room, name, other, part] = [rooms[i % 3], names[i % 12], names[(i * 5) % 11], parts[i % 3]];
    return [
      `q=${room} ${name}`,
      `q=braided ${name} ${i}`,
      `q=${name} ${other} ${i % 60}`,
      `end=3/8 comp&q=${name}`,
      `appliance=toilet&finding=damp&q=${room}`,
      `part=${part}&q=${other}`,
      `seal=taper&callbacks=only&q=${name}`,
      `q=nothing of it ${i}`,
      `from=2023-0${1 + (i % 9)}-01&to=2024-06-30`,
      `part=${part}&q=house ${i}`,
      `recheck=due&q=${name}`,
      `q=${room}`,
    ][i % 12]!;
  };
  const asks: [what: string, most: number, perSecond: number, path: (i: number) => string][] = [
    ['ledger searched, first page', 60, 20, (i) => `ledger?${searched(i)}`],
    ['due list', 100, 5, (i) => `due?ahead=${[60, 30, 365][i % 3]}`],
    ['callbacks analysed', 500, 1, (i) => `callbacks${['', '?appliance=toilet', '?from=2024-01-01'][i % 3]}`],
  ];
  for (const [what, wanted, perSecond, path] of asks) {
    const send = (i: number) => fetch(`${address}/api/v1/${path(i)}`);
    for (let i = 0; i < 24; i++) if (!(await send(i)).ok) throw new Error(`${path(i)} is not answered.`);
    const times = await steady(perSecond, perSecond * 12, send);
    line(
      `${what} at ${perSecond} request${perSecond === 1 ? '' : 's'}/s, 95th percentile (at most ${wanted} ms)`,
      `${at(times, 0.95).toFixed(1)} ms (median ${at(times, 0.5).toFixed(1)})`,
    );
  }
}
