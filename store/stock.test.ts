/** Shelves and vans: what was said of them, what joints took, what is to be bought. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import { v7 as uuidv7 } from 'uuid';
import { catalogue } from '../catalog/index.ts';
import type { SentBookEntry } from '../record/book/shape.ts';
import type { Entry } from '../record/index.ts';
import { neededFor } from '../record/run/needs/needed.ts';
import { carryStock } from './carry/stock.ts';
import { FIRST_SHOP } from './database/connection.ts';
import { ingestBookEntries } from './entries/book-entries.ts';
import { ingestRunEntries } from './entries/run-entries.ts';
import { ensureDerived, rebuild } from './projections/index.ts';
import { sharedStock, stockAnswer, stockedPlaces } from './queries/stock.ts';
import { statesOf, visitSheet, visitsBetween } from './queries/visits.ts';
import { ensureDemo } from './seed/demo.ts';
import { chance } from './seed/random.ts';
import { type TestDatabase, testDatabase } from './testing.ts';

const AT = new Date('2026-03-10T12:00:00Z');
let db: TestDatabase;
let clock = AT.getTime();
let seq = 0;
const [PHONE, SHELF, VAN] = [uuidv7(), uuidv7(), uuidv7()];

before(async () => {
  db = await testDatabase();
  await ensureDemo(db.sql, AT);
  await ensureDerived(db.sql, FIRST_SHOP);
  // The shop's own places stand after those of the demo: the demo's van is the first.
  await take(said(SHELF, 'place-made', { name: 'Shelf', kind: 'shelf' }), said(VAN, 'place-made', { name: 'Van 2', kind: 'van' }));
});
after(() => db.end());

const stamp = (more: object = {}) => {
  clock += 60_000;
  const time = new Date(clock).toISOString();
  return { id: uuidv7(), deviceId: PHONE, seq: ++seq, seenAt: time, sentAt: time, recordedAt: null, correctsId: null, ...more };
};
const said = (place: string, change: string, body: object, more: object = {}): SentBookEntry =>
  ({ ...stamp(more), subject: { kind: 'stock', id: place }, change, body }) as SentBookEntry;

async function take(...entries: SentBookEntry[]) {
  const answers = await ingestBookEntries(db.sql, FIRST_SHOP, entries, new Date(clock + 1000));
  return answers.map((a) => (a.status === 'refused' ? a.rule : a.status));
}

const level = async (place: string, item: string) =>
  (await stockedPlaces(db.sql, FIRST_SHOP)).find((p) => p.id === place)!.items.find((l) => l.item === item)?.quantity ?? null;

describe('a shelf and a van', () => {
  it('hold what was counted, and what came and went since; corrected in its place, taken back and put back', async () => {
    const got = said(SHELF, 'received', { item: 'a', quantity: 5, reason: 'bought' });
    const counted = said(SHELF, 'counted', { item: 'a', quantity: 4 });
    const moved = said(SHELF, 'moved', { item: 'a', quantity: 3, toId: VAN });
    assert.deepEqual(await take(got, counted, moved, said(VAN, 'thrown', { item: 'a', quantity: 1, reason: 'cracked' })), [
      'kept',
      'kept',
      'kept',
      'kept',
    ]);
    assert.deepEqual([await level(SHELF, 'a'), await level(VAN, 'a')], [1, 2]);
    await take(said(SHELF, 'counted', { item: 'a', quantity: 9 }, { correctsId: counted.id }));
    assert.equal(await level(SHELF, 'a'), 6);
    const back = said(SHELF, 'withdrawn', { reason: 'still here' }, { correctsId: moved.id });
    await take(back);
    assert.deepEqual([await level(SHELF, 'a'), await level(VAN, 'a')], [9, -1]);
    await take(said(SHELF, 'withdrawn', { reason: 'it went after all' }, { correctsId: back.id }));
    assert.deepEqual([await level(SHELF, 'a'), await level(VAN, 'a')], [6, 2]);
  });

  it('a correction to another item takes from the one and gives to the other', async () => {
    const wrong = said(SHELF, 'received', { item: 'b', quantity: 7, reason: 'bought' });
    await take(wrong, said(SHELF, 'received', { item: 'c', quantity: 7, reason: 'bought' }, { correctsId: wrong.id }));
    assert.deepEqual([await level(SHELF, 'b'), await level(SHELF, 'c')], [null, 7]);
  });

  it('what is refused names the field, and changes nothing', async () => {
    assert.deepEqual(
      await take(said(SHELF, 'moved', { item: 'a', quantity: 1, toId: SHELF }), said(uuidv7(), 'counted', { item: 'a', quantity: 1 })),
      ['same-place', 'unknown-stock'],
    );
    const making = said(SHELF, 'withdrawn', { reason: 'not ours' }, { correctsId: (await makingOf(SHELF)) as string });
    assert.deepEqual(await take(making), ['in-use']);
    assert.equal(await level(SHELF, 'a'), 6);
  });

  it('what is to be bought is each place’s own shortfall, added up', async () => {
    await take(
      said(SHELF, 'counted', { item: 'd', quantity: 9 }),
      said(SHELF, 'minimum-set', { item: 'd', quantity: 2 }),
      said(VAN, 'counted', { item: 'd', quantity: 1 }),
      said(VAN, 'minimum-set', { item: 'd', quantity: 4 }),
      said(SHELF, 'minimum-set', { item: 'e', quantity: 3 }),
    );
    const own = async () =>
      (await stockAnswer(db.sql, FIRST_SHOP)).reorder.filter((r) => ['d', 'e'].includes(r.item)).map((r) => [r.item, r.quantity]);
    assert.deepEqual(await own(), [
      ['d', 3],
      ['e', 3],
    ]);
    await take(
      said(VAN, 'received', { item: 'd', quantity: 3, reason: 'bought' }),
      said(SHELF, 'received', { item: 'e', quantity: 3, reason: 'bought' }),
    );
    assert.deepEqual(await own(), []);
  });

  it('is the same object while nothing moves', async () => {
    const stock = await sharedStock(db.sql, FIRST_SHOP);
    assert.equal(await sharedStock(db.sql, FIRST_SHOP), stock);
    await take(said(VAN, 'counted', { item: 'd', quantity: 2 }));
    assert.notEqual(await sharedStock(db.sql, FIRST_SHOP), stock);
  });
});

async function makingOf(place: string) {
  const [row] = await db.owner`select entry_id from entry where subject_id = ${place} and kind = 'place-made'`;
  return row!.entry_id;
}

/** A run of today with a chain and no joint made. */
async function waitingRun() {
  for (const head of await visitsBetween(db.sql, FIRST_SHOP, '2026-03-09', '2026-03-11')) {
    const sheet = (await visitSheet(db.sql, FIRST_SHOP, head.id))!;
    const read = statesOf(sheet).find((r) => r.state?.accepted && r.state.joints.every((j) => !j.made) && !r.state.signedOff);
    if (read) return { visitId: head.id, runId: read.run.id, state: read.state! };
  }
  throw new Error('The demo has no run that waits.');
}

