/** Runs the unit tests with Node's own runner; the store's on a database of their own. Fails when it finds none. */
import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { startCluster } from './cluster.ts';

const part = process.argv[2] ?? 'all';
const folders = part === 'all' ? ['core', 'record', 'catalog', 'sync', 'store', 'app', 'ops'] : [part];
/** A folder, or one file. */
const files = part.endsWith('.test.ts')
  ? [part]
  : folders.flatMap((folder) =>
      readdirSync(folder, { recursive: true, encoding: 'utf8' })
        .filter((name) => name.endsWith('.test.ts'))
        .map((name) => join(folder, name)),
    );
if (files.length === 0) {
  console.error(`No test files in ${folders.join(', ')}.`);
  process.exit(1);
}
const needsDatabase = files.some((f) => f.startsWith('store') || f.startsWith('app'));
/** Under a folder that the database's own user can reach. */
const folder = needsDatabase ? mkdtempSync(join(process.getuid?.() === 0 ? '/var/tmp' : tmpdir(), 'brass-nut-test-')) : null;
if (folder) chmodSync(folder, 0o755);
const cluster = folder ? await startCluster(join(folder, 'cluster'), { quick: true }) : null;
const env = { ...process.env, ...(cluster ? { TEST_DATABASE_URL: cluster.url } : {}) };
// The runner leaves one core alone by itself: of two that is half.
const result = spawnSync(process.execPath, ['--import', 'tsx', '--test', `--test-concurrency=${availableParallelism()}`, ...files], {
  stdio: 'inherit',
  env,
});
cluster?.stop();
if (folder) rmSync(folder, { recursive: true });
process.exit(result.status ?? 1);
