/** `npm run bench`: ratios in one run where there is a baseline, and what the figures ask for. Reads the address of a running demo. */
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { catalogue } from '../catalog/index.ts';
import { allEndCodes, indexParts, matchChains, mate } from '../core/index.ts';

const address = process.env.BRASS_NUT_ADDRESS ?? 'http://127.0.0.1:4880';
const line = (name: string, figure: string) => console.log(`${name.padEnd(58)} ${figure}`);
const at = (sorted: number[], share: number) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] as number;

/** Answers a second over the demo catalogue's usual questions; the baseline indexes the parts anew for each. */
function chains(): void {
  const { parts, loose, appliances } = catalogue();
  const questions = appliances.flatMap((a) => a.usualInletEnds.map((to) => ({ to, water: a.water[0] ?? ('cold' as const) })));
  const ask = (list: typeof parts) => {
    const began = performance.now();
    let found = 0;
    for (const { to, water } of questions) {
      found += matchChains({ from: 'comp-3/8-m', to, parts: list, loose, need: { water, minLengthIn: 12 } }).chains.length;
    }
    return { found, seconds: (performance.now() - began) / 1000 };
  };
  indexParts(parts);
  ask(parts);
  const warm = ask(parts);
  line('matchChains, demo catalogue, questions a second', (questions.length / warm.seconds).toFixed(0));
  line('matchChains, demo catalogue, chains a second', (warm.found / warm.seconds).toFixed(0));
}

/** Pairs a second, against the same pairs looked up in a table made beforehand. */
function mating(): void {
  const codes = allEndCodes.filter((_, i) => i % 3 === 0);
  const time = (judge: (a: string, b: string) => unknown) => {
    const began = performance.now();
    for (const a of codes) for (const b of codes) judge(a, b);
    return (codes.length * codes.length * 1000) / (performance.now() - began);
  };
  const table = new Map(codes.flatMap((a) => codes.map((b) => [`${a} ${b}`, mate(a, b)] as const)));
  time(mate);
  const computed = time(mate);
  const looked = time((a, b) => table.get(`${a} ${b}`));
  line('mate, pairs a second', `${computed.toFixed(0)} (${(computed / looked).toFixed(2)} x of a table look-up)`);
}

/** Server time of the visit page at 20 requests a second, against the page that needs no database. */
async function pages(): Promise<void> {
  const home = await (await fetch(`${address}/`)).text();
  const visit = /\/visits\/[0-9a-f-]{36}/.exec(home)?.[0];
  const time = async (path: string, requests: number) => {
    const times: Promise<number>[] = [];
    for (let i = 0; i < requests; i++) {
      const began = performance.now();
      times.push(
        fetch(address + path)
          .then((r) => r.text())
          .then(() => performance.now() - began),
      );
      await new Promise((wake) => setTimeout(wake, 50));
    }
    return (await Promise.all(times)).sort((a, b) => a - b);
  };
  const still = await time('/match', 60);
  const busy = await time(visit ?? '/', 200);
  line(
    'visit page at 20 requests/s, median',
    `${at(busy, 0.5).toFixed(1)} ms (${(at(busy, 0.5) / at(still, 0.5)).toFixed(1)} x of the page without a database)`,
  );
  line('visit page at 20 requests/s, 95th percentile', `${at(busy, 0.95).toFixed(1)} ms`);
  for (const path of ['/', visit ?? '/', '/match', '/ledger'])
    line(`JavaScript of ${path.replace(/[0-9a-f-]{36}/, '...')}, compressed`, `${((await scriptBytes(path)) / 1000).toFixed(1)} kB of 170`);
}

/** Every script a page asks for, and all that these import, gzipped. */
async function scriptBytes(path: string): Promise<number> {
  const html = await (await fetch(address + path)).text();
  const open = [...html.matchAll(/\/_astro\/[\w.-]+\.js/g)].map((m) => m[0]);
  const seen = new Set<string>();
  let bytes = 0;
  for (let file = open.pop(); file; file = open.pop()) {
    if (seen.has(file)) continue;
    seen.add(file);
    const text = readFileSync(`dist/client${file}`);
    bytes += gzipSync(text).byteLength;
    for (const [, name] of text.toString().matchAll(/["']\.\/([\w.-]+\.js)["']/g)) open.push(`/_astro/${name}`);
  }
  return bytes;
}

chains();
mating();
await fetch(`${address}/api/v1/health`).then(pages, () => console.log('The page figures want a running demo: ./start, then npm run bench.'));
