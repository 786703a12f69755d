import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import { v7 as uuidv7 } from 'uuid';
import { FIRST_SHOP } from '../database/connection.ts';
import { appendBook, filedBookEntry } from '../entries/append-book.ts';
import { ingestRunEntries } from '../entries/run-entries.ts';
import { demoDatabase, type TestDatabase } from '../testing.ts';
import { daySheet } from './day.ts';
import { shopRuns } from './open-runs.ts';
import { statesOf, visitSheet } from './visits.ts';

const AT = new Date('2026-05-20T12:00:00Z');
const TODAY = '2026-05-20';
let db: TestDatabase;

before(async () => {
  db = await demoDatabase(AT);
});
after(() => db.end());

describe('the day sheet', () => {
  it('stands in the order of the hours, with the runs of each visit', async () => {
    const { visits } = await daySheet(db.sql, FIRST_SHOP, TODAY, AT);
    const hours = visits.map((v) => v.visit.startsAt);
    assert.deepEqual([...hours].sort(), hours);
    assert.ok(visits.every((v) => v.runs.length > 0 && v.places.length > 0));
  });

  it('names a finding that is not dealt with', async () => {
    const { visits } = await daySheet(db.sql, FIRST_SHOP, TODAY, AT);
    assert.ok(visits.flatMap((v) => v.runs).some((r) => r.summary.finding === 'damp'));
  });

  it('counts what accepted chains need against what is on the van, and only what is missing', async () => {
    const { shortages } = await daySheet(db.sql, FIRST_SHOP, TODAY, AT);
    for (const s of shortages) assert.ok(s.quantity > s.onVan && s.forRuns.length > 0, s.item);
    const bought = { item: shortages[0]!.item, quantity: 9 * 12 * 12, reason: 'bought' };
    await db.sql.begin((tx) => appendBook(tx, FIRST_SHOP, [filedBookEntry('stock', shortages[0]!.van!.id, 'received', bought, AT)]));
    const later = await daySheet(db.sql, FIRST_SHOP, TODAY, AT);
    assert.ok(!later.shortages.some((s) => s.item === shortages[0]!.item));
  });

  it('is empty on a day without visits, and says so by having none; but for what is due since, however long ago', async () => {
    const before = await daySheet(db.sql, FIRST_SHOP, '2019-01-01', AT);
    assert.deepEqual([before.visits, before.shortages, before.rechecks], [[], [], []]);
    const after = await daySheet(db.sql, FIRST_SHOP, '2031-01-01', AT);
    assert.deepEqual([after.visits, after.shortages], [[], []]);
    assert.ok(after.rechecks.length > 0);
  });

  it('lists a recheck until it was looked at dry', async () => {
    const before = await daySheet(db.sql, FIRST_SHOP, TODAY, AT);
    const due = before.rechecks[0]!;
    const sheet = (await visitSheet(db.sql, FIRST_SHOP, due.visitId))!;
    const state = statesOf(sheet).find((s) => s.run.id === due.runId)!.state!;
    const device = uuidv7();
    const base = { visitId: due.visitId, runId: due.runId, correctsId: null, deviceId: device, recordedAt: null };
    const again = uuidv7();
    const book = (change: string, body: object) => filedBookEntry('visit', again, change, body as never, AT);
    await db.sql.begin((tx) =>
      appendBook(tx, FIRST_SHOP, [
        book('made', { premisesId: due.premisesId, onDate: TODAY, startsAt: '16:00', title: 'Recheck' }),
        book('run-added', { runId: due.runId, work: due.work, recheckOf: due.visitId }),
      ]),
    );
    const booked = await daySheet(db.sql, FIRST_SHOP, TODAY, AT);
    assert.equal(booked.rechecks.length, before.rechecks.length, 'it is due until it is looked at, and told once');
    assert.equal(booked.rechecks.find((r) => r.visitId === due.visitId && r.runId === due.runId)?.bookedOn, TODAY);
    const statusOf = (sheet: typeof booked) => sheet.visits.find((v) => v.visit.id === again)?.status;
    assert.equal(statusOf(booked), 'planned');
    const looks = [
      ...state.joints.map((j) => ({ jointId: j.id, checkPointId: null })),
      ...state.checkPoints.map((c) => ({ jointId: null, checkPointId: c.id })),
    ].flatMap((target) => {
      const begunId = uuidv7();
      const [seenAt, endAt] = [AT.toISOString(), new Date(AT.getTime() + 120 * 60_000).toISOString()];
      return [
        { ...base, ...target, id: begunId, seenAt, sentAt: endAt, kind: 'look-begun', body: { round: 'next-day', method: 'tissue' } },
        {
          ...base,
          ...target,
          id: uuidv7(),
          seenAt: endAt,
          sentAt: endAt,
          kind: 'look-ended',
          body: { begunId, finding: 'dry', drops: null, elapsedS: 7200 },
        },
      ];
    });
    const kept = await ingestRunEntries(db.sql, FIRST_SHOP, looks as never, new Date(AT.getTime() + 120 * 60_000));
    assert.ok(kept.every((k) => k.status === 'kept'));
    const later = await daySheet(db.sql, FIRST_SHOP, TODAY, AT);
    assert.equal(later.rechecks.length, before.rechecks.length - 1);
    assert.equal(statusOf(later), 'done');
  });
});

describe('runs a chain may be taken to', () => {
  it('are those of today and tomorrow of which no joint is made', async () => {
    const runs = await shopRuns(db.sql, FIRST_SHOP, AT);
    assert.ok(runs.some((r) => r.name.endsWith(', today')) && runs.some((r) => r.name.endsWith(', tomorrow')));
    for (const r of runs) {
      const state = statesOf((await visitSheet(db.sql, FIRST_SHOP, r.visitId))!).find((s) => s.run.id === r.runId)!.state!;
      assert.ok(!state.signedOff && !state.joints.some((j) => j.made), r.name);
      assert.equal(r.acceptedId, state.accepted?.entryId ?? null);
    }
  });
});
