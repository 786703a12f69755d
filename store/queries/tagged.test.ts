/** Where a tag leads, and what is told of a premises through the years. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import { v7 as uuidv7 } from 'uuid';
import { FIRST_SHOP } from '../database/connection.ts';
import { appendBook, filedBookEntry } from '../entries/append-book.ts';
import { demoDatabase, type TestDatabase } from '../testing.ts';
import { dueList } from './due.ts';
import { ledger } from './ledger.ts';
import { premisesName } from './premises-name.ts';
import { taggedRun } from './tagged.ts';
import { timeline } from './timeline.ts';

const AT = new Date('2026-04-14T12:00:00Z');
let db: TestDatabase;
before(async () => {
  db = await demoDatabase(AT);
});
after(() => db.end());

describe('a tag', () => {
  it('leads to the connection that its run stands with now, whenever it was printed', async () => {
    const { rows } = await ledger(db.sql, FIRST_SHOP, { limit: 500 });
    const runs = new Map<string, string>();
    // Newest first: the first of a run is the one that stands.
    for (const r of rows) if (!runs.has(r.runId)) runs.set(r.runId, r.visitId);
    for (const [runId, visitId] of runs) assert.deepEqual((await taggedRun(db.sql, FIRST_SHOP, runId))?.visitId, visitId);
  });
  it('of a run that nobody worked on leads to its premises alone, and of none to nothing', async () => {
    const [appliance] = await db.owner<{ appliance_id: string; premises_id: string }[]>`select appliance_id, premises_id from appliance limit 1`;
    const runId = uuidv7();
    const made = { applianceId: appliance!.appliance_id, water: 'cold', name: 'A second inlet', checkPoints: [] };
    await db.sql.begin((tx) => appendBook(tx, FIRST_SHOP, [filedBookEntry('run', runId, 'made', made, AT)]));
    assert.deepEqual(await taggedRun(db.sql, FIRST_SHOP, runId), { visitId: null, isSigned: false, premisesId: appliance!.premises_id });
    assert.equal(await taggedRun(db.sql, FIRST_SHOP, uuidv7()), null);
  });
});

describe('a premises through the years', () => {
  it('tells visits, connections and callbacks, newest first, each with where it leads', async () => {
    const [house] = await db.owner<{ premises_id: string; name: string }[]>`select premises_id, name from premises`;
    assert.equal(await premisesName(db.sql, FIRST_SHOP, house!.premises_id), house!.name);
    const rows = await timeline(db.sql, FIRST_SHOP, house!.premises_id);
    assert.deepEqual(
      [...rows].sort((a, b) => (a.onDate > b.onDate ? -1 : a.onDate < b.onDate ? 1 : 0)).map((r) => r.onDate),
      rows.map((r) => r.onDate),
    );
    for (const kind of ['visit', 'connection', 'callback'] as const)
      assert.ok(
        rows.some((r) => r.kind === kind),
        `no ${kind} is told`,
      );
    assert.ok(rows.every((r) => (r.kind === 'visit') === (r.runId === null)));
    assert.equal((await timeline(db.sql, FIRST_SHOP, uuidv7())).length, 0);
  });
});

describe('what is retired', () => {
  it('has nothing due, its premises and all of it, until it is brought back', async () => {
    const [house] = await db.owner<{ premises_id: string }[]>`select premises_id from premises`;
    const due = async () => (await dueList(db.sql, FIRST_SHOP, AT, { ahead: 4000 })).total;
    const before = await due();
    assert.ok(before > 0, 'nothing is due in the demo');
    const said = (change: string) =>
      db.sql.begin((tx) => appendBook(tx, FIRST_SHOP, [filedBookEntry('premises', house!.premises_id, change, { reason: 'House given up' }, AT)]));
    await said('retired');
    assert.equal(await due(), 0);
    await said('restored');
    assert.equal(await due(), before);
  });
  it('is asked for by its premises alone, where one is named', async () => {
    const [house] = await db.owner<{ premises_id: string }[]>`select premises_id from premises`;
    const of = async (premises: string) => (await dueList(db.sql, FIRST_SHOP, AT, { ahead: 4000, premises })).total;
    assert.equal(await of(house!.premises_id), (await dueList(db.sql, FIRST_SHOP, AT, { ahead: 4000 })).total);
    assert.equal(await of(uuidv7()), 0);
  });
});
