import 'fake-indexeddb/auto';
import assert from 'node:assert/strict';
import { afterEach, beforeEach, describe, it } from 'node:test';
import { openDB } from 'idb';
import { v7 as uuidv7 } from 'uuid';
import type { SubjectRef } from '../record/book/entry.ts';
import type { Entry } from '../record/index.ts';
import { type AnyEntry, DeviceStore, type Outgoing } from './device.ts';
import { newBookEntry, newEntry } from './entry.ts';
import type { OfflineSnapshot, Placed, PlacedBook } from './protocol.ts';

const VISIT = uuidv7();
const RUN = uuidv7();
const note = (text: string): Entry => newEntry({ deviceId: 'phone', visitId: VISIT, runId: RUN }, 'noted', { text });
const texts = (entries: AnyEntry[]) => entries.map((e) => (e.body as { text: string }).text);

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

/** The book of premises with one visit on a day. */
function bookOf(visitId: string, onDate: string, premisesId = uuidv7()): { id: string; entries: PlacedBook[] } {
  const made = (subject: SubjectRef, body: Record<string, unknown>) => ({
    ...newBookEntry('office', subject, 'made', body),
    recordedAt: new Date().toISOString(),
    position: 1,
    rootId: premisesId,
  });
  const visit = made({ kind: 'visit', id: visitId }, { premisesId, onDate, startsAt: '09:00', title: 'Kitchen' });
  return { id: premisesId, entries: [made({ kind: 'premises', id: premisesId }, { name: 'House', timeZone: 'UTC' }), visit] };
}
const recorded = (e: Entry, position: number): Placed => ({ ...e, sentAt: e.seenAt, recordedAt: e.seenAt, position }) as Placed;
const kit = (books: OfflineSnapshot['books'], entries: Placed[], more: Partial<OfflineSnapshot> = {}): OfflineSnapshot => ({
  shop: 1,
  shopId: 'shop',
  position: 5,
  from: '2026-05-19',
  to: '2026-06-03',
  books,
  entries,
  ...more,
});

