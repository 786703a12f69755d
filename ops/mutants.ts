/**
 * Whether the tests would notice: a seeded sample of small changes to `core/` and `record/`, each against the tests of its folder.
 *
 * `npm run mutants -- [--seed 1] [--count 400] [--only core/flow]`: what was noticed by folder, and each change that was not.
 * Words are left alone (a sentence told otherwise is not a fault of computation), and what is generated or only for tests.
 */
import { spawn } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parseArgs } from 'node:util';
import { commonTokens } from '@stryker-mutator/api/plugin';
import { createInstrumenter } from '@stryker-mutator/instrumenter';
import { createInjector } from 'typed-inject';
import { chance } from '../store/seed/index.ts';

interface Mutant {
  file: string;
  mutator: string;
  replacement: string;
  /** What stands there. */
  was: string;
  /** Characters of the file. */
  from: number;
  to: number;
  line: number;
}

const { values } = parseArgs({ options: { seed: { type: 'string' }, count: { type: 'string' }, only: { type: 'string' } } });
const seed = Number(values.seed ?? 1);
const count = Number(values.count ?? 400);
const root = resolve(import.meta.dirname, '..');

const notComputed = /\.(test|testing|table)\.ts$|\/testing\.ts$|\/index\.ts$/;
const sources = ['core', 'record']
  .flatMap((folder) => readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' }).map((name) => join(folder, name)))
  .filter((file) => file.endsWith('.ts') && !notComputed.test(file) && file.startsWith(values.only ?? ''))
  .sort();

/** A question's own folder; of the record the room. */
const folderOf = (file: string) => (dirname(file).includes('/') ? file.split('/').slice(0, 2).join('/') : dirname(file));

async function mutantsOf(files: string[]): Promise<Mutant[]> {
  const quiet = new Proxy({}, { get: (_, name) => (String(name).startsWith('is') ? () => false : () => {}) });
  const maker = createInjector()
    .provideValue(commonTokens.getLogger, (() => quiet) as never)
    .provideValue(commonTokens.logger, quiet as never)
    .injectFunction(createInstrumenter as never) as ReturnType<typeof createInstrumenter>;
  const given = files.map((name) => ({ name, mutate: true, content: readFileSync(join(root, name), 'utf8') }));
  const { mutants } = await maker.instrument(given, { plugins: null, excludedMutations: [], ignorers: [] } as never);
  const text = new Map(given.map(({ name, content }) => [name, content]));
  return mutants
    .filter((m) => m.mutatorName !== 'StringLiteral')
    .map(({ fileName, mutatorName, replacement, location: { start, end } }) => {
      const source = text.get(fileName) as string;
      const lines = source.split('\n');
      const at = ({ line, column }: { line: number; column: number }) => lines.slice(0, line).reduce((sum, l) => sum + l.length + 1, 0) + column;
      return {
        file: fileName,
        mutator: mutatorName,
        replacement,
        was: source.slice(at(start), at(end)),
        from: at(start),
        to: at(end),
        line: start.line + 1,
      };
    });
}

/** Tests that hold a file: those of its folder, the one beside it first. */
function testsOf(file: string): string[] {
  const folder = folderOf(file);
  const inside = folder === 'record' || folder === 'core' ? [folder] : [folder, ...(folder.startsWith('record/') ? ['record'] : [])];
  const found = inside.flatMap((f) =>
    readdirSync(join(root, f), { recursive: f === folder, encoding: 'utf8' })
      .filter((name) => name.endsWith('.test.ts'))
      .map((name) => join(f, name)),
  );
  // A folder without tests of its own is held by those of its layer.
  if (found.length === 0)
    return readdirSync(join(root, file.split('/')[0] as string), { recursive: true, encoding: 'utf8' })
      .filter((name) => name.endsWith('.test.ts'))
      .map((name) => join(file.split('/')[0] as string, name));
  // What notices soonest first.
  const beside = file.replace(/\.ts$/, '.test.ts');
  return [...new Set([beside, `${folder}/held.test.ts`, ...found])].filter((t) => found.includes(t));
}

/** Whether any of the tests fails, or none ends in time. */
function isNoticed(house: string, tests: string[], mostMs: number): Promise<boolean> {
  const script = join(house, 'these.test.mjs');
  writeFileSync(script, tests.map((t) => `await import(${JSON.stringify(pathToFileURL(join(house, t)).href)});\n`).join(''));
  return new Promise((done) => {
    const child = spawn(process.execPath, ['--import', 'tsx', '--test-reporter', 'tap', script], { cwd: house, stdio: ['ignore', 'pipe', 'ignore'] });
    let said = '';
    const end = (noticed: boolean) => {
      clearTimeout(late);
      child.kill('SIGKILL');
      done(noticed);
    };
    const late = setTimeout(() => end(true), mostMs);
    child.stdout.on('data', (part: Buffer) => {
      said = (said + part.toString()).slice(-2000);
      if (/^\s*not ok /m.test(said)) end(true);
    });
    child.on('exit', (code) => end(code !== 0));
  });
}

function house(): string {
  const folder = mkdtempSync(join(tmpdir(), 'brass-nut-mutants-'));
  for (const part of ['core', 'record', 'catalog', 'package.json', 'tsconfig.json'])
    cpSync(join(root, part), join(folder, part), { recursive: true });
  symlinkSync(join(root, 'node_modules'), join(folder, 'node_modules'));
  return folder;
}

const all = await mutantsOf(sources);
const random = chance(seed);
const sample = all
  .map((m) => ({ m, key: random() }))
  .sort((a, b) => a.key - b.key)
  .slice(0, count)
  .map(({ m }) => m);
console.log(`${sources.length} files, ${all.length} changes possible; ${sample.length} tried (seed ${seed}).`);

const houses = Array.from({ length: availableParallelism() }, house);
/** How long the tests take when nothing is changed, ms; a change that makes them four times slower is noticed. */
const usual = new Map<string, number>();
const folders = [...new Set(sample.map((m) => folderOf(m.file)))];
const unmeasured = [...folders];
await Promise.all(
  houses.map(async (house) => {
    for (let folder = unmeasured.shift(); folder; folder = unmeasured.shift()) {
      const tests = testsOf(sample.find((m) => folderOf(m.file) === folder)?.file as string);
      const began = Date.now();
      if (tests.length > 0 && (await isNoticed(house, tests, 600_000))) throw new Error(`The tests of ${folder} fail as they are.`);
      usual.set(folder, Date.now() - began);
    }
  }),
);

const results: { mutant: Mutant; noticed: boolean }[] = [];
const waiting = [...sample];
await Promise.all(
  houses.map(async (folder) => {
    for (let mutant = waiting.shift(); mutant; mutant = waiting.shift()) {
      const path = join(folder, mutant.file);
      const source = readFileSync(path, 'utf8');
      writeFileSync(path, source.slice(0, mutant.from) + mutant.replacement + source.slice(mutant.to));
      const tests = testsOf(mutant.file);
      const noticed = tests.length > 0 && (await isNoticed(folder, tests, 5_000 + 4 * (usual.get(folderOf(mutant.file)) as number)));
      writeFileSync(path, source);
      results.push({ mutant, noticed });
      if (results.length % 25 === 0) console.log(`${results.length} tried, ${results.filter((r) => r.noticed).length} noticed`);
    }
  }),
);
for (const folder of houses) rmSync(folder, { recursive: true });

console.log('\nNot noticed:');
for (const { mutant: m } of results
  .filter((r) => !r.noticed)
  .sort((a, b) => a.mutant.file.localeCompare(b.mutant.file) || a.mutant.line - b.mutant.line)) {
  const short = (text: string) => text.replace(/\s+/g, ' ').slice(0, 100);
  console.log(`  ${m.file}:${m.line} ${m.mutator}: ${short(m.was)} -> ${short(m.replacement)}`);
}
console.log('\nNoticed, by folder:');
for (const folder of folders.sort()) {
  const of = results.filter((r) => folderOf(r.mutant.file) === folder);
  console.log(`  ${folder}: ${of.filter((r) => r.noticed).length} of ${of.length}`);
}
const noticed = results.filter((r) => r.noticed).length;
console.log(`\n${noticed} of ${results.length} noticed, ${((100 * noticed) / Math.max(1, results.length)).toFixed(1)} in 100.`);
