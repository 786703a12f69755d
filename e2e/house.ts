import { execFileSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import postgres from 'postgres';
import { startCluster } from '../ops/cluster.ts';
import { now } from '../store/database/clock.ts';
import { connect } from '../store/database/connection.ts';
import { migrate, readMigrations } from '../store/database/migrate.ts';
import { ensureDemo } from '../store/seed/demo.ts';
import { type Served, startServer } from './server.ts';

/** Databases that others are copied from: one with the demo, one with nothing. */
const MODELS = { demo: 'model_demo', empty: 'model_empty' } as const;

/** Starts for every worker a database of its own with the demo, and a server on it: tests that run beside each other share nothing. */
export default async function houses(config: { workers: number }): Promise<() => Promise<void>> {
  const folder = mkdtempSync(join(process.getuid?.() === 0 ? '/var/tmp' : tmpdir(), 'brass-nut-e2e-'));
  chmodSync(folder, 0o755);
  const model = join(folder, 'model');
  await makeModel(model);
  const datas = Array.from({ length: config.workers }, (_, worker) => join(folder, `worker-${worker}`));
  for (const data of datas) execFileSync('cp', ['-a', model, data]);
  const ends = await Promise.all(datas.map(house));
  return async () => {
    for (const end of ends) await end();
    rmSync(folder, { recursive: true });
  };
}

/** A cluster with the databases that others are copied from, at rest: each worker's is a copy, sooner than one made anew. */
async function makeModel(data: string): Promise<void> {
  const cluster = await startCluster(data, { quick: true });
  await furnish(await copyOf(cluster.url, 'template0', MODELS.empty), false);
  await furnish(await copyOf(cluster.url, MODELS.empty, MODELS.demo), true);
  // In place of the one that the cluster was made with, so that it is found there when the cluster is started again.
  await copyOf(cluster.url, MODELS.demo, cluster.url.replace(/^.*\//, ''));
  cluster.stop();
}

async function house(data: string, worker: number): Promise<() => Promise<void>> {
  const cluster = await startCluster(data, { quick: true });
  const server = await startServer(cluster.url);
  process.env[`HOUSE_DATA_${worker}`] = data;
  process.env[`HOUSE_DATABASE_URL_${worker}`] = cluster.url;
  process.env[`HOUSE_ADDRESS_${worker}`] = server.address;
  return async () => {
    await server.kill();
    cluster.stop();
  };
}

/** A database made from another that nobody is in; its address. */
async function copyOf(url: string, model: string, name: string): Promise<string> {
  const owner = postgres(url.replace(/\/[^/]*$/, '/postgres'), { max: 1, onnotice: () => {} });
  await owner.unsafe(`drop database if exists ${name}`);
  await owner.unsafe(`create database ${name} template ${model}`);
  await owner.end();
  return url.replace(/\/[^/]*$/, `/${name}`);
}

async function furnish(url: string, hasDemo: boolean): Promise<void> {
  await migrate(url, readMigrations(join('store', 'migrations')));
  if (!hasDemo) return;
  const sql = connect(url, 1);
  await ensureDemo(sql, now());
  await sql.end();
}

/** A database of a test file's own with the demo or without, and a server on it: for what would stand in the way of others. */
export async function ownHouse(hasDemo = true, env: Record<string, string> = {}): Promise<Served> {
  const model = hasDemo ? MODELS.demo : MODELS.empty;
  return startServer(await copyOf(databaseUrl(), model, `own_${randomBytes(6).toString('hex')}`), env);
}

/** Of the worker that asks. */
const ofHouse = (what: string): string => process.env[`HOUSE_${what}_${process.env.TEST_PARALLEL_INDEX}`] as string;
export const address = () => ofHouse('ADDRESS');
export const databaseUrl = () => ofHouse('DATABASE_URL');
export const dataFolder = () => ofHouse('DATA');
