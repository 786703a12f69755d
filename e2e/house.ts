import { randomBytes } from 'node:crypto';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import postgres from 'postgres';
import { startCluster } from '../ops/cluster.ts';
import { now } from '../store/clock.ts';
import { connect } from '../store/connection.ts';
import { migrate, readMigrations } from '../store/migrate.ts';
import { ensureDemo } from '../store/seed/demo.ts';
import { type Served, startServer } from './server.ts';

/** Starts the tests' own database with the demo, and a server on it. */
export default async function house(): Promise<() => Promise<void>> {
  const folder = mkdtempSync(join(process.getuid?.() === 0 ? '/var/tmp' : tmpdir(), 'brass-nut-e2e-'));
  chmodSync(folder, 0o755);
  const data = join(folder, 'cluster');
  const cluster = await startCluster(data, { quick: true });
  await furnish(cluster.url);
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

async function furnish(url: string, hasDemo = true): Promise<void> {
  await migrate(url, readMigrations(join('store', 'migrations')));
  const sql = connect(url, 1);
  if (hasDemo) await ensureDemo(sql, now());
  await sql.end();
}

/** A database of a test file's own with the demo or without, and a server on it: for what would stand in the way of others. */
export async function ownHouse(hasDemo = true): Promise<Served> {
  const name = `own_${randomBytes(6).toString('hex')}`;
  const owner = postgres(databaseUrl(), { max: 1, onnotice: () => {} });
  await owner.unsafe(`create database ${name}`);
  await owner.end();
  const url = databaseUrl().replace(/\/[^/]*$/, `/${name}`);
  await furnish(url, hasDemo);
  return startServer(url);
}

export const address = () => process.env.HOUSE_ADDRESS as string;
export const databaseUrl = () => process.env.HOUSE_DATABASE_URL as string;
