/**
 * Kills the server and its database at random moments while four devices write, drop out and come back, their clocks off by up to a day; then
 * holds what the record has against what the devices were told. `npm run chaos -- 200`.
 */
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { isDeepStrictEqual } from 'node:util';
import { catalogue } from '../catalog/index.ts';
import { freePort, runningCluster } from '../ops/cluster.ts';
import { type Bodies, contextOf, type Entry, type EntryKind, runState, STAGES, type VisitSheet } from '../record/index.ts';
import { connect, FIRST_SHOP } from '../store/database/index.ts';
import { rebuild } from '../store/projections/index.ts';
import { visitSheet } from '../store/queries/index.ts';
import { type Chance, chance } from '../store/seed/index.ts';
import { newEntry } from '../sync/entry.ts';
import { MemoryDevice } from '../sync/memory-device.ts';
import { pull } from '../sync/pull.ts';
import { type Post, push } from '../sync/push.ts';

const KILLS = Number(process.argv[2] ?? 20);
const DEVICES = 4;
const DAY_MS = 86_400_000;
const wait = (ms: number) => new Promise((wake) => setTimeout(wake, ms));

const folder = mkdtempSync(join(process.getuid?.() === 0 ? '/var/tmp' : tmpdir(), 'brass-nut-chaos-'));
execFileSync('chmod', ['755', folder]);
const data = join(folder, 'house');
const port = await freePort();
const base = `http://127.0.0.1:${port}`;
const house = spawn(process.execPath, ['--import', 'tsx', 'ops/start.ts', '--port', String(port), '--data', data], {
  stdio: ['ignore', 'pipe', 'pipe'],
});
let said = '';
for (const stream of [house.stdout, house.stderr])
  stream.on('data', (text) => {
    said += text;
  });
while (!said.includes('is up')) {
  if (house.exitCode !== null) throw new Error(said);
  await wait(200);
}

// A house that is given up is a fault, not something to wait for.
let ending = false;
house.once('exit', () => {
  if (ending) return;
  console.log(`The house gave up:\n${said.slice(-2000)}`);
  process.exit(1);
});

interface Player {
  device: MemoryDevice;
  clockOffMs: number;
  next: Chance;
  away: boolean;
  made: Entry[];
}

