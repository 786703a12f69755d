import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { SubjectRef } from '../record/book/entry.ts';
import { newBookEntry, newEntry } from './entry.ts';
import { MemoryDevice } from './memory-device.ts';
import type { Changes, Holding, OfflineSnapshot, Placed, PlacedBook } from './protocol.ts';
import { type Fetch, pull } from './pull.ts';

const TODAY = '2026-05-20';
const HOUSE = '0190a000-0000-7000-8000-000000000001';
const VISIT = '0190a000-0000-7000-8000-000000000002';

const placed = (subject: SubjectRef, body: Record<string, unknown>): PlacedBook => ({
  ...newBookEntry('other', subject, 'made', body),
  position: 1,
  rootId: HOUSE,
});
const house = [
  placed({ kind: 'premises', id: HOUSE }, { name: 'House', timeZone: 'UTC' }),
  placed({ kind: 'visit', id: VISIT }, { premisesId: HOUSE, onDate: '2026-05-28', startsAt: '09:00', title: 'Held' }),
];

/** A server that has so many entries, and counts what it was asked. */
function server(count: number, more: Partial<OfflineSnapshot> = {}) {
  const all = Array.from(
    { length: count },
    (_, i): Placed => ({ ...newEntry({ deviceId: 'other', visitId: 'v', runId: 'r' }, 'noted', { text: String(i) }), position: i + 1 }) as Placed,
  );
  const asked: string[] = [];
  const book: PlacedBook[] = [];
  const state = { shop: 1, shopId: 's', from: '2026-05-19', to: '2026-06-03', ...more };
  const fetch: Fetch = async <T>(path: string) => {
    asked.push(path);
    if (path === '/api/v1/kit') return { ...state, position: 0, books: [], entries: [] } satisfies OfflineSnapshot as T;
    if (path.startsWith('/api/v1/book/holding')) return { books: [{ id: HOUSE, entries: house }], entries: [] } satisfies Holding as T;
    const after = Number(path.split('=')[1]);
    const entries = all.slice(after, after + 2);
    const position = entries.at(-1)?.position ?? all.length;
    return { shop: state.shop, entries, book: after === 0 ? book : [], position, newest: all.length } satisfies Changes as T;
  };
  return { fetch, asked, state, book };
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
  it('asks for the kit again when the days have gone on, and of another shop', async () => {
    const d = new MemoryDevice();
    const { fetch, asked, state } = server(1);
    const kits = () => asked.filter((a) => a.endsWith('kit')).length;
    await pull(d, fetch, TODAY);
    await pull(d, fetch, '2026-05-21');
    assert.equal(kits(), 1);
    await pull(d, fetch, '2026-05-22');
    assert.equal(kits(), 2);
    state.shop = 2;
    await pull(d, fetch, TODAY);
    assert.equal(kits(), 3);
  });
  it('asks for premises that a visit of the next days was put on, and for no others', async () => {
    const d = new MemoryDevice();
    const { fetch, asked, book } = server(1);
    const visit = (id: string, onDate: string): PlacedBook => ({
      ...placed({ kind: 'visit', id }, { premisesId: HOUSE, onDate, startsAt: '09:00', title: 'A visit' }),
      position: 1,
    });
    book.push(visit(VISIT, '2026-05-28'), visit('late', '2027-01-01'));
    await pull(d, fetch, TODAY);
    assert.deepEqual(
      asked.filter((a) => a.includes('holding')),
      [`/api/v1/book/holding?visit=${VISIT}`],
    );
    assert.deepEqual(
      d.sheets().map((s) => [s.visit.title, s.visit.premises.name]),
      [['Held', 'House']],
    );
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
