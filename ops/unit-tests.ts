/** Runs the unit tests with Node's own runner; the store's on a database of their own. Fails when it finds none. */
import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
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
/** Tests of what keeps nothing outside itself share a process: beginning one for each takes longer than most of them. */
const PURE = /^(core|record|catalog|app)\//;
const cores = availableParallelism();
const groups = mkdtempSync(join(tmpdir(), 'brass-nut-tests-'));

function grouped(all: string[]): string[] {
  const pure = all.filter((f) => PURE.test(f));
  if (pure.length < 3 * cores) return all;
  const many = Array.from({ length: 3 * cores }, (_, i) => pure.filter((_f, n) => n % (3 * cores) === i));
  const files = many.map((group, i) => {
    const path = join(groups, `group-${i + 1}.test.mjs`);
    writeFileSync(path, group.map((f) => `await import(${JSON.stringify(pathToFileURL(resolve(f)).href)});\n`).join(''));
    return path;
  });
  return [...files, ...all.filter((f) => !PURE.test(f))];
}

const needsDatabase = files.some((f) => f.startsWith('store') || f.startsWith('app'));
/** Under a folder that the database's own user can reach. */
const folder = needsDatabase ? mkdtempSync(join(process.getuid?.() === 0 ? '/var/tmp' : tmpdir(), 'brass-nut-test-')) : null;
if (folder) chmodSync(folder, 0o755);
const cluster = folder ? await startCluster(join(folder, 'cluster'), { quick: true }) : null;
const env = { ...process.env, ...(cluster ? { TEST_DATABASE_URL: cluster.url } : {}) };
// The runner leaves one core alone by itself, of two that is half; and some wait for the database.
const result = spawnSync(process.execPath, ['--import', 'tsx', '--test', `--test-concurrency=${cores + 1}`, ...grouped(files)], {
  stdio: 'inherit',
  env,
});
cluster?.stop();
rmSync(groups, { recursive: true });
if (folder) rmSync(folder, { recursive: true });
process.exit(result.status ?? 1);
