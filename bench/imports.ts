/** What comes in and goes out in bulk, and whether the server answers others meanwhile. */

import { readFileSync } from 'node:fs';
import { connect as dial } from 'node:net';
import { v7 as uuidv7 } from 'uuid';
import type { Sql } from '../store/database/index.ts';
import { at, line, sorted } from './figures.ts';

const PREMISES = 20_000;
const SHOP_LINES = 30_000;

/** Milliseconds that `/health` took while something else was done, sorted. */
async function healthDuring<T>(address: string, work: () => Promise<T>): Promise<[ms: number, health: number[], T]> {
  const times: number[] = [];
  let isOver = false;
  const asking = (async () => {
    while (!isOver) {
      const began = performance.now();
      await fetch(`${address}/api/v1/health`).then((r) => r.text());
      times.push(performance.now() - began);
      await new Promise((wake) => setTimeout(wake, 50));
    }
  })();
  const began = performance.now();
  const result = await work();
  const took = performance.now() - began;
  isOver = true;
  await asking;
  return [took, sorted(times), result];
}

async function send(address: string, path: string, body: string, type: string): Promise<Response> {
  const response = await fetch(`${address}${path}`, { method: 'POST', headers: { 'content-type': type, origin: address }, body });
  return response;
}

async function newShop(address: string): Promise<string> {
  const id = uuidv7();
  await send(address, '/api/v1/shops', JSON.stringify({ id }), 'application/json');
  return id;
}

const told = (name: string, [took, health]: [number, number[], unknown], said: string) =>
  line(name, `${(took / 1000).toFixed(1)} s, /health at most ${Math.round(at(health, 1))} ms${said}`);

/** Memory of a process, MB. */
const residentMb = (pid: number): number => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

export async function imports(address: string, _sql: Sql, pid: number): Promise<void> {
  const rows = (more: string) =>
    ['name,address,contact_name,place,appliance,kind', ...Array.from({ length: PREMISES }, (_, i) => `House ${i},Road ${i},Keeper ${i}${more}`)].join(
      '\n',
    );
  const shop = await newShop(address);
  for (const [what, to, more] of [
    ['premises (20 s, health 200 ms)', shop, ',,,'],
    ['premises, each with a faucet and its two lines (health 200 ms)', await newShop(address), ',Kitchen,Sink,kitchen-faucet'],
  ] as const) {
    const premises = await healthDuring(address, () => send(address, `/api/v1/premises/import?shop=${to}`, rows(more), 'text/csv'));
    told(`${PREMISES} ${what}`, premises, `, status ${premises[2].status}`);
  }

  const file = await shopFile(address);
  const other = await newShop(address);
  const whole = await healthDuring(address, () => send(address, `/api/v1/shop/import?shop=${other}`, file, 'application/jsonl'));
  told(`shop file, ${file.split('\n').length - 1} lines (30 s, health 200 ms)`, whole, `, status ${whole[2].status}`);

  for (const [name, path, body, type] of [
    ['18 MB of commas', `/api/v1/premises/import?shop=${shop}`, ','.repeat(18_000_000), 'text/csv'],
    ['19 MB of brackets', `/api/v1/visits?shop=${shop}`, '['.repeat(19_000_000), 'application/json'],
    ['19 MB of empty lists', `/api/v1/visits?shop=${shop}`, `[${'[],'.repeat(6_300_000)}[]]`, 'application/json'],
    ['a quote in a cell', `/api/v1/premises/import?shop=${shop}`, 'name,address\nHo"use,Road\n', 'text/csv'],
  ] as const) {
    const asked = await healthDuring(address, () => send(address, path, body, type));
    told(name, asked, `, status ${asked[2].status}`);
  }

  const before = residentMb(pid);
  const slow = Array.from({ length: 4 }, () => slowReader(address, `/api/v1/shop.jsonl?shop=${other}`));
  let most = before;
  for (let n = 0; n < 20; n++) {
    await new Promise((wake) => setTimeout(wake, 250));
    most = Math.max(most, residentMb(pid));
  }
  for (const socket of slow) socket.destroy();
  line(`four readers that do not read an export of ${Math.round(file.length / 1e6)} MB (100 MB more)`, `${Math.round(most - before)} MB more`);
}

/** A shop of the demo's entries, each again under other names until there are enough. */
async function shopFile(address: string): Promise<string> {
  const lines = (await (await fetch(`${address}/api/v1/shop.jsonl`)).text()).trimEnd().split('\n');
  const out = [lines[0]!];
  const books = lines.filter((l) => l.startsWith('{"book"') && !l.includes('"kind":"shop"'));
  const runs = lines.filter((l) => l.startsWith('{"run"'));
  const copies = Math.ceil(SHOP_LINES / (books.length + runs.length));
  for (const part of [books, runs]) {
    for (let n = 0; n < copies; n++) {
      const tag = n.toString(16).padStart(4, '0');
      // Ids are told apart by a few of their digits; what stands in the file for this shop stays.
      for (const l of part)
        out.push(
          l.replace(
            /"([0-9a-f]{8})-([0-9a-f]{4})-(7[0-9a-f]{3})-([0-9a-f]{4})-([0-9a-f]{12})"/g,
            (_, a, b, c, d, e) => `"${a}-${b}-${c}-${d}-${tag}${e.slice(4)}"`,
          ),
        );
    }
  }
  return `${out.join('\n')}\n`;
}

function slowReader(address: string, path: string) {
  const { hostname, port } = new URL(address);
  const socket = dial(Number(port), hostname);
  socket.write(`GET ${path} HTTP/1.1\r\nHost: ${hostname}:${port}\r\nConnection: close\r\n\r\n`);
  socket.once('data', () => socket.pause());
  socket.on('error', () => {});
  return socket;
}
