import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import { drainIdOf, type Entry, type EntryKind } from '../record/index.ts';
import { FIRST_SHOP } from './database/connection.ts';
import { ingestRunEntries } from './entries/run-entries.ts';
import { exportVisit, importVisit, parseVisitFile } from './files/visit-file.ts';
import { statesOf, visitSheet, visitsBetween } from './queries/visits.ts';
import { demoDatabase, sentEntry, type TestDatabase, testDatabase } from './testing.ts';

const AT = new Date('2026-04-14T12:00:00Z');
const TODAY = '2026-04-14';
let db: TestDatabase;

before(async () => {
  db = await demoDatabase(AT);
});
after(() => db.end());

const make = (visitId: string, runId: string, kind: EntryKind, body: unknown, more: Partial<Entry> = {}) =>
  sentEntry({ visitId, runId }, kind, body, AT, more);

/** One of the day's runs whose card makes joints of the drain, and one whose card makes none. */
async function runs() {
  const heads = await visitsBetween(db.sql, FIRST_SHOP, TODAY, TODAY);
  const sheets = await Promise.all(heads.map(async (h) => (await visitSheet(db.sql, FIRST_SHOP, h.id))!));
  const open = sheets.flatMap((sheet) =>
    statesOf(sheet).flatMap(({ run, state }) => (state?.accepted && !state.signedOff ? [{ sheet, run, state }] : [])),
  );
  const drains = (state: (typeof open)[number]['state']) => state.checkPoints.filter((c) => c.drain);
  return { withDrain: open.find((r) => drains(r.state).length > 0), without: open.find((r) => drains(r.state).length === 0)! };
}

describe('joints of the drain on the way in', () => {
  it('are refused on a run whose card makes none', async () => {
    const { sheet, run } = (await runs()).without;
    const look = make(sheet.visit.id, run.id, 'look-begun', { round: 'working', method: 'eye' }, { checkPointId: drainIdOf(run.id, 'D1') });
    const [answer] = await ingestRunEntries(db.sql, FIRST_SHOP, [look], AT);
    assert.deepEqual([answer!.status, answer!.status === 'refused' && answer!.rule], ['refused', 'unknown-check-point']);
  });

  it('are kept by the first entry that names them, read back, and go with the visit into an empty shop', async () => {
    const { sheet, run } = (await runs()).withDrain!;
    const id = drainIdOf(run.id, 'D1');
    const look = make(sheet.visit.id, run.id, 'look-begun', { round: 'working', method: 'eye' }, { checkPointId: id });
    const end = make(sheet.visit.id, run.id, 'look-ended', { begunId: look.id, finding: 'damp', drops: null, elapsedS: 30 }, { checkPointId: id });
    const answers = await ingestRunEntries(db.sql, FIRST_SHOP, [look, end], AT);
    assert.deepEqual(
      answers.map((a) => a.status),
      ['kept', 'kept'],
    );
    const again = (await visitSheet(db.sql, FIRST_SHOP, sheet.visit.id))!;
    const state = statesOf(again).find((r) => r.run.id === run.id)!.state!;
    assert.equal(state.checkPoints.find((c) => c.id === id)!.finding, 'damp');
    assert.ok(!again.runs.some((r) => r.checkPoints.some((c) => c.kind === 'drain')), 'the book knows only of the stem');
    const empty = await testDatabase();
    try {
      await importVisit(empty.sql, FIRST_SHOP, parseVisitFile((await exportVisit(db.sql, FIRST_SHOP, sheet.visit.id))!), AT);
      const there = statesOf((await visitSheet(empty.sql, FIRST_SHOP, sheet.visit.id))!).find((r) => r.run.id === run.id)!.state!;
      assert.equal(there.checkPoints.find((c) => c.id === id)!.finding, 'damp');
    } finally {
      await empty.end();
    }
  });
});