describe("a device's store", () => {
  it('numbers entries in the order in which they were made, whatever their ids say', async () => {
    const late = { ...note('second'), id: '00000000-0000-7000-8000-000000000000' };
    await Promise.all([store.keep([note('first')]), store.keep([late]), store.keep([note('third'), note('fourth')])]);
    const own = await store.outgoing();
    assert.deepEqual(
      own.map((o) => [o.seq, o.entry.seq]),
      [
        [1, 1],
        [2, 2],
        [3, 3],
        [4, 4],
      ],
    );
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
    await store.take([recorded(b, 3)], [], 3);
    await store.keepLeft([a, b, c]);
    assert.deepEqual(
      (await store.outgoing()).map((o) => [o.seq, o.entry.id]),
      [
        [1, a.id],
        [2, c.id],
      ],
    );
  });

  it('keeps nothing again that a page noted, kept, and did not live to cross out, though it was sent meanwhile', async () => {
    const said = newBookEntry('phone', { kind: 'visit', id: VISIT }, 'changed', { title: 'Two drips' });
    const [kept] = await store.keep([said]);
    const sentAt = said.seenAt;
    await store.settle([{ seq: kept!.seq, entry: kept!.entry, sentAt, recordedAt: sentAt, position: 7 }], []);
    await store.keepLeft([said]);
    assert.deepEqual(await store.outgoing(), []);
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
    assert.deepEqual(
      (await store.outgoing()).map((o) => [o.seq, o.status]),
      [
        [1, 'put away'],
        [2, 'waiting'],
      ],
    );
  });

  it('takes its own entry back from the shop when the answer to it was lost', async () => {
    const [a] = await store.keep([note('a')]);
    await store.take([recorded(a!.entry as Entry, 7)], [], 7);
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

  it('carries the premises of the kit, those that were opened, and what waits; nothing else of another shop', async () => {
    const [opened, old, fresh] = [uuidv7(), uuidv7(), uuidv7()];
    const own = bookOf(VISIT, '2026-05-20');
    await store.takeKit(kit([bookOf(old, '2026-05-19'), own], [recorded(note('known'), 3)]));
    await store.keepHolding({ books: [bookOf(opened, '2024-01-01')], entries: [] });
    await store.keep([note('waits')]);
    await store.takeKit(kit([bookOf(fresh, '2026-05-21'), own], [recorded(note('known'), 3)], { position: 6 }));
    for (const id of [VISIT, fresh, opened, old]) assert.ok(await store.visit(id), id);
    assert.deepEqual(
      (await store.books({ from: '2026-05-20', to: '2026-05-21' })).flatMap((b) => b.visits.map((v) => v.id)).sort(),
      [VISIT, fresh].sort(),
    );
    assert.ok(texts((await store.visit(VISIT))!.entries).includes('waits'));
    // What came between the two is still to be asked for.
    assert.equal((await store.facts()).cursor, 5);
    await store.takeKit(kit([], [], { shop: 2, position: 2 }));
    assert.deepEqual([(await store.books()).length, (await store.facts()).cursor, (await store.counts()).waiting], [0, 2, 1]);
  });
  it('keeps premises that were opened before the first kit came, and what was said of them while they were fetched', async () => {
    const opened = uuidv7();
    const rest = bookOf(uuidv7(), '2024-01-01', opened);
    const said = newBookEntry('phone', { kind: 'premises', id: opened }, 'changed', { name: 'Gate lodge' });
    const { seq } = (await store.keep([said]))[0] as Outgoing;
    // Sent and taken before the answer with the rest of it, which knows nothing of it yet.
    await store.settle([{ seq, entry: said, sentAt: said.seenAt, recordedAt: said.seenAt, position: 9 }], []);
    assert.equal(await store.premises(opened), null);
    await store.keepHolding({ books: [rest], entries: [] });
    await store.takeKit(kit([], [], { position: 8 }));
    assert.equal((await store.premises(opened))?.premises.name, 'Gate lodge');
  });
  it('shows a visit that was made here, on premises made here, from the first press to when it comes back', async () => {
    const [house, kitchen, tap, run, visit] = Array.from({ length: 5 }, () => uuidv7()) as [string, string, string, string, string];
    const make = (kind: SubjectRef['kind'], id: string, change: string, body: Record<string, unknown>) =>
      newBookEntry('phone', { kind, id }, change, body);
    const entries = [
      make('premises', house, 'made', { name: 'Cellar', timeZone: 'UTC' }),
      make('place', kitchen, 'made', { premisesId: house, name: 'Kitchen' }),
      make('appliance', tap, 'made', { premisesId: house, placeId: kitchen, kind: 'toilet', name: 'Toilet' }),
      make('run', run, 'made', { applianceId: tap, water: 'cold', name: 'Toilet' }),
      make('visit', visit, 'made', { premisesId: house, onDate: '2026-05-20', startsAt: '09:00', title: 'Drip' }),
      make('visit', visit, 'run-added', { runId: run, work: 'toilet-line' }),
    ];
    await store.keep(entries);
    const waiting = (await store.visit(visit))!;
    assert.deepEqual([waiting.visit.title, waiting.runs.map((r) => [r.place, r.work])], ['Drip', [['Kitchen', 'toilet-line']]]);
    const now = new Date().toISOString();
    await store.settle(
      (await store.outgoing()).map((o) => ({ seq: o.seq, entry: o.entry, sentAt: now, recordedAt: now, position: o.seq })),
      [],
    );
    assert.deepEqual(await store.visit(visit), waiting);
    await store.keep([make('visit', visit, 'changed', { onDate: '2026-05-22' })]);
    assert.deepEqual((await store.books({ from: '2026-05-20', to: '2026-05-20' })).length, 1);
    assert.equal((await store.visit(visit))!.visit.onDate, '2026-05-22');
    assert.deepEqual(
      (await store.premises(house))!.runs.map((r) => r.id),
      [run],
    );
  });
  it('keeps pictures until they are sent, in the order of nothing but their names; what was refused is told and put away', async () => {
    const picture = (id: string) => ({
      id,
      type: 'image/jpeg' as const,
      size: 4,
      content: Uint8Array.of(1, 2, 3, 4).buffer,
      small: null,
      have: 0,
      status: 'waiting' as const,
    });
    const { pictures } = store;
    await pictures.keep(picture('a'));
    await pictures.keep(picture('b'));
    await pictures.change('a', { have: 2 });
    // Taken once more it goes on where it was.
    await pictures.keep(picture('a'));
    assert.deepEqual([(await pictures.get('a'))?.have, await pictures.waiting(), (await pictures.next())?.id], [2, 2, 'a']);
    await pictures.change('a', { status: 'sent', content: null });
    await pictures.change('b', { status: 'refused', why: 'no picture' });
    assert.deepEqual([await pictures.waiting(), await pictures.next(), (await pictures.refused()).map((p) => p.why)], [0, undefined, ['no picture']]);
    await pictures.change('b', { status: 'put away' });
    assert.deepEqual(await pictures.refused(), []);
  });
  it('sends a picture again that was sent, refused or put away before and is added anew', async () => {
    const picture = {
      id: 'a',
      type: 'image/jpeg' as const,
      size: 4,
      content: Uint8Array.of(1, 2, 3, 4).buffer,
      small: null,
      have: 0,
      status: 'waiting' as const,
    };
    const { pictures } = store;
    for (const status of ['sent', 'refused', 'put away'] as const) {
      await pictures.keep(picture);
      await pictures.change('a', { status, content: null, have: 4 });
      assert.equal(await pictures.next(), undefined);
      await pictures.keep(picture);
      const next = await pictures.next();
      assert.deepEqual([next?.have, next?.content?.byteLength], [0, 4], status);
    }
  });
  it('a store of the third version is brought up with all that waits in it', async () => {
    await store.keep([note('waits')]);
    const { deviceId } = store;
    store.close();
    // As the program before this one left it: without a place for pictures.
    const old = await openDB('brass-nut', 4);
    const facts = await old.get('facts', 'device');
    const outgoing = await old.getAll('outgoing');
    old.close();
    await new Promise((done) => {
      indexedDB.deleteDatabase('brass-nut').onsuccess = done;
    });
    const third = await openDB('brass-nut', 3, {
      upgrade: (db) => {
        db.createObjectStore('outgoing', { keyPath: 'seq', autoIncrement: true }).createIndex('id', 'entry.id', { unique: true });
        db.createObjectStore('known', { keyPath: 'id' }).createIndex('visit', 'visitId');
        const books = db.createObjectStore('books', { keyPath: 'id' });
        books.createIndex('subject', 'subjectIds', { multiEntry: true });
        books.createIndex('day', 'days', { multiEntry: true });
        db.createObjectStore('facts').put(facts, 'device');
      },
    });
    for (const o of outgoing) await third.put('outgoing', o);
    third.close();
    store = await DeviceStore.open();
    assert.deepEqual([store.deviceId, texts((await store.outgoing()).map((o) => o.entry)), await store.pictures.waiting()], [deviceId, ['waits'], 0]);
  });
  it('drops a contact that was erased elsewhere', async () => {
    const house = uuidv7();
    const said = (change: string, body: Record<string, unknown>, position: number): PlacedBook => ({
      ...newBookEntry('office', { kind: 'premises', id: house }, change, body),
      seenAt: `2026-05-20T0${position}:00:00.000Z`,
      recordedAt: `2026-05-20T0${position}:00:00.000Z`,
      position,
      rootId: house,
    });
    await store.take([], [said('made', { name: 'House', timeZone: 'UTC', contact: { phone: '555 0100' } }, 1)], 1);
    assert.equal((await store.premises(house))!.premises.contact?.phone, '555 0100');
    await store.take([], [said('contact-erased', {}, 2)], 2);
    assert.equal((await store.premises(house))!.premises.contact, null);
    const db = await openDB('brass-nut');
    assert.doesNotMatch(JSON.stringify(await db.getAll('books')), /555 0100/);
    db.close();
  });
});

describe('a store of the second version', () => {
  it('keeps what waits and its place in the count, and asks for the rest anew', async () => {
    await store.keep([note('a'), note('b')]);
    const { deviceId } = store;
    store.close();
    await new Promise((done) => {
      indexedDB.deleteDatabase('brass-nut').onsuccess = done;
    });
    const old = await openDB('brass-nut', 2, {
      upgrade: (db) => {
        db.createObjectStore('outgoing', { keyPath: 'seq', autoIncrement: true }).createIndex('id', 'entry.id', { unique: true });
        db.createObjectStore('known', { keyPath: 'id' }).createIndex('visit', 'visitId');
        db.createObjectStore('visits', { keyPath: 'visit.id' });
        db.createObjectStore('facts').put({ deviceId, shop: 7, cursor: 40, visits: 3, kit: { from: '2026-05-19', to: '2026-06-03' } }, 'device');
      },
    });
    for (const text of ['gone', 'waits']) await old.add('outgoing', { entry: note(text), status: 'waiting' });
    await old.delete('outgoing', 1);
    await old.put('visits', { visit: { id: VISIT }, runs: [] });
    old.close();
    store = await DeviceStore.open();
    assert.deepEqual(
      (await store.outgoing()).map((o) => [o.seq, texts([o.entry])[0]]),
      [[2, 'waits']],
    );
    assert.deepEqual(await store.facts(), { deviceId, shop: 0, shopId: '', cursor: 0, kit: null });
    assert.equal((await store.keep([note('next')]))[0]!.seq, 3);
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
    assert.deepEqual(
      own.map((o) => [o.seq, o.status, o.why]),
      [
        [1, 'waiting', undefined],
        [2, 'refused', 'Not so.'],
        [3, 'waiting', undefined],
      ],
    );
  });
});
