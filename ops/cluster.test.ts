import assert from 'node:assert/strict';
import { type ChildProcess, spawn } from 'node:child_process';
import { chmodSync, chownSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import postgres from 'postgres';
import { v7 as uuidv7 } from 'uuid';
import type { SentEntry } from '../record/shape.ts';
import { connect, FIRST_SHOP, isDatabaseLost } from '../store/database/connection.ts';
import { migrate, readMigrations } from '../store/database/migrate.ts';
import { ingestRunEntries } from '../store/entries/run-entries.ts';
import { visitSheet, visitsBetween } from '../store/queries/visits.ts';
import { ensureDemo } from '../store/seed/demo.ts';
import { type Cluster, runningCluster, startCluster } from './cluster.ts';

const AT = new Date('2026-04-14T12:00:00Z');
let folder = '';
let house = '';
let cluster: Cluster;

before(async () => {
  folder = mkdtempSync(join(process.getuid?.() === 0 ? '/var/tmp' : tmpdir(), 'brass-nut-cluster-'));
  chmodSync(folder, 0o755);
  house = join(folder, 'house');
  // Not the quick one: what is acknowledged has to be on the disk.
  cluster = await startCluster(house);
});
after(() => {
  cluster.stop();
  rmSync(folder, { recursive: true });
});

const pidFile = () => join(house, 'db', 'postmaster.pid');
const pidOfServer = () => Number(readFileSync(pidFile(), 'utf8').split('\n')[0]);

/** As after a loss of power: the server is gone, its file stays and names a number that another program has by now. */
function leaveStale(other: ChildProcess): void {
  const text = readFileSync(pidFile(), 'utf8');
  const { uid, gid } = statSync(join(house, 'db'));
  process.kill(pidOfServer(), 'SIGKILL');
  for (let tries = 0; tries < 100 && cluster.isUp(); tries++) Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 50);
  writeFileSync(pidFile(), text.replace(/^\d+/, String(other.pid)));
  chownSync(pidFile(), uid, gid);
}

describe('the cluster', () => {
  it('is not fooled by a stale file whose number another program has, and does not stop that program', async () => {
    const other = spawn('sleep', ['60']);
    leaveStale(other);
    assert.equal(cluster.isUp(), false);
    assert.equal(runningCluster(house), null);
    cluster.stop();
    cluster = await startCluster(house);
    assert.ok(cluster.isUp());
    assert.equal(other.exitCode ?? other.signalCode, null, 'the other program lives');
    other.kill();
  });
  it('starts at once though a process of the one that died hangs on', async () => {
    const sql = postgres(cluster.url, { max: 1, onnotice: () => {} });
    const [{ pid }] = (await sql`select pg_backend_pid() as pid`) as unknown as [{ pid: number }];
    // As one that does not notice: it holds the memory that the next server wants.
    process.kill(pid, 'SIGSTOP');
    process.kill(pidOfServer(), 'SIGKILL');
    for (let tries = 0; tries < 100 && cluster.isUp(); tries++) Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 50);
    cluster.restart();
    assert.ok(cluster.isUp());
    const again = postgres(cluster.url, { max: 1, onnotice: () => {} });
    assert.equal((await again`select 1 as one`)[0]!.one, 1);
    await Promise.all([sql.end({ timeout: 1 }), again.end()]);
  });
  it('stops nothing when its server died by itself', () => {
    process.kill(pidOfServer(), 'SIGKILL');
    for (let tries = 0; tries < 100 && cluster.isUp(); tries++) Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 50);
    cluster.stop();
    cluster.restart();
    assert.ok(cluster.isUp());
  });
  it('goes away under writers and readers, and the program lives: each is told, and nothing acknowledged is lost', { timeout: 240_000 }, async () => {
    await migrate(cluster.url, readMigrations(join('store', 'migrations')));
    const sql = connect(cluster.url, 8);
    await ensureDemo(sql, AT);
    const [head] = await visitsBetween(sql, FIRST_SHOP, '2026-04-14', '2026-04-14');
    const sheet = (await visitSheet(sql, FIRST_SHOP, head!.id))!;
    const note = () =>
      ({
        id: uuidv7(),
        visitId: sheet.visit.id,
        runId: sheet.runs[0]!.id,
        jointId: null,
        checkPointId: null,
        correctsId: null,
        deviceId: uuidv7(),
        seenAt: AT.toISOString(),
        sentAt: AT.toISOString(),
        recordedAt: null,
        kind: 'noted',
        body: { text: 'x'.repeat(1500) },
      }) as unknown as SentEntry;
    const acknowledged: string[] = [];
    const strange: unknown[] = [];
    let over = false;
    const told = { lost: 0 };
    const attempt = async (work: () => Promise<unknown>) => {
      try {
        await work();
      } catch (error) {
        if (isDatabaseLost(error)) told.lost++;
        else strange.push(error);
        await new Promise((wake) => setTimeout(wake, 20));
      }
    };
    const writer = async () => {
      while (!over) {
        await attempt(async () => {
          for (const a of await ingestRunEntries(sql, FIRST_SHOP, [note(), note(), note()], AT)) if (a.status === 'kept') acknowledged.push(a.id);
        });
      }
    };
    const reader = async () => {
      while (!over) await attempt(() => visitSheet(sql, FIRST_SHOP, sheet.visit.id));
    };
    const busy = [...Array.from({ length: 6 }, writer), ...Array.from({ length: 4 }, reader)];
    for (const signal of ['SIGKILL', 'SIGINT', 'SIGKILL'] as const) {
      await new Promise((wake) => setTimeout(wake, 500));
      process.kill(pidOfServer(), signal);
      while (cluster.isUp()) await new Promise((wake) => setTimeout(wake, 20));
      await new Promise((wake) => setTimeout(wake, 200));
      cluster.restart();
    }
    // Until enough was acknowledged, however slow the machine is.
    for (let tries = 0; tries < 600 && acknowledged.length <= 50; tries++) await new Promise((wake) => setTimeout(wake, 50));
    over = true;
    await Promise.all(busy);
    assert.ok(told.lost > 0, 'somebody was told');
    assert.deepEqual(strange, []);
    const kept = new Set((await visitSheet(sql, FIRST_SHOP, sheet.visit.id))!.entries.map((e) => e.id));
    assert.ok(acknowledged.length > 50);
    assert.deepEqual(
      acknowledged.filter((id) => !kept.has(id)),
      [],
    );
    await sql.end();
  });
  it('is back, and nobody is told of the last time it went', async () => {
    const sql = connect(cluster.url, 4);
    const all = () => Promise.all([1, 2, 3, 4].map((n) => sql`select ${n}::int as n, pg_sleep(0.02)`));
    await all();
    // Nothing is read between the stop and the questions: each is asked of a connection that has died unseen.
    cluster.stop();
    const lost = await Promise.allSettled([1, 2].map((n) => sql`select ${n}::int as n`));
    assert.deepEqual(
      lost.map((l) => l.status),
      ['rejected', 'rejected'],
    );
    await new Promise((wake) => setTimeout(wake, 100));
    cluster.restart();
    assert.deepEqual(
      (await all()).map((rows) => rows[0]?.n),
      [1, 2, 3, 4],
    );
    await sql.end();
  });
});
