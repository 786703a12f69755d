import assert from 'node:assert/strict';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import postgres from 'postgres';
import { v7 as uuidv7 } from 'uuid';
import { applianceById, catalogue } from '../../catalog/index.ts';
import { type Entry, type EntryKind, runState } from '../../record/index.ts';
import { contextOf, type VisitSheet } from '../../record/visit/sheet.ts';
import { MemoryDevice } from '../../sync/memory-device.ts';
import { connect, FIRST_SHOP } from '../database/connection.ts';
import { shopCursor } from '../database/cursor.ts';
import { migrate, readMigrations } from '../database/migrate.ts';
import { ensureDerived, rebuild } from '../projections/index.ts';
import { changesAfter, offlineSnapshot } from '../queries/changes.ts';
import { daySheet } from '../queries/day.ts';
import { ledger } from '../queries/ledger.ts';
import { statesOf, visitSheet, visitsBetween } from '../queries/visits.ts';
import { chance } from '../seed/random.ts';
import { demoDatabase, emptyDatabase, sentEntry, type TestDatabase } from '../testing.ts';
import { ingestRunEntries } from './run-entries.ts';

const AT = new Date('2026-04-14T12:00:00Z');
const TODAY = '2026-04-14';
let db: TestDatabase;

before(async () => {
  db = await demoDatabase(AT);
});
after(() => db.end());

async function sheetOf(title: string): Promise<VisitSheet> {
  const head = (await visitsBetween(db.sql, FIRST_SHOP, TODAY, TODAY)).find((v) => v.title === title)!;
  return (await visitSheet(db.sql, FIRST_SHOP, head.id))!;
}

const make = (sheet: VisitSheet, run: number, kind: EntryKind, body: unknown, more: Partial<Entry> = {}) =>
  sentEntry({ visitId: sheet.visit.id, runId: sheet.runs[run]!.id }, kind, body, AT, more);
const statuses = (answers: Awaited<ReturnType<typeof ingestRunEntries>>) => answers.map((a) => (a.status === 'refused' ? a.rule : a.status));