describe('what joints take', () => {
  it('leaves the van joint by joint, all that the chain takes when all are made; comes back with what is withdrawn; a count goes before it', async () => {
    const { visitId, runId, state } = await waitingRun();
    const firstVan = (await stockedPlaces(db.sql, FIRST_SHOP)).find((p) => p.kind === 'van')!.id;
    const wanted = neededFor(state.accepted!);
    const items = Object.keys(wanted);
    assert.ok(items.length > 0);
    const of = (kind: string, body: object, more: object = {}) =>
      ({ ...stamp(more), visitId, runId, jointId: null, checkPointId: null, kind, body, ...more }) as unknown as Entry & { sentAt: string };
    await take(...items.map((item) => said(firstVan, 'counted', { item, quantity: 1000 })));
    const levels = async (van = firstVan) =>
      Object.fromEntries(await Promise.all(items.map(async (item) => [item, 1000 - (await level(van, item))!])));
    const none = Object.fromEntries(items.map((i) => [i, 0]));
    const all = Object.fromEntries(items.map((i) => [i, wanted[i]!.quantity]));
    assert.deepEqual(await levels(), none);
    const skip = of('stage-skipped', { stage: 'shut', reason: 'the water was off' });
    const makings = state.joints.map((j) => of('joint-made', { turns24: j.budget?.default24 ?? 12 }, { jointId: j.id }));
    const answers = await ingestRunEntries(db.sql, FIRST_SHOP, [skip, ...makings], new Date(clock + 1000));
    for (const [i, a] of answers.slice(-makings.length).entries()) assert.equal(a.status, 'kept', `J${i + 1} ${JSON.stringify(a)}`);
    assert.deepEqual(await levels(), all);
    // A device's own order counts, whatever its clock does.
    const early = { seenAt: '2026-03-01T00:00:00.000Z' };
    await take(...items.map((item) => said(firstVan, 'counted', { item, quantity: 1000 }, early)));
    assert.deepEqual(await levels(), none);
    const back = makings.map((m) => of('withdrawn', { reason: 'pressed by mistake' }, { correctsId: m.id, jointId: m.jointId }));
    await ingestRunEntries(db.sql, FIRST_SHOP, back, new Date(clock + 1000));
    // The count was made with the parts gone: taking the joints back does not bring them twice.
    assert.deepEqual(await levels(), none);
    await ingestRunEntries(
      db.sql,
      FIRST_SHOP,
      state.joints.map((j) => of('joint-made', { turns24: j.budget?.default24 ?? 12 }, { jointId: j.id })),
      new Date(clock + 1000),
    );
    assert.deepEqual(await levels(), all);
    // Another van went there.
    await take(...items.map((item) => said(VAN, 'minimum-set', { item, quantity: 1 })));
    const goesBy = { ...stamp(), subject: { kind: 'visit', id: visitId }, change: 'changed', body: { vanId: VAN } } as SentBookEntry;
    assert.deepEqual(await take(goesBy), ['kept']);
    assert.deepEqual(await levels(), none);
    await take({
      ...stamp(),
      subject: { kind: 'visit', id: visitId },
      change: 'withdrawn',
      body: { reason: 'no' },
      correctsId: goesBy.id,
    } as SentBookEntry);
    assert.deepEqual(await levels(), all);
  });
});

