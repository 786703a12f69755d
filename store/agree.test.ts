/** What is told in several places is told alike: the demo walked through by what its screens ask. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import { addDays } from '../record/index.ts';
import { FIRST_SHOP } from './database/connection.ts';
import { calendarOf } from './queries/calendar.ts';
import { daySheet } from './queries/day.ts';
import { dueAll, dueList } from './queries/due.ts';
import { demoDatabase, type TestDatabase } from './testing.ts';

/** Hours of a day, in the morning and in the evening of it. */
const HOURS = [7, 12, 15, 21];
const TODAY = '2026-04-14';
let db: TestDatabase;

before(async () => {
  db = await demoDatabase(new Date(`${TODAY}T12:00:00Z`));
});
after(() => db.end());

const of = (r: { visitId: string | null; runId: string | null }) => `${r.visitId} ${r.runId}`;

describe('a recheck', () => {
  for (const hour of HOURS)
    for (const ahead of [0, 1, 2]) {
      it(`is on the day’s sheet and on the list of what is due, late in both or in neither: ${ahead} days on, at ${hour}`, async () => {
        const day = addDays(TODAY, ahead);
        const at = new Date(`${day}T${String(hour).padStart(2, '0')}:00:00Z`);
        const sheet = await daySheet(db.sql, FIRST_SHOP, day, at);
        const due = await dueAll(db.sql, FIRST_SHOP, at, { kind: 'recheck', ahead: 0 }, 500);
        assert.deepEqual(due.map(of).sort(), sheet.rechecks.map(of).sort());
        assert.deepEqual(
          due
            .filter((r) => r.isLate)
            .map(of)
            .sort(),
          sheet.rechecks
            .filter((r) => r.overdue)
            .map(of)
            .sort(),
        );
        const { counts } = await dueList(db.sql, FIRST_SHOP, at, { ahead: 0 });
        assert.equal(counts.recheck?.due ?? 0, sheet.rechecks.length);
        assert.equal(counts.recheck?.late ?? 0, sheet.rechecks.filter((r) => r.overdue).length, 'late');
        const { rechecks } = await calendarOf(db.sql, FIRST_SHOP, at);
        for (const r of sheet.rechecks)
          assert.ok(
            rechecks.some((c) => c.visit.id === r.visitId && c.runId === r.runId),
            `${r.run} is in no calendar`,
          );
      });
    }
});