describe('the one way in', () => {
  it('takes one entry sent twice at the same moment once', async () => {
    const sheet = await sheetOf("Director's flat");
    const note = make(sheet, 0, 'noted', { text: 'twice at once' });
    const both = await Promise.all([ingestRunEntries(db.sql, FIRST_SHOP, [note], AT), ingestRunEntries(db.sql, FIRST_SHOP, [note], AT)]);
    assert.deepEqual(both.flatMap(statuses).sort(), ['kept', 'known']);
    assert.deepEqual(statuses(await ingestRunEntries(db.sql, FIRST_SHOP, [note, note], AT)), ['known', 'known']);
  });

  it('refuses another entry under a number that is used', async () => {
    const sheet = await sheetOf("Director's flat");
    const deviceId = uuidv7();
    const numbered = (seq: number) => make(sheet, 0, 'noted', { text: `n ${seq}` }, { deviceId, seq });
    const first = numbered(7);
    assert.deepEqual(statuses(await ingestRunEntries(db.sql, FIRST_SHOP, [first, numbered(9), numbered(9)], AT)), ['kept', 'kept', 'seq-used']);
    assert.deepEqual(statuses(await ingestRunEntries(db.sql, FIRST_SHOP, [numbered(7), first], AT)), ['seq-used', 'known']);
  });

  it('orders a device by its count, whatever its clock says', async () => {
    const sheet = await sheetOf("Director's flat");
    const deviceId = uuidv7();
    const seen = (seq: number, end: string, hours: number) =>
      make(
        sheet,
        0,
        'end-seen',
        { side: 'to', end, how: 'seen' },
        { deviceId, seq, seenAt: new Date(AT.getTime() + hours * 3_600_000).toISOString() },
      );
    await ingestRunEntries(db.sql, FIRST_SHOP, [seen(1, 'comp-1/4-m', 30), seen(2, 'comp-3/8-m', -30)], AT);
    const now = await sheetOf("Director's flat");
    assert.equal(runState(contextOf(now.runs[0]!, catalogue()), now.entries).to?.end, 'comp-3/8-m');
  });

  it('refuses alone what the database will not have', async () => {
    const sheet = await sheetOf("Director's flat");
    // A shape would have refused it before: the second line of defence.
    const bad = make(sheet, 0, 'noted', { text: 'a\0b' });
    const answers = await ingestRunEntries(
      db.sql,
      FIRST_SHOP,
      [make(sheet, 0, 'noted', { text: 'before' }), bad, make(sheet, 0, 'noted', { text: 'after' })],
      AT,
    );
    assert.deepEqual(statuses(answers), ['kept', 'not-taken', 'kept']);
  });

  it('gives positions in order, and a reader by cursor misses nothing while others write', async () => {
    const sheet = await sheetOf("Director's flat");
    const begun = (await shopCursor(db.sql, FIRST_SHOP)).position;
    const many = connect(db.url, 6);
    let writing = true;
    const read: string[] = [];
    const reading = (async () => {
      let after = begun;
      for (;;) {
        const last = !writing;
        const { entries, position } = await changesAfter(db.sql, FIRST_SHOP, after);
        read.push(...entries.map((e) => e.id));
        after = position;
        if (last && entries.length === 0) return;
      }
    })();
    const written = await Promise.all(
      Array.from({ length: 6 }, async (_, w) => {
        const ids: string[] = [];
        for (let i = 0; i < 12; i++) {
          const batch = Array.from({ length: 1 + (i % 4) }, () => make(sheet, 0, 'noted', { text: `${w} ${i}` }));
          ids.push(...batch.map((e) => e.id));
          assert.ok(statuses(await ingestRunEntries(many, FIRST_SHOP, batch, AT)).every((s) => s === 'kept'));
        }
        return ids;
      }),
    );
    writing = false;
    await reading;
    await many.end();
    assert.deepEqual([...read].sort(), written.flat().sort());
    assert.equal(new Set(read).size, read.length);
  });

  it('does not sign off an empty run, nor one that is not proven without saying why', async () => {
    const sheet = await sheetOf('Canteen kitchen');
    const body = { targetMlPerDay: 10, recheckHours: 24, exceptions: [] };
    const states = statesOf(sheet);
    const empty = states.findIndex(({ state }) => state!.accepted === null);
    const half = states.findIndex(({ state }) => state!.accepted !== null && state!.joints.some((j) => !j.made));
    assert.ok(empty >= 0 && half >= 0);
    const answers = await ingestRunEntries(db.sql, FIRST_SHOP, [make(sheet, empty, 'signed-off', body), make(sheet, half, 'signed-off', body)], AT);
    assert.deepEqual(statuses(answers), ['no-chain', 'not-made']);
  });
});

describe('derived tables', () => {
  const rows = async () => [
    ...(await db.owner`select visit_id, run_id, up_to, summary, accepted_id, signed_off_at, recheck_due_at, recheck, callbacks from derived_run order by 1, 2`),
    ...(await db.owner`select * from derived_joint order by visit_id, run_id, joint_id`),
  ];
  it('are the same rebuilt as they were derived, over random writing', async () => {
    const sheet = await sheetOf('Canteen kitchen');
    const next = chance(11);
    for (let i = 0; i < 60; i++) {
      const run = Math.floor(next() * sheet.runs.length);
      const { state } = statesOf((await visitSheet(db.sql, FIRST_SHOP, sheet.visit.id))!)[run]!;
      const joint = state!.joints[Math.floor(next() * state!.joints.length)];
      const choices: [EntryKind, unknown, Partial<Entry>][] = [
        ['stop-tried', { kind: 'gate', condition: next() < 0.5 ? 'works' : 'passes' }, {}],
        ['listed', { on: next() < 0.5, reason: 'tried' }, {}],
        ['callback-reported', { finding: 'drip', text: '' }, joint ? { jointId: joint.id } : {}],
        ['joint-made', { turns24: Math.floor(next() * 30) }, joint ? { jointId: joint.id } : {}],
        ['remedied', { action: 'nudge', turns24: 3, movedJointIds: [] }, joint ? { jointId: joint.id } : {}],
      ];
      const [kind, body, more] = choices[Math.floor(next() * choices.length)]!;
      await ingestRunEntries(db.sql, FIRST_SHOP, [make(sheet, run, kind, body, more)], new Date(AT.getTime() + i * 1000));
    }
    const derived = await rows();
    assert.ok(derived.length > 200);
    await rebuild(db.sql, FIRST_SHOP);
    assert.deepEqual(await rows(), derived);
  });
  it('are rebuilt when another program derived them', async () => {
    assert.equal(await ensureDerived(db.sql, FIRST_SHOP), false);
    await db.owner`update derivation set version = 'older'`;
    assert.equal(await ensureDerived(db.sql, FIRST_SHOP), true);
  });
});

