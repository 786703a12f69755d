import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { MemoryDevice } from '../bench/memory-device.ts';
import { newEntry } from './entry.ts';
import type { Changes, Kit, Placed } from './protocol.ts';
import { type Fetch, pull } from './pull.ts';

const TODAY = '2026-05-20';

/** A server that has so many entries, and counts what it was asked. */
function server(count: number, more: Partial<Kit> = {}) {
  const all = Array.from({ length: count }, (_, i): Placed => ({ ...newEntry({ deviceId: 'other', visitId: 'v', runId: 'r' }, 'noted', { text: String(i) }), position: i + 1 }) as Placed); // biome-ignore format: one row
  const asked: string[] = [];
  const state = { shop: 1, visits: 1, from: '2026-05-19', to: '2026-06-03', ...more };
  const fetch: Fetch = async <T>(path: string) => {
    asked.push(path);
    if (path === '/api/v1/kit') return { ...state, position: 0, sheets: [] } satisfies Kit as T;
    const after = Number(path.split('=')[1]);
    const entries = all.slice(after, after + 2);
    const position = entries.at(-1)?.position ?? all.length;
    return { shop: state.shop, visits: state.visits, entries, position, newest: all.length } satisfies Changes as T;
  };
  return { fetch, asked, state };
}

describe('fetching what is new', () => {
  it('takes the kit first, then all that came since, a slice at a time', async () => {
    const d = new MemoryDevice();
    const { fetch, asked } = server(5);
    assert.equal(await pull(d, fetch, TODAY), true);
    assert.equal(d.known.size, 5);
    assert.deepEqual(asked, [
      '/api/v1/changes?after=0',
      '/api/v1/kit',
      '/api/v1/changes?after=0',
      '/api/v1/changes?after=2',
      '/api/v1/changes?after=4',
    ]);
    assert.equal(await pull(d, fetch, TODAY), false);
  });
  it('asks for the kit again when visits were added, and when the days have gone on', async () => {
    const d = new MemoryDevice();
    const { fetch, asked, state } = server(1);
    const kits = () => asked.filter((a) => a.endsWith('kit')).length;
    await pull(d, fetch, TODAY);
    state.visits = 2;
    await pull(d, fetch, TODAY);
    assert.equal(kits(), 2);
    await pull(d, fetch, '2026-05-21');
    assert.equal(kits(), 2);
    await pull(d, fetch, '2026-05-22');
    assert.equal(kits(), 3);
  });
  it('asks once in a go, however far the device’s clock is off', async () => {
    const d = new MemoryDevice();
    const { fetch, asked } = server(3);
    await pull(d, fetch, '2031-01-01');
    assert.equal(asked.filter((a) => a.endsWith('kit')).length, 1);
    assert.equal(d.known.size, 3);
  });
  it('says that the server did not answer', async () => {
    assert.equal(await pull(new MemoryDevice(), async () => null, TODAY), null);
  });
});
