import { execFileSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startCluster } from '../ops/cluster.ts';
import { copyOf, MODELS } from './copy.ts';
import { type Served, startServer } from './server.ts';

/** Starts for every worker a database of its own with the demo, and a server on it: tests that run beside each other share nothing. */
export default async function houses(config: { workers: number }): Promise<() => Promise<void>> {
  const folder = mkdtempSync(join(process.getuid?.() === 0 ? '/var/tmp' : tmpdir(), 'brass-nut-e2e-'));
  chmodSync(folder, 0o755);
  const model = join(folder, 'model');
  // By a process of its own: what it takes to make a demo is much to read, and no test wants it.
  execFileSync(process.execPath, ['--import', 'tsx', join('e2e', 'model.ts'), model], { stdio: 'inherit' });
  const datas = Array.from({ length: config.workers }, (_, worker) => join(folder, `worker-${worker}`));
  for (const data of datas) execFileSync('cp', ['-a', model, data]);
  const ends = await Promise.all(datas.map(house));
  return async () => {
    for (const end of ends) await end();
    rmSync(folder, { recursive: true });
  };
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