describe('a run that cannot be read', () => {
  it('is shown as such, leaves the rest of the day alone, and can be taken off', async () => {
    const sheet = await sheetOf("Director's flat");
    const run = sheet.runs[0]!;
    // As an older program let them in: turns without end, and an appliance that no catalogue knows.
    const accepted = (await db.owner`select body from entry where kind = 'chain-accepted' limit 1`)[0]!.body;
    accepted.chain.joints[0].mating.turns = { from: 1e308, to: 1e308, default: 1e308, nudge: 1e308, most: 1e308 };
    accepted.jointIds = accepted.jointIds.map(() => uuidv7());
    accepted.replacesId = null;
    for (const id of accepted.jointIds) await db.owner`insert into joint (shop_id, run_id, joint_id) values (${FIRST_SHOP}, ${run.id}, ${id})`;
    const position = (await shopCursor(db.sql, FIRST_SHOP)).position + 1;
    await db.owner`insert into entry (shop_id, entry_id, visit_id, run_id, kind, device_id, seen_at, sent_at, recorded_at, position, body)
      values (${FIRST_SHOP}, ${uuidv7()}, ${sheet.visit.id}, ${run.id}, 'chain-accepted', ${uuidv7()}, ${AT}, ${AT}, ${AT}, ${position}, ${db.owner.json(accepted)})`;
    const [{ appliance_id }] = (await db.owner`select appliance_id from run where run_id = ${run.id}`) as unknown as [{ appliance_id: string }];
    await db.owner`insert into entry (shop_id, entry_id, subject_kind, subject_id, kind, device_id, seen_at, sent_at, recorded_at, position, body)
      values (${FIRST_SHOP}, ${uuidv7()}, 'appliance', ${appliance_id}, 'changed', ${uuidv7()}, ${AT}, ${AT}, ${AT}, ${position + 1}, ${db.owner.json({ kind: 'kettle' })})`;
    await db.owner`update shop_cursor set position = ${position + 1}`;
    await rebuild(db.sql, FIRST_SHOP);
    const shown = async () => (await daySheet(db.sql, FIRST_SHOP, TODAY, AT)).visits.find((v) => v.visit.id === sheet.visit.id)!;
    const unread = (await shown()).runs.filter((r) => r.summary.unreadable !== null);
    assert.ok(unread.some((r) => r.id === run.id && /kettle/.test(r.summary.unreadable!)));
    assert.ok((await daySheet(db.sql, FIRST_SHOP, TODAY, AT)).visits.some((v) => v.runs.some((r) => r.summary.unreadable === null)));
    const kept = await ingestRunEntries(db.sql, FIRST_SHOP, [make(sheet, 0, 'listed', { on: false, reason: 'cannot be read' })], AT);
    assert.deepEqual(statuses(kept), ['kept']);
    assert.ok((await shown()).off.some((r) => r.id === run.id));
    assert.throws(() => applianceById('kettle'));
  });
});

describe('the ledger', () => {
  it('says how many there are also past its end', async () => {
    const { total } = await ledger(db.sql, FIRST_SHOP, {});
    const past = await ledger(db.sql, FIRST_SHOP, { offset: 100_000 });
    assert.deepEqual([past.rows.length, past.total], [0, total]);
  });
});

