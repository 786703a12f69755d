import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { lastBegun, monthsAfter } from './due-day.ts';
import { type TaskFacts, type TaskRow, taskMonths, tasksOf } from './tasks.ts';

const row = (id: TaskRow['id'], months: number | null, appliances: TaskRow['appliances'] = '*'): TaskRow => ({
  id,
  todo: 'See to',
  rule: 'It is seen to every',
  months,
  appliances,
  because: 'it ages',
  source: 'test',
});
const ROWS = [
  row('connector', null),
  row('stop', 12),
  row('insert', 12, ['brewer']),
  row('spares', 1, ['brewer']),
  row('open-line', 12, ['refrigerator', 'brewer']),
];
const AGES = [
  { kind: 'braided' as const, name: 'braided', watchYears: 8, replaceYears: 10, source: '' },
  { kind: 'copper' as const, name: 'copper', watchYears: null, replaceYears: null, source: '' },
];
const facts = (more: Partial<TaskFacts> = {}): TaskFacts => ({
  appliance: 'toilet',
  doneMs: 1000,
  lines: [{ kind: 'braided', name: 'a hose', sinceMs: 500 }],
  stop: 'multi-turn stop',
  insert: null,
  ...more,
});

describe('what a connection asks for again', () => {
  it('is its hose by age and its stop by the year, each from its own day', () => {
    assert.deepEqual(
      tasksOf(facts(), ROWS).map((d) => [d.id, d.goesBy, d.sinceMs]),
      [
        ['connector', 'line:braided', 500],
        ['stop', 'stop', 1000],
      ],
    );
  });
  it('is a look along the line where it lies open, and the insert of a device that is there', () => {
    const ids = (more: Partial<TaskFacts>) => tasksOf(facts(more), ROWS).map((d) => d.id);
    assert.deepEqual(ids({ appliance: 'refrigerator', stop: null }), ['connector', 'open-line']);
    assert.deepEqual(ids({ appliance: 'brewer', stop: null, lines: [], insert: { sinceMs: 1, spares: 2 } }), ['insert', 'open-line']);
    assert.deepEqual(ids({ appliance: 'brewer', stop: null, lines: [], insert: { sinceMs: 1, spares: 0 } }), ['insert', 'spares', 'open-line']);
    assert.ok(!ids({ appliance: 'brewer', lines: [], insert: { sinceMs: 1, spares: null } }).includes('spares'), 'nobody counted the spares');
  });
  it('goes by the house where it says how often; a line that is not judged by age is never due', () => {
    assert.deepEqual(taskMonths(ROWS, AGES, {}), { 'line:braided': 120, stop: 12, insert: 12, spares: 1, 'open-line': 12 });
    const house = taskMonths(ROWS, AGES, { maxAgeYears: { braided: 7.5, copper: 40 }, dueMonths: { stop: 6 } });
    assert.equal(house['line:braided'], 90);
    assert.equal(house['line:copper'], 480);
    assert.equal(house.stop, 6);
  });
});

describe('a day some months later', () => {
  it('is the last of a shorter month where that has no such day', () => {
    assert.equal(monthsAfter('2026-01-31', 1), '2026-02-28');
    assert.equal(monthsAfter('2028-02-29', 12), '2029-02-28');
    assert.equal(monthsAfter('2026-11-30', 3), '2027-02-28');
    assert.equal(monthsAfter('2026-03-31', -1), '2026-02-28');
    assert.equal(monthsAfter('2026-04-14', 120), '2036-04-14');
  });
  it('is told backwards too: the last day from which it is not too late', () => {
    for (const months of [1, 6, 12, 61]) {
      for (let n = 0; n < 800; n++) {
        const until = new Date(Date.UTC(2027, 0, 1) + n * 86_400_000).toISOString().slice(0, 10);
        const day = lastBegun(until, months);
        const next = new Date(Date.parse(day) + 86_400_000).toISOString().slice(0, 10);
        assert.ok(monthsAfter(day, months) <= until && monthsAfter(next, months) > until, `${until} less ${months} months is not ${day}`);
      }
    }
  });
});
