import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { type DutyFacts, type DutyRow, dutiesOf, dutyMonths } from './duties.ts';

const row = (id: DutyRow['id'], months: number | null, appliances: DutyRow['appliances'] = '*'): DutyRow => ({ id, todo: 'See to', months, appliances, because: 'it ages', source: 'test' }); // biome-ignore format: one row
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
const facts = (more: Partial<DutyFacts> = {}): DutyFacts => ({ appliance: 'toilet', doneMs: 1000, lines: [{ kind: 'braided', name: 'a hose', sinceMs: 500 }], stop: 'multi-turn stop', insert: null, ...more }); // biome-ignore format: one row

describe('what a connection asks for again', () => {
  it('is its hose by age and its stop by the year, each from its own day', () => {
    assert.deepEqual(
      dutiesOf(facts(), ROWS).map((d) => [d.id, d.goesBy, d.sinceMs]),
      [
        ['connector', 'line:braided', 500],
        ['stop', 'stop', 1000],
      ],
    );
  });
  it('is a look along the line where it lies open, and the insert of a device that is there', () => {
    const ids = (more: Partial<DutyFacts>) => dutiesOf(facts(more), ROWS).map((d) => d.id);
    assert.deepEqual(ids({ appliance: 'refrigerator', stop: null }), ['connector', 'open-line']);
    assert.deepEqual(ids({ appliance: 'brewer', stop: null, lines: [], insert: { sinceMs: 1, spares: 2 } }), ['insert', 'open-line']);
    assert.deepEqual(ids({ appliance: 'brewer', stop: null, lines: [], insert: { sinceMs: 1, spares: 0 } }), ['insert', 'spares', 'open-line']);
    assert.ok(!ids({ appliance: 'brewer', lines: [], insert: { sinceMs: 1, spares: null } }).includes('spares'), 'nobody counted the spares');
  });
  it('goes by the house where it says how often; a line that is not judged by age is never due', () => {
    assert.deepEqual(dutyMonths(ROWS, AGES, {}), { 'line:braided': 120, stop: 12, insert: 12, spares: 1, 'open-line': 12 });
    const house = dutyMonths(ROWS, AGES, { maxAgeYears: { braided: 7.5, copper: 40 }, dueMonths: { stop: 6 } });
    assert.equal(house['line:braided'], 90);
    assert.equal(house['line:copper'], 480);
    assert.equal(house.stop, 6);
  });
});