describe('what a device takes along', () => {
  it('is of the next days and of what is due, each with all that is recorded', async () => {
    const { shopId, shop: _, ...taken } = await offlineSnapshot(db.sql, FIRST_SHOP, AT);
    assert.deepEqual([shopId, taken.from, taken.to], [FIRST_SHOP, '2026-04-13', '2026-04-28']);
    assert.equal(taken.position, (await shopCursor(db.sql, FIRST_SHOP)).position);
    const device = new MemoryDevice();
    await device.keepHolding(taken);
    const days = await visitsBetween(db.sql, FIRST_SHOP, taken.from, taken.to);
    assert.ok(days.length > 4);
    // What a device reads from the book is what the server has in its tables.
    for (const { id } of days) {
      const { entries, ...sheet } = device.sheet(id);
      assert.deepEqual(
        { ...sheet, entries: entries.map(({ position: _, ...e }: Entry & { position?: number }) => e) },
        await visitSheet(db.sql, FIRST_SHOP, id),
      );
    }
  });
});

describe('a database with data of the first program', () => {
  it('is numbered in the order in which it came, and what it looked after is written down in the book', async () => {
    const all = readMigrations(join('store', 'migrations'));
    const url = await emptyDatabase();
    await migrate(url, all.slice(0, 2));
    const owner = postgres(url, { max: 1, onnotice: () => {} });
    const [visit, run, premises, place, appliance] = Array.from({ length: 5 }, () => uuidv7());
    await owner`insert into premises (shop_id, premises_id, name, time_zone) values (${FIRST_SHOP}, ${premises!}, 'House', 'UTC')`;
    await owner`insert into place (shop_id, place_id, premises_id, name) values (${FIRST_SHOP}, ${place!}, ${premises!}, 'Kitchen')`;
    await owner`insert into appliance (shop_id, appliance_id, premises_id, place_id, kind, name) values (${FIRST_SHOP}, ${appliance!}, ${premises!}, ${place!}, 'toilet', 'Toilet')`;
    await owner`insert into run (shop_id, run_id, appliance_id, water, name) values (${FIRST_SHOP}, ${run!}, ${appliance!}, 'cold', 'Toilet')`;
    await owner`insert into visit (shop_id, visit_id, premises_id, on_date, starts_at, title) values (${FIRST_SHOP}, ${visit!}, ${premises!}, '2026-04-14', '09:00', 'Kitchen')`;
    await owner`insert into visit_run (shop_id, visit_id, run_id, place_in_order) values (${FIRST_SHOP}, ${visit!}, ${run!}, 0)`;
    for (const minute of [3, 1, 2]) {
      const at = new Date(AT.getTime() + minute * 60_000);
      await owner`insert into entry (shop_id, entry_id, visit_id, run_id, kind, device_id, seen_at, sent_at, recorded_at, body)
        values (${FIRST_SHOP}, ${uuidv7()}, ${visit!}, ${run!}, 'noted', ${uuidv7()}, ${at}, ${at}, ${at}, ${owner.json({ text: `minute ${minute}` })})`;
    }
    assert.deepEqual(
      await migrate(url, all),
      all.slice(2).map((m) => m.number),
    );
    const sql = connect(url, 1);
    assert.equal(await ensureDerived(sql, FIRST_SHOP), true);
    const { entries, book, position } = await changesAfter(sql, FIRST_SHOP, 0);
    assert.deepEqual(
      entries.map((e) => (e.body as { text: string }).text),
      ['minute 1', 'minute 2', 'minute 3'],
    );
    // What it looked after is in its book from then on.
    assert.deepEqual(
      book.map((e) => `${e.subject.kind} ${e.change}`),
      ['premises made', 'place made', 'appliance made', 'run made', 'visit made', 'visit run-added'],
    );
    assert.equal(position, 9);
    const note = { ...make({ visit: { id: visit }, runs: [{ id: run }] } as unknown as VisitSheet, 0, 'noted', { text: 'after' }) };
    assert.deepEqual(statuses(await ingestRunEntries(sql, FIRST_SHOP, [note], AT)), ['kept']);
    assert.equal((await shopCursor(sql, FIRST_SHOP)).position, 10);
    const before = (await visitSheet(sql, FIRST_SHOP, visit!))!;
    assert.equal(before.runs[0]!.work, 'toilet-line');
    await rebuild(sql, FIRST_SHOP);
    assert.deepEqual(await visitSheet(sql, FIRST_SHOP, visit!), before);
    await assert.rejects(owner`update entry set position = 9`, /appended, never changed/);
    await Promise.all([sql.end(), owner.end()]);
  });
});