const players: Player[] = Array.from({ length: DEVICES }, (_, i) => {
  const next = chance(100 + i);
  return { device: new MemoryDevice(), clockOffMs: Math.round((next() - 0.5) * 2 * DAY_MS), next, away: false, made: [] };
});
const today = () => new Date().toISOString().slice(0, 10);
const get = async <T>(path: string): Promise<T | null> => {
  try {
    const response = await fetch(base + path, { signal: AbortSignal.timeout(4000) });
    return response.ok ? ((await response.json()) as T) : null;
  } catch {
    return null;
  }
};
const post: Post = async (body, door) => {
  try {
    const response = await fetch(`${base}/api/v1/${door}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
      signal: AbortSignal.timeout(4000),
    });
    return { status: response.status, text: await response.text() };
  } catch {
    return null;
  }
};

for (const p of players) await pull(p.device, get, today());
const visit = players[0]!.device.sheets().find((s) => s.visit.title === 'Canteen kitchen' && s.visit.onDate === today())!;
let stopping = false;

/** Something a plumber would note, on a run in whatever state it is seen to be. */
function write({ device, clockOffMs, next, made }: Player): void {
  const sheet = device.sheet(visit.visit.id);
  const run = sheet.runs[Math.floor(next() * sheet.runs.length)]!;
  const state = runState(contextOf(run, catalogue()), sheet.entries);
  const add = <K extends EntryKind>(kind: K, body: Bodies[K], target: { jointId?: string; checkPointId?: string } = {}) => {
    const entry = newEntry({ deviceId: device.deviceId, visitId: visit.visit.id, runId: run.id }, kind, body, target);
    made.push(device.keep({ ...entry, seenAt: new Date(Date.now() + clockOffMs).toISOString() }));
    return entry.id;
  };
  const joint = state.joints[Math.floor(next() * state.joints.length)];
  const what = Math.floor(next() * 6);
  if (what === 0) add('noted', { text: `note ${made.length}` });
  else if (what === 1) add('stop-tried', { kind: 'quarter-turn', condition: next() < 0.5 ? 'works' : 'passes' });
  else if (what === 2) add('distance-measured', { text: String(10 + made.length), inches: 10 + made.length });
  else if (joint && what === 3) add('joint-made', { turns24: Math.floor(next() * 24) }, { jointId: joint.id });
  else if (joint) {
    const begunId = add('look-begun', { round: 'standing', method: 'tissue' }, { jointId: joint.id });
    add('look-ended', { begunId, finding: next() < 0.8 ? 'dry' : 'damp', drops: null, elapsedS: 300 }, { jointId: joint.id });
  }
}

async function play(p: Player): Promise<void> {
  while (!stopping) {
    if (p.next() < 0.05) p.away = !p.away;
    for (let i = Math.floor(p.next() * 3); i >= 0; i--) write(p);
    if (!p.away) {
      await push(p.device, post, () => new Date(Date.now() + p.clockOffMs));
      await pull(p.device, get, today());
    }
    await wait(p.next() * 120);
  }
}

function kill(what: 'server' | 'database'): void {
  const pid =
    what === 'database'
      ? readFileSync(join(data, 'db', 'postmaster.pid'), 'utf8').split('\n')[0]
      : /pid=(\d+)/.exec(execFileSync('ss', ['-ltnpH', `sport = :${port}`], { encoding: 'utf8' }))?.[1];
  if (pid) process.kill(Number(pid), 'SIGKILL');
}

const playing = players.map(play);
const next = chance(7);
let kills = 0;
while (kills < KILLS) {
  await wait(300 + next() * 1500);
  try {
    kill(next() < 0.5 ? 'server' : 'database');
    kills++;
    if (kills % 20 === 0) console.log(`${kills} kills, ${players.reduce((n, p) => n + p.made.length, 0)} entries made`);
  } catch {
    // It is down already.
  }
}
stopping = true;
await Promise.all(playing);
for (let tries = 0; tries < 100; tries++) {
  const sent = [];
  for (const p of players) sent.push(await push(p.device, post, () => new Date(Date.now() + p.clockOffMs)));
  if (sent.every((s) => s.state === 'all sent')) break;
  await wait(500);
}
for (const p of players) while ((await pull(p.device, get, today())) === null) await wait(300);

/** Where two values differ first; null where they are the same. */
function firstOther(a: unknown, b: unknown, at = ''): string | null {
  if (isDeepStrictEqual(a, b)) return null;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return `${at} ${JSON.stringify(a)} for ${JSON.stringify(b)}`;
  const [own, their] = [a as Record<string, unknown>, b as Record<string, unknown>];
  for (const key of new Set([...Object.keys(own), ...Object.keys(their)])) {
    const found = firstOther(own[key], their[key], `${at}.${key}`);
    if (found) return found;
  }
  return `${at}: other fields`;
}

const faults: string[] = [];
const sql = connect(runningCluster(data)!, 2);
const rows = await sql<{ entry_id: string; device_id: string; seq: number | null; position: string }[]>`
  select entry_id, device_id, seq, position from entry where shop_id = ${FIRST_SHOP} order by position`;
const inDatabase = new Set(rows.map((r) => r.entry_id));
if (inDatabase.size !== rows.length) faults.push('an entry is doubled');
for (const [i, p] of players.entries()) {
  for (const id of p.device.acknowledged) if (!inDatabase.has(id)) faults.push(`device ${i}: acknowledged ${id} is lost`);
  const accounted = p.made.filter((e) => inDatabase.has(e.id)).length + p.device.refused.length;
  if (accounted !== p.made.length) faults.push(`device ${i}: ${p.made.length - accounted} entries neither kept nor refused`);
  const order = rows.filter((r) => p.made.some((e) => e.id === r.entry_id)).map((r) => r.seq!);
  if (order.some((seq, at) => at > 0 && seq <= order[at - 1]!)) faults.push(`device ${i}: out of order`);
}
const ofServer = (await visitSheet(sql, FIRST_SHOP, visit.visit.id))!;
/** A device knows of an entry where it stands in the shop's order; a visit from the database does not say it. */
const unplaced = (entries: VisitSheet['entries']) => entries.map((e) => ({ ...e, position: undefined }));
const states = (sheet: VisitSheet) => sheet.runs.map((run) => runState(contextOf(run, catalogue()), unplaced(sheet.entries)));
const want = states(ofServer);
for (const [i, p] of players.entries()) {
  const other = firstOther(states(p.device.sheet(visit.visit.id)), want);
  if (other) faults.push(`device ${i} sees another state: ${other}`);
}
const derived = async () =>
  await sql`select visit_id, run_id, up_to, summary, callbacks from derived_run where shop_id = ${FIRST_SHOP} order by visit_id, run_id`;
const before = await derived();
await rebuild(sql, FIRST_SHOP);
if (!isDeepStrictEqual([...before], [...(await derived())])) faults.push('rebuilt tables differ from derived ones');
await sql.end();

const made = players.reduce((n, p) => n + p.made.length, 0);
const refused = players.flatMap((p) => p.device.refused);
console.log(
  `${kills} kills, ${made} entries made, ${refused.length} refused (${[...new Set(refused.map((r) => r.rule))].join(', ')}), ${STAGES.length} stages folded`,
);
console.log(faults.length === 0 ? 'nothing lost, nothing doubled, all in order, one state everywhere' : faults.join('\n'));
ending = true;
house.kill('SIGTERM');
await new Promise((done) => house.once('exit', done));
rmSync(folder, { recursive: true });
process.exit(faults.length === 0 ? 0 : 1);
