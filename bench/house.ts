/** A house of the bench's own: a database with the demo and a server on it, gone when it is done. */
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import postgres from 'postgres';
import { startServer } from '../e2e/server.ts';
import { startCluster } from '../ops/cluster.ts';
import { connect, migrate, now, readMigrations, type Sql } from '../store/database/index.ts';
import { ensureDemo } from '../store/seed/index.ts';

export async function withHouse(
  work: (address: string, sql: Sql, pid: number, owner: Sql) => Promise<void>,
  env: Record<string, string> = {},
): Promise<void> {
  const folder = mkdtempSync(join(process.getuid?.() === 0 ? '/var/tmp' : tmpdir(), 'brass-nut-bench-'));
  chmodSync(folder, 0o755);
  const cluster = await startCluster(join(folder, 'cluster'));
  await migrate(cluster.url, readMigrations(join('store', 'migrations')));
  const sql = connect(cluster.url, 2);
  // Whose the tables are: to have them tended as a database at rest tends them by itself.
  const owner = postgres(cluster.url, { max: 1, onnotice: () => {} });
  await ensureDemo(sql, now());
  const server = await startServer(cluster.url, env);
  try {
    await work(server.address, sql, server.pid, owner);
  } finally {
    await server.kill();
    await Promise.all([sql.end(), owner.end()]);
    cluster.stop();
    rmSync(folder, { recursive: true });
  }
}