describe('rebuilt', () => {
  const TABLES = ['stock_place', 'stock_level', 'derived_use'];
  const tables = async () =>
    (await Promise.all(TABLES.map((t) => db.owner.unsafe(`select '${t} ' || to_jsonb(t)::text as row from ${t} t`))))
      .flat()
      .map((r) => r.row as string)
      .sort();

  it('levels are those that were derived, over random changes of three places', async () => {
    const go = chance(11);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(go() * list.length)]!;
    const third = uuidv7();
    const kept: SentBookEntry[] = [];
    const next = (): SentBookEntry => {
      const place = pick([SHELF, VAN, third]);
      const item = pick(['p', 'q', 'r']);
      const quantity = 1 + Math.floor(go() * 9);
      const more = { seenAt: new Date(clock - go() * 3_600_000).toISOString(), deviceId: pick([PHONE, third]), seq: undefined };
      const one = kept.length > 0 ? pick(kept) : null;
      if (go() < 0.15 && one) return said(one.subject.id, 'withdrawn', { reason: 'wrong' }, { ...more, correctsId: one.id });
      if (go() < 0.1 && one) return { ...one, ...stamp(more), correctsId: one.id, body: { ...one.body, quantity } } as SentBookEntry;
      if (go() < 0.1) return said(third, 'place-made', { name: 'Third', kind: 'van' }, more);
      const change = pick(['received', 'used', 'thrown', 'moved', 'counted', 'minimum-set']);
      if (change === 'moved') return said(place, change, { item, quantity, toId: pick([SHELF, VAN, third]) }, more);
      return said(place, change, change === 'counted' || change === 'minimum-set' ? { item, quantity } : { item, quantity, reason: 'so' }, more);
    };
    for (let n = 0; n < 60; n++) {
      const batch = Array.from({ length: 1 + Math.floor(go() * 5) }, next);
      const answers = await take(...batch);
      kept.push(...batch.filter((_, i) => answers[i] === 'kept'));
    }
    assert.ok(kept.length > 60);
    const derived = await tables();
    await rebuild(db.sql, FIRST_SHOP);
    assert.deepEqual(await tables(), derived);
  });
});

describe('moves of older programs', () => {
  it('are written down once as entries of a van, whole coils by their inches', async () => {
    const old = await testDatabase();
    try {
      const coil = catalogue().parts.find((p) => p.cutToLength && p.maxLengthIn)!;
      const moves = [
        ['comp-x', 4, 'piece', 'counted'],
        ['comp-x', -1, 'piece', 'used on a run that was signed off'],
        [coil.id, 1, 'piece', 'counted'],
        [coil.id, -62, 'inch', 'used on a run that was signed off'],
      ] as const;
      for (const [item, quantity, unit, reason] of moves) {
        await old.owner`insert into stock_move (shop_id, move_id, item, quantity, unit, reason, recorded_at) values (${FIRST_SHOP}, ${uuidv7()}, ${item}, ${quantity}, ${unit}, ${reason}, ${AT})`;
      }
      assert.equal(await carryStock(old.sql, FIRST_SHOP), 4);
      assert.equal(await carryStock(old.sql, FIRST_SHOP), 0);
      const [van, ...others] = await stockedPlaces(old.sql, FIRST_SHOP);
      assert.deepEqual([van!.name, others.length], ['Van', 0]);
      assert.deepEqual(Object.fromEntries(van!.items.map((l) => [l.item, l.quantity])), { 'comp-x': 3, [coil.id]: coil.maxLengthIn! - 62 });
    } finally {
      await old.end();
    }
  });
});
