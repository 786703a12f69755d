import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startCluster } from '../ops/cluster.ts';
import { now } from '../store/clock.ts';
import { connect } from '../store/connection.ts';
import { migrate, readMigrations } from '../store/migrate.ts';
import { ensureDemo } from '../store/seed/demo.ts';
import { startServer } from './server.ts';

/** Starts the tests' own database with the demo, and a server on it. */
export default async function house(): Promise<() => Promise<void>> {
  const folder = mkdtempSync(join(process.getuid?.() === 0 ? '/var/tmp' : tmpdir(), 'brass-nut-e2e-'));
  chmodSync(folder, 0o755);
  const data = join(folder, 'cluster');
  const cluster = await startCluster(data, { quick: true });
  await migrate(cluster.url, readMigrations(join('store', 'migrations')));
  const sql = connect(cluster.url, 1);
  await ensureDemo(sql, now());
  await sql.end();
  const server = await startServer(cluster.url);
  process.env.HOUSE_DATA = data;
  process.env.HOUSE_DATABASE_URL = cluster.url;
  process.env.HOUSE_ADDRESS = server.address;
  return async () => {
    await server.kill();
    cluster.stop();
    rmSync(folder, { recursive: true });
  };
}

export const address = () => process.env.HOUSE_ADDRESS as string;
export const databaseUrl = () => process.env.HOUSE_DATABASE_URL as string;
