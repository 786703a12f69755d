import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import { v7 as uuidv7 } from 'uuid';
import { catalogue } from '../../catalog/index.ts';
import { FIRST_SHOP } from '../database/connection.ts';
import { ingestRunEntries } from '../entries/run-entries.ts';
import { demoDatabase, type TestDatabase } from '../testing.ts';
import { daySheet } from './day.ts';
import { find } from './find.ts';
import { ledger } from './ledger.ts';
import { statesOf, visitSheet } from './visits.ts';

const AT = new Date('2026-05-20T12:00:00Z');
const TODAY = '2026-05-20';
let db: TestDatabase;
before(async () => {
  db = await demoDatabase(AT);
});
after(() => db.end());

const found = (q: string) => find(db.sql, FIRST_SHOP, q, TODAY, catalogue());
const kinds = async (q: string) => [...new Set((await found(q)).map((f) => f.kind))];

describe('one search', () => {
  it('finds premises, what stands there, visits, parts and connections, each where all words are', async () => {
    assert.deepEqual(
      (await found('quillback')).filter((f) => f.kind === 'premises').map((f) => f.name),
      ['Quillback Hill Observatory'],
    );
    assert.ok((await kinds('ice maker')).includes('appliance'));
    assert.ok((await kinds('director')).includes('visit'));
    const parts = (await found('arrestor 3/8 compression')).filter((f) => f.kind === 'part');
    assert.ok(parts.length > 0 && parts.every((p) => p.name.includes('arrestor') && p.href.startsWith('/stock?find=')));
    const [washer] = (await found('lodge washer')).filter((f) => f.kind === 'connection');
    assert.match(washer!.href, /^\/ledger\/[0-9a-f-]{36}\/[0-9a-f-]{36}$/);
  });

  it('finds nothing for a letter, for signs, and for words that are nowhere', async () => {
    for (const q of ['', ' ', 'a', '%%', '__', 'zither nowhere', '\\']) assert.deepEqual(await found(q), [], q);
  });
});

describe('the ledger by day, premises and finding', () => {
  it('each narrows it, and together they fit what each fits', async () => {
    const all = await ledger(db.sql, FIRST_SHOP, { limit: 500 });
    const days = all.rows.map((r) => r.onDate).sort();
    const [from, to] = [days[Math.floor(days.length / 3)]!, days[Math.floor((2 * days.length) / 3)]!];
    const between = await ledger(db.sql, FIRST_SHOP, { from, to, limit: 500 });
    assert.equal(between.total, days.filter((d) => d >= from && d <= to).length);
    assert.ok(between.total > 0 && between.total < all.total);
    const damp = () => ledger(db.sql, FIRST_SHOP, { finding: 'damp', limit: 500 });
    // What came back damp was damp too.
    const cameBack = (await damp()).rows;
    assert.ok(cameBack.every((r) => r.callbacks > 0));
    const [due] = (await daySheet(db.sql, FIRST_SHOP, TODAY, AT)).rechecks;
    const state = statesOf((await visitSheet(db.sql, FIRST_SHOP, due!.visitId))!).find((r) => r.run.id === due!.runId)!.state!;
    const time = AT.toISOString();
    const base = {
      visitId: due!.visitId,
      runId: due!.runId,
      jointId: state.joints[0]!.id,
      checkPointId: null,
      correctsId: null,
      deviceId: uuidv7(),
      seenAt: time,
      sentAt: time,
      recordedAt: null,
    };
    const begun = { ...base, id: uuidv7(), kind: 'look-begun', body: { round: 'next-day', method: 'tissue' } };
    const ended = { ...base, id: uuidv7(), kind: 'look-ended', body: { begunId: begun.id, finding: 'damp', drops: null, elapsedS: 0 } };
    const answers = await ingestRunEntries(db.sql, FIRST_SHOP, [begun, ended] as never, AT);
    assert.deepEqual(
      answers.map((r) => r.status),
      ['kept', 'kept'],
    );
    const found = (await damp()).rows;
    assert.ok(found.some((r) => r.runId === due!.runId && r.visitId === due!.visitId));
    assert.equal(found.length, cameBack.length + 1);
    // Taken back as pressed by mistake, it was never found.
    const back = { ...base, id: uuidv7(), kind: 'withdrawn', correctsId: ended.id, body: { reason: 'pressed by mistake' } };
    assert.equal((await ingestRunEntries(db.sql, FIRST_SHOP, [back] as never, AT))[0]!.status, 'kept');
    assert.equal((await damp()).total, cameBack.length);
    const [house] = await db.owner<{ premises_id: string }[]>`select premises_id from premises`;
    assert.equal((await ledger(db.sql, FIRST_SHOP, { premises: house!.premises_id })).total, all.total);
    assert.equal((await ledger(db.sql, FIRST_SHOP, { premises: due!.visitId })).total, 0);
  });
});
