import 'fake-indexeddb/auto';
import assert from 'node:assert/strict';
import { afterEach, beforeEach, describe, it } from 'node:test';
import { openDB } from 'idb';
import { v7 as uuidv7 } from 'uuid';
import type { Entry } from '../record/index.ts';
import type { VisitSheet } from '../record/visit/sheet.ts';
import { DeviceStore } from './device.ts';
import { newEntry } from './entry.ts';
import type { Kit, Placed } from './protocol.ts';

const VISIT = uuidv7();
const RUN = uuidv7();
const note = (text: string): Entry => newEntry({ deviceId: 'phone', visitId: VISIT, runId: RUN }, 'noted', { text });
const texts = (entries: Entry[]) => entries.map((e) => (e.body as { text: string }).text);

let store: DeviceStore;
beforeEach(async () => {
  store = await DeviceStore.open();
});
afterEach(async () => {
  store.close();
  await new Promise((done) => {
    indexedDB.deleteDatabase('brass-nut').onsuccess = done;
  });
});

const sheet = (entries: Entry[], id = VISIT): VisitSheet => ({
  visit: { id, title: 'Kitchen', onDate: '2026-05-20', startsAt: '09:00', premises: { id: uuidv7(), name: 'House', timeZone: 'UTC' } },
  runs: [],
  entries,
});
const recorded = (e: Entry, position: number): Placed => ({ ...e, sentAt: e.seenAt, recordedAt: e.seenAt, position }) as Placed;
const kit = (sheets: VisitSheet[], more: Partial<Kit> = {}): Kit => ({ shop: 1, position: 5, visits: 1, from: '2026-05-19', to: '2026-06-03', sheets, ...more }); // biome-ignore format: one kit

describe("a device's store", () => {
  it('numbers entries in the order in which they were made, whatever their ids say', async () => {
    const late = { ...note('second'), id: '00000000-0000-7000-8000-000000000000' };
    await Promise.all([store.keep([note('first')]), store.keep([late]), store.keep([note('third'), note('fourth')])]);
    const own = await store.outgoing();
    assert.deepEqual(own.map((o) => [o.seq, o.entry.seq]), [[1, 1], [2, 2], [3, 3], [4, 4]]); // biome-ignore format: one list
    assert.deepEqual(texts(own.map((o) => o.entry)), ['first', 'second', 'third', 'fourth']);
  });

  it('never gives a number twice, also when what had it is gone', async () => {
    const [first] = await store.keep([note('a')]);
    await store.settle([{ ...first!, sentAt: first!.entry.seenAt, recordedAt: first!.entry.seenAt }], []);
    const [second] = await store.keep([note('b')]);
    assert.deepEqual([first!.seq, second!.seq], [1, 2]);
  });

  it('keeps all of a press or nothing of it', async () => {
    const one = note('a');
    await assert.rejects(store.keep([one, one]));
    assert.deepEqual(await store.outgoing(), []);
  });

  it('takes over what a page did not live to keep, and nothing twice', async () => {
    const [a, b, c] = [note('a'), note('b'), note('c')];
    await store.keep([a]);
    await store.take([recorded(b, 3)], 3);
    await store.keepLeft([a, b, c]);
    assert.deepEqual((await store.outgoing()).map((o) => [o.seq, o.entry.id]), [[1, a.id], [2, c.id]]); // biome-ignore format: one list
  });

  it('leaves a refused entry with what was said of it, and keeps the others moving', async () => {
    const [a, b] = await store.keep([note('a'), note('b')]);
    await store.settle([{ ...b!, sentAt: b!.entry.seenAt, recordedAt: b!.entry.seenAt, position: 9 }], [{ seq: a!.seq, rule: 'x', why: 'Not so.' }]);
    assert.deepEqual(await store.counts(), { waiting: 0, refused: ['Not so.'] });
    assert.deepEqual(texts(await store.entriesOf(VISIT)), ['b']);
    await store.sendAgain(a!.seq);
    assert.deepEqual(await store.counts(), { waiting: 1, refused: [] });
    assert.deepEqual(texts(await store.entriesOf(VISIT)), ['b', 'a']);
  });

  it('keeps a mended entry as a new one, the spoiled one put away', async () => {
    const [a] = await store.keep([note('a')]);
    await store.settle([], [{ seq: a!.seq, rule: 'x', why: 'Not so.' }]);
    await store.mend(a!.seq, note('mended'));
    assert.deepEqual((await store.outgoing()).map((o) => [o.seq, o.status]), [[1, 'put away'], [2, 'waiting']]); // biome-ignore format: one list
  });

  it('takes its own entry back from the shop when the answer to it was lost', async () => {
    const [a] = await store.keep([note('a')]);
    await store.take([recorded(a!.entry, 7)], 7);
    assert.deepEqual(await store.counts(), { waiting: 0, refused: [] });
    assert.equal((await store.facts()).cursor, 7);
    assert.equal((await store.entriesOf(VISIT)).length, 1);
  });

  it('goes on under a new name when its numbers are another device’s', async () => {
    await store.keep([note('a')]);
    const before = store.deviceId;
    await store.rename();
    assert.notEqual(store.deviceId, before);
    assert.equal((await store.outgoing())[0]!.entry.deviceId, store.deviceId);
    assert.equal((await store.facts()).deviceId, store.deviceId);
  });

  it('carries the visits of the kit, those that were opened, and what waits; nothing else', async () => {
    const [opened, old, fresh] = [uuidv7(), uuidv7(), uuidv7()];
    await store.takeKit(kit([sheet([], old), sheet([recorded(note('known'), 3)])]));
    await store.keepVisit(sheet([], opened));
    await store.keep([note('waits')]);
    await store.takeKit(kit([sheet([], fresh), sheet([recorded(note('known'), 3)])], { visits: 2, position: 6 }));
    assert.deepEqual((await store.visits()).map((v) => v.visit.id).sort(), [VISIT, fresh, opened].sort()); // biome-ignore format: one line
    assert.ok(texts((await store.visit(VISIT))!.entries).includes('waits'));
    assert.equal(await store.visit(old), null);
    // What came between the two is still to be asked for.
    assert.equal((await store.facts()).cursor, 5);
    await store.takeKit(kit([], { shop: 2, position: 2 }));
    assert.deepEqual([(await store.visits()).length, (await store.facts()).cursor, (await store.counts()).waiting], [0, 2, 1]);
  });
});

describe('a store of the first version', () => {
  it('brings along what waited and what was refused, numbered in the order of making', async () => {
    store.close();
    await new Promise((done) => {
      indexedDB.deleteDatabase('brass-nut').onsuccess = done;
    });
    const old = await openDB('brass-nut', 1, { upgrade: (db) => void db.createObjectStore('waiting', { keyPath: 'entry.id' }) });
    const [a, b, c] = [note('a'), note('b'), note('c')];
    for (const entry of [c, a, b]) await old.put('waiting', { entry, refused: entry === b ? 'Not so.' : null });
    old.close();
    store = await DeviceStore.open();
    const own = await store.outgoing();
    assert.deepEqual(texts(own.map((o) => o.entry)), ['a', 'b', 'c']);
    assert.deepEqual(own.map((o) => [o.seq, o.status, o.why]), [[1, 'waiting', undefined], [2, 'refused', 'Not so.'], [3, 'waiting', undefined]]); // biome-ignore format: one list
  });
});
