/** Starts the database, brings it up to date, loads the demo on first use, serves, and stops all of it on Ctrl-C. */
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { get } from 'node:http';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { forgetLeftBodies } from '../app/http/door/index.ts';
import { connect, migrate, now, readMigrations, writeAnew } from '../store/database/index.ts';
import { forgetOldPieces } from '../store/images/index.ts';
import { ensureDemo } from '../store/seed/index.ts';
import { shopsHere } from '../store/shops.ts';
import { upgradeShop } from '../store/upgrade-shop.ts';
import { checkoutId, holderOf } from './checkout.ts';
import { type Cluster, defaultDataFolder, freePort, SetupError, startCluster } from './cluster.ts';
import { lockFolder } from './folder-lock.ts';
import { Keeper } from './keeper.ts';

const root = process.cwd();

interface Options {
  port: number;
  data: string;
  fresh: boolean;
  empty: boolean;
}

function readOptions(): Options {
  let values: { port?: string; data?: string; fresh?: boolean; empty?: boolean };
  try {
    ({ values } = parseArgs({
      options: { port: { type: 'string' }, data: { type: 'string' }, fresh: { type: 'boolean' }, empty: { type: 'boolean' } },
    }));
  } catch (error) {
    throw new SetupError(`${(error as Error).message.split('.')[0]}. See ./start --help`);
  }
  const port = Number(values.port ?? 4880);
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new SetupError(`--port ${values.port} is not a port. Take a number from 1 to 65535.`);
  return { port, data: resolve(values.data ?? defaultDataFolder(root)), fresh: values.fresh ?? false, empty: values.empty ?? false };
}

/** What answers on the port: the Brass Nut of this checkout, that of another, somebody else, or nobody. */
function whoAnswers(port: number): Promise<'ours' | 'another checkout' | 'other' | 'nobody'> {
  return new Promise((resolve, reject) => {
    const asked = get({ host: '127.0.0.1', port, path: '/api/v1/health', timeout: 1500, agent: false }, (response) => {
      let body = '';
      response.setEncoding('utf8');
      response.on('data', (text) => {
        body += text;
      });
      response.on('end', () => {
        if (!body.includes('"name":"brass-nut"')) resolve('other');
        else resolve(body.includes(`"checkout":"${checkoutId(root)}"`) ? 'ours' : 'another checkout');
      });
      response.on('error', () => resolve('other'));
    });
    asked.on('timeout', () => asked.destroy(new Error('timeout')));
    asked.on('error', ({ code }: { code?: string }) => {
      if (code === 'ENETUNREACH' || code === 'EADDRNOTAVAIL') {
        const text = 'This machine cannot reach 127.0.0.1: its loopback is down. Bring it up (as root: ip link set lo up) and try again.';
        reject(new SetupError(text));
      } else resolve(code === 'ECONNREFUSED' ? 'nobody' : 'other');
    });
  });
}

/** The folder of whoever holds a port, as far as the machine says. */
const whereIs = (port: number): string => holderOf(port)?.folder ?? 'another folder';

function whoHolds(port: number): string {
  const holder = holderOf(port);
  return holder ? `${holder.name}, process ${holder.pid}` : 'another program';
}

async function openDatabase(options: Options): Promise<{ url: string; cluster: Cluster | null }> {
  const given = process.env.DATABASE_URL;
  if (given) return { url: given, cluster: null };
  const first = !existsSync(options.data);
  if (first) console.log(`Making a database in ${options.data} ...`);
  const cluster = await startCluster(options.data, { fresh: options.fresh });
  return { url: cluster.url, cluster };
}

async function prepare(url: string, options: Options): Promise<void> {
  const applied = await migrate(url, readMigrations(join(root, 'store', 'migrations')));
  if (applied.length > 0) console.log(`Database brought up to date (${applied.length} migration${applied.length > 1 ? 's' : ''}).`);
  const withoutDemo = join(options.data, 'without-demo');
  if (options.empty) {
    mkdirSync(options.data, { recursive: true });
    writeFileSync(withoutDemo, 'started with --empty\n');
  }
  const sql = connect(url, 1);
  try {
    for (const { id } of await shopsHere(sql)) await upgradeShop(sql, id);
    await writeAnew(url, true);
    const { loaded } = existsSync(withoutDemo) ? { loaded: false } : await ensureDemo(sql, now());
    if (loaded) console.log('Demo loaded.');
    await forgetOldPieces(sql, now());
    await forgetLeftBodies();
  } finally {
    await sql.end();
  }
}

async function main(): Promise<void> {
  const options = readOptions();
  const address = `http://127.0.0.1:${options.port}/`;
  const answer = await whoAnswers(options.port);
  if (answer === 'another checkout') {
    const text = `Port ${options.port} is held by the Brass Nut of ${whereIs(options.port)}. Stop it there (Ctrl-C where it was started), or take another port with --port.`;
    throw new SetupError(text);
  }
  if (answer === 'ours') {
    if (options.fresh || options.empty) throw new SetupError(`Brass Nut runs already at ${address} Stop it first (Ctrl-C where it was started).`);
    console.log(`Brass Nut runs already: ${address}`);
    return;
  }
  if (answer === 'other') throw new SetupError(`Port ${options.port} is held by ${whoHolds(options.port)}. Stop that, or take another with --port.`);
  const lock = process.env.DATABASE_URL ? null : await lockFolder(options.data, options.port);
  process.on('exit', () => lock?.release());
  const { url, cluster } = await openDatabase(options);
  process.env.BRASS_NUT_GAUGE ??= await hangGauge();
  const keeper = new Keeper(url, options.port, cluster, lock);
  process.on('SIGINT', () => keeper.stop(0));
  process.on('SIGTERM', () => keeper.stop(0));
  try {
    await prepare(url, options);
    keeper.begin();
    for (let tries = 0; (await whoAnswers(options.port)) !== 'ours'; tries++) {
      if (tries > 100) throw new SetupError('The server did not answer within 10 seconds.');
      await new Promise((wake) => setTimeout(wake, 100));
    }
    console.log(`Brass Nut is up: ${address}   (Ctrl-C stops it)`);
  } catch (error) {
    report(error);
    keeper.stop(1);
  }
}

/** The simulated gauge, a process of its own that goes with this one; a real one's address stands in BRASS_NUT_GAUGE. */
async function hangGauge(): Promise<string> {
  const port = await freePort();
  const gauge = spawn(process.execPath, ['--import', 'tsx', 'ops/logger/main.ts', '--child', '--tcp', '0', '--http', String(port)], {
    stdio: ['pipe', 'ignore', 'inherit'],
  });
  process.on('exit', () => gauge.kill());
  return `http://127.0.0.1:${port}`;
}

function report(error: unknown): void {
  const { code, message } = error as { code?: string; message?: string };
  const hint =
    code === 'ENOSPC' ? ' The disk is full: make room and try again.' : code === 'ECONNREFUSED' ? ' Is the database in DATABASE_URL running?' : '';
  console.error(`${message ?? String(error)}${hint}`);
}

main().catch((error) => {
  report(error);
  process.exit(1);
});
